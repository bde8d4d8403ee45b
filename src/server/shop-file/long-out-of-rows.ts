import { each, iso, read, rowsOf, type From, type OutOfRows } from "./rows";

/** Jobs with their versions and prices; of one thing the version that counts, without client, dates and price. */
export async function* jobsOut({ db, shopId, transaction, selection }: From): AsyncGenerator<OutOfRows> {
  const all = selection === null;
  for (const row of await db.Job.findAll(rowsOf({ shopId, transaction }, selection?.jobs))) {
    const { id, name, client, status, dueOn, archivedAt, removedAt, revision } = row;
    const revisions = await db.JobRevision.findAll({
      where: { jobId: id, ...(selection && { revision }) },
      order: [["revision", "ASC"]],
      transaction,
    });
    const price = all ? await db.JobPrice.findByPk(id, { transaction }) : null;
    yield each("jobs/*.json", id, {
      id,
      name,
      client: all ? client : "",
      status: all ? status : "planning",
      dueOn: all ? dueOn : null,
      archivedAt: all ? iso(archivedAt) : null,
      removedAt: iso(removedAt),
      revision,
      startOn: row.startOn,
      pieces: row.pieces,
      recipeVersionId: row.recipeVersionId,
      createdAt: iso(row.createdAt),
      updatedAt: iso(row.updatedAt),
      revisions: revisions.map(
        ({ revision: number, document, undoRevision, redoRevision, savedBy, savedAt }) => ({
          revision: number,
          document: read(document),
          undoRevision: all ? undoRevision : null,
          redoRevision: all ? redoRevision : null,
          savedBy,
          savedAt: iso(savedAt),
        }),
      ),
      price: price && { draft: read(price.draft), savedBy: price.savedBy, savedAt: iso(price.savedAt) },
    });
  }
}

/** Pours with their entries in the order in which the server had them. */
export async function* poursOut({ db, shopId, transaction }: From): AsyncGenerator<OutOfRows> {
  const ids = await db.Pour.findAll({ ...rowsOf({ shopId, transaction }), attributes: ["id"] });
  for (const { id } of ids) {
    const row = await db.Pour.findByPk(id, { transaction });
    if (!row) continue;
    const events = await db.PourEvent.findAll({
      where: { pourId: id },
      order: [["sequence", "ASC"]],
      transaction,
    });
    const booked = await db.BookedPour.findByPk(id, { transaction });
    yield each("pours/*.json", id, {
      id,
      jobId: row.jobId,
      jobRevision: row.jobRevision,
      plan: read(row.plan),
      startedBy: row.startedBy,
      startedAt: iso(row.startedAt),
      finishedAt: iso(row.finishedAt),
      events: events.map(({ id: eventId, kind, at, detail, recordedBy, receivedAt }) => ({
        ...read(detail),
        id: eventId,
        kind,
        at: iso(at),
        by: recordedBy,
        receivedAt: iso(receivedAt),
      })),
      booked: booked && {
        events: events.filter(({ sequence }) => BigInt(sequence) <= BigInt(booked.upTo)).length,
        unplaced:
          typeof booked.unplaced === "string" ? (JSON.parse(booked.unplaced) as unknown[]) : booked.unplaced,
      },
    });
  }
}

/** Quotes with what became of them. */
export async function* quotesOut({ db, shopId, transaction }: From): AsyncGenerator<OutOfRows> {
  for (const { id } of await db.Quote.findAll({ ...rowsOf({ shopId, transaction }), attributes: ["id"] })) {
    const row = await db.Quote.findByPk(id, { transaction });
    if (!row) continue;
    const { jobId, year, number, quote, madeBy, at } = row;
    const became = await db.QuoteEntry.findAll({
      where: { quoteId: id },
      order: [["sequence", "ASC"]],
      transaction,
    });
    yield each("quotes/*.json", id, {
      id,
      jobId,
      year,
      number,
      quote: read(quote),
      madeBy,
      at: iso(at),
      entries: became.map(({ id: entryId, kind, lookId, words, recordedBy, at: saidAt }) => ({
        id: entryId,
        kind,
        ...(lookId !== null && { lookId }),
        words,
        by: recordedBy,
        at: iso(saidAt),
      })),
    });
  }
}
