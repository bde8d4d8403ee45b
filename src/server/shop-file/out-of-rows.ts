import type { Transaction } from "sequelize";
import type { PartName } from "@/contracts/shop-file";
import { jsonOf, type Database } from "../database";
import type { Selection } from "./selection";

type Json = Record<string, unknown> | string;
const iso = (at: Date | null | undefined): string | null => at?.toISOString() ?? null;
const read = (json: Json): object => jsonOf(json) as object;
const perhaps = (json: Json | null | undefined): unknown => (json ? jsonOf(json) : null);
/** Without what belongs to the database and not to the thing. */
function without<Row extends object, Key extends keyof Row>(row: Row, ...keys: Key[]): Omit<Row, Key> {
  const rest = { ...row };
  for (const key of keys) delete rest[key];
  return rest;
}

export type OutOfRows = { part: PartName; name: string; value: unknown };
type From = { db: Database; shopId: string; transaction: Transaction; selection: Selection };

/** Everything of a shop as it stands in the file, one file after the other; of one thing, what it is made of, without who bought it and for what. */
export async function* outOfRows({ db, shopId, transaction, selection }: From): AsyncGenerator<OutOfRows> {
  const all = selection === null;
  const of = (ids: readonly string[] | undefined) => ({
    where: { shopId, ...(ids && { id: [...ids] }) },
    order: [["id", "ASC"]] as [string, string][],
    transaction,
  });
  const one = (part: PartName, value: unknown): OutOfRows => ({ part, name: part, value });
  const each = (part: PartName, id: string, value: unknown): OutOfRows => ({
    part,
    name: part.replace("*", id),
    value,
  });
  if (all) {
    const shop = await db.Shop.findByPk(shopId, { transaction });
    yield one("shop.json", {
      name: shop?.name ?? "",
      bench: perhaps(shop?.bench),
      rates: perhaps(shop?.rates),
    });
    const people = await db.Person.findAll({ where: { shopId }, order: [["email", "ASC"]], transaction });
    yield one(
      "people.json",
      people.map(({ email, name, role, units, clock }) => ({ email, name, role, units, clock })),
    );
  }
  const pictures = await db.Picture.findAll({
    ...of(selection?.pictures),
    attributes: { exclude: ["bytes", "thumbnail"] },
  });
  yield one(
    "pictures.json",
    pictures.map(({ id, widthPx, heightPx, addedBy, createdAt }) => ({
      id,
      widthPx,
      heightPx,
      addedBy,
      createdAt: iso(createdAt),
    })),
  );
  const resins = await db.ResinCard.findAll(of(selection?.resins));
  yield one(
    "resins.json",
    resins.map((row) => {
      const { id, removedAt, createdAt, updatedAt, pricePerLitre, ...card } = without(
        row.get({ plain: true }),
        "shopId",
      );
      return {
        id,
        card: {
          ...card,
          forCounters: Boolean(card.forCounters),
          kits: card.kits ?? [],
          benchTests: card.benchTests ?? [],
          pricePerLitre: pricePerLitre === null ? null : Number(pricePerLitre),
        },
        removedAt: iso(removedAt),
        createdAt: iso(createdAt),
        updatedAt: iso(updatedAt),
      };
    }),
  );
  const colours = await db.ColourCard.findAll(of(selection?.colours));
  yield one(
    "colours.json",
    colours.map(({ id, fields, removedAt, createdAt, updatedAt }) => ({
      id,
      fields: read(fields),
      removedAt: iso(removedAt),
      createdAt: iso(createdAt),
      updatedAt: iso(updatedAt),
    })),
  );
  const recipes = await db.Recipe.findAll(of(selection?.recipes));
  yield one(
    "recipes.json",
    recipes.map(({ id, name, removedAt, createdAt, updatedAt }) => ({
      id,
      name,
      removedAt: iso(removedAt),
      createdAt: iso(createdAt),
      updatedAt: iso(updatedAt),
    })),
  );
  const versions = await db.RecipeVersion.findAll({
    where: { shopId, ...(selection && { recipeId: selection.recipes }) },
    order: [
      ["recipeId", "ASC"],
      ["number", "ASC"],
    ],
    transaction,
  });
  yield one(
    "versions.json",
    versions.map(({ id, recipeId, number, parentId, document, changeNote, madeBy, createdAt }) => ({
      id,
      recipeId,
      number,
      parentId,
      document: read(document),
      changeNote,
      madeBy,
      createdAt: iso(createdAt),
    })),
  );
  const ofVersions = {
    where: { shopId, ...(selection && { versionId: versions.map(({ id }) => id) }) },
    transaction,
  };
  const boards = await db.SampleBoard.findAll({ ...ofVersions, order: [["number", "ASC"]] });
  yield one(
    "boards.json",
    boards.map((row) => {
      const { measured, clientWord, createdAt, updatedAt, ...rest } = without(
        row.get({ plain: true }),
        "shopId",
      );
      return {
        ...rest,
        measured: perhaps(measured),
        clientWord: all ? clientWord : "",
        createdAt: iso(createdAt),
        updatedAt: iso(updatedAt),
      };
    }),
  );
  const approved = all ? await db.ApprovedPicture.findAll({ ...ofVersions, order: [["id", "ASC"]] }) : [];
  yield one(
    "approved-pictures.json",
    approved.map(({ id, versionId, pictureId, approvedAt, approvedBy, words }) => ({
      id,
      versionId,
      pictureId,
      approvedAt: iso(approvedAt),
      approvedBy,
      words,
    })),
  );
  yield* jobsOut();
  if (!all) return;
  yield* poursOut();
  yield* quotesOut();
  const readings = await db.RoomReading.findAll({
    ...of(undefined),
    order: [
      ["at", "ASC"],
      ["id", "ASC"],
    ],
  });
  yield one(
    "room.json",
    readings.map(({ id, at, tempC, humidityPct, readBy }) => ({
      id,
      at: iso(at),
      tempC,
      humidityPct,
      readBy,
    })),
  );
  const emails = new Map(
    (await db.Person.findAll({ where: { shopId }, transaction })).map(({ id, email }) => [id, email]),
  );
  const practices = await db.Practice.findAll(of(undefined));
  yield one(
    "practices.json",
    practices.map(({ id, personId, doneAt, score, result }) => ({
      id,
      email: (personId && emails.get(personId)) || null,
      doneAt: iso(doneAt),
      score,
      result: read(result),
    })),
  );
  const decisions = await db.LearningDecision.findAll({
    ...of(undefined),
    order: [
      ["at", "ASC"],
      ["id", "ASC"],
    ],
  });
  yield one(
    "decisions.json",
    decisions.map(({ id, kind, detail, decidedBy, at }) => ({
      ...read(detail),
      id,
      kind,
      by: decidedBy,
      at: iso(at),
    })),
  );
  const trials = await db.Trial.findAll(of(undefined));
  const told = await db.TrialEntry.findAll({
    where: { trialId: trials.map(({ id }) => id) },
    order: [
      ["at", "ASC"],
      ["id", "ASC"],
    ],
    transaction,
  });
  yield one(
    "trials.json",
    trials.map(({ id, plan, begunBy, at }) => ({
      id,
      plan: read(plan),
      begunBy,
      at: iso(at),
      entries: told
        .filter(({ trialId }) => trialId === id)
        .map(({ id: entryId, said, saidBy, at: saidAt }) => ({
          ...read(said),
          id: entryId,
          by: saidBy,
          at: iso(saidAt),
        })),
    })),
  );
  const items = await db.ShelfItem.findAll(of(undefined));
  const lots = await db.ShelfLot.findAll({ where: { shopId }, order: [["code", "ASC"]], transaction });
  const entries = await db.StockEntry.findAll({
    where: { lotId: lots.map(({ id }) => id) },
    order: [["sequence", "ASC"]],
    transaction,
  });
  yield one(
    "shelf.json",
    items.map(({ id, kind, name, cardId, fields, since, removedAt }) => ({
      id,
      fields: { kind, name, cardId, ...read(fields) },
      since: iso(since),
      removedAt: iso(removedAt),
      lots: lots
        .filter(({ itemId }) => itemId === id)
        .map(({ id: lotId, code }) => ({
          id: lotId,
          code,
          entries: entries
            .filter((entry) => entry.lotId === lotId)
            .map(({ id: entryId, kind, at, detail, pourId, recordedBy }) => ({
              ...read(detail),
              id: entryId,
              kind,
              at: iso(at),
              by: recordedBy,
              pourId,
            })),
        })),
    })),
  );

  async function* jobsOut(): AsyncGenerator<OutOfRows> {
    for (const row of await db.Job.findAll(of(selection?.jobs))) {
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

  async function* poursOut(): AsyncGenerator<OutOfRows> {
    const ids = await db.Pour.findAll({ ...of(undefined), attributes: ["id"] });
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
            typeof booked.unplaced === "string"
              ? (JSON.parse(booked.unplaced) as unknown[])
              : booked.unplaced,
        },
      });
    }
  }

  async function* quotesOut(): AsyncGenerator<OutOfRows> {
    for (const { id } of await db.Quote.findAll({ ...of(undefined), attributes: ["id"] })) {
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
}
