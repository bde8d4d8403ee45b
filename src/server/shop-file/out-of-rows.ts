import { cardOf } from "../repositories/resin-cards";
import { jobsOut, poursOut, quotesOut } from "./long-out-of-rows";
import { iso, isoDates, one, perhaps, read, rowsOf, type From, type OutOfRows } from "./rows";

/** Everything of a shop as it stands in the file, one file after the other; of one thing, what it is made of, without who bought it and for what. */
export async function* outOfRows(from: From): AsyncGenerator<OutOfRows> {
  const { db, shopId, transaction, selection } = from;
  const all = selection === null;
  const of = (ids?: readonly string[]) => rowsOf({ shopId, transaction }, ids);
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
      const { id, ...card } = cardOf(row);
      return { id, card, ...isoDates(row) };
    }),
  );
  const colours = await db.ColourCard.findAll(of(selection?.colours));
  yield one(
    "colours.json",
    colours.map((row) => ({ id: row.id, fields: read(row.fields), ...isoDates(row) })),
  );
  const recipes = await db.Recipe.findAll(of(selection?.recipes));
  yield one(
    "recipes.json",
    recipes.map((row) => ({ id: row.id, name: row.name, ...isoDates(row) })),
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
      const { shopId: _shop, measured, clientWord, createdAt, updatedAt, ...rest } = row.get({ plain: true });
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
  yield* jobsOut(from);
  if (!all) return;
  yield* poursOut(from);
  yield* quotesOut(from);
  const readings = await db.RoomReading.findAll({
    ...of(),
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
  const practices = await db.Practice.findAll(of());
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
    ...of(),
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
  const trials = await db.Trial.findAll(of());
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
  const items = await db.ShelfItem.findAll(of());
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
}
