import { randomUUID } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { ACTS } from "@/app/api/act/registry";
import type { Person } from "@/contracts/people";
import type { QuoteForm } from "@/contracts/quotes";
import type { BoardFields } from "@/contracts/recipes";
import { STARTER_COLOURS } from "@/core/colour/starter-colours";
import { emptyJob, newCoat } from "@/core/job/new-job";
import type { JobDocument } from "@/core/job/job";
import type { TrialPlan } from "@/core/learning/trial";
import type { RecipeDocument } from "@/core/recipe/recipe";
import { costOfJob, quoteOf } from "@/features/money/worked-out";
import { perform } from "./acts";
import type { Database } from "./database";
import { benchOf } from "./repositories/bench";
import { colourCardsOf } from "./repositories/colour-cards";
import { peopleOf } from "./repositories/people";
import { sessionBook } from "./repositories/sessions";
import { poursOf } from "./repositories/pours";
import { moneyOf } from "./repositories/money";
import { picturesOf } from "./repositories/pictures";
import { quotesOf } from "./repositories/quotes";
import { recipesOf } from "./repositories/recipes";
import { rehearsalsOf } from "./repositories/rehearsals";
import type { ShelfItemFields } from "@/contracts/shelf";
import { NO_FACTS } from "@/core/shelf/stock";
import { shelfOf } from "./repositories/shelf";
import { trialsOf } from "./repositories/trials";
import { testDatabase, testShop, type TestShop } from "./testing/test-shop";

const RECIPE: RecipeDocument = {
  format: 1,
  ground: "mdf",
  coats: [newCoat("colour", "Colour", null, randomUUID)],
  notes: "",
};
const BOARD: BoardFields = {
  pouredOn: "2026-03-02",
  lengthMm: 300,
  depthMm: 300,
  pictureId: null,
  measured: null,
  result: "",
  clientWord: "",
  decision: "open",
};

let db: Database;
let mine: TestShop;
let theirs: TestShop;
let theirPour: string;
let theirHand: string;
let theirColour: string;
let theirRecipe: { recipeId: string; versionId: string };
let theirBoard: string;
let theirReading: string;
let theirPractice: string;
let theirPicture: string;
let theirTrial: string;
let theirItem: string;
let theirLot: string;
let theirQuote: string;
const TRIAL: TrialPlan = {
  name: "Theirs",
  now: "as now",
  tried: "later",
  asks: "Which is cleaner?",
  measure: null,
  pairs: Array.from({ length: 5 }, () => ({ triedOn: "left", first: "right" })),
};
const PRACTICE = {
  look: "Palm blend",
  tool: "hand",
  pulls: 12,
  cover: 0.8,
  mud: 0.4,
  thin: 1,
  setDowns: 0,
  crossing: 0.1,
  usedMin: 9,
};

beforeAll(async () => {
  db = await testDatabase();
  [mine, theirs] = [await testShop(db), await testShop(db)];
  theirPour = randomUUID();
  await poursOf(db, theirs.owner).start({
    id: theirPour,
    jobId: theirs.jobId,
    jobRevision: 2,
    at: new Date(),
    plan: { document: theirs.document, cards: theirs.cards, colours: [] },
  });
  theirColour = (await colourCardsOf(db, theirs.owner).add(STARTER_COLOURS[0]!)).id;
  const theirRecipes = recipesOf(db, theirs.owner);
  theirRecipe = await theirRecipes.create("Theirs", RECIPE, "");
  theirBoard = (await theirRecipes.addBoard(theirRecipe.versionId, BOARD)).id;
  theirReading = randomUUID();
  await benchOf(db, theirs.owner).read({ id: theirReading, at, tempC: 21, humidityPct: 50 });
  theirTrial = randomUUID();
  await trialsOf(db, theirs.owner).begin(theirTrial, TRIAL, new Date());
  [theirItem, theirLot] = [randomUUID(), randomUUID()];
  const theirShelf = shelfOf(db, theirs.owner);
  await theirShelf.putItem(theirItem, EMBED, new Date());
  await theirShelf.addLot(theirLot, theirItem, NO_FACTS, { whole: 5 }, new Date());
  theirQuote = randomUUID();
  const { rates } = await moneyOf(db, theirs.owner).rates();
  const form = quoteForm(theirs.document);
  const costed = costOfJob({
    document: theirs.document,
    cards: theirs.cards,
    colours: [],
    rates,
    lotPrices: {},
  });
  const quote = quoteOf(form, [costed], rates, { jobName: "Counter", client: "" });
  await quotesOf(db, theirs.owner).make(theirQuote, theirs.jobId, quote, 2026, new Date());
  theirPractice = randomUUID();
  const theirRehearsals = rehearsalsOf(db, theirs.owner);
  await theirRehearsals.keep({ id: theirPractice, doneAt: at, score: 70, result: PRACTICE });
  const square = { width: 8, height: 8, channels: 3 as const, background: "#888888" };
  theirPicture = (await picturesOf(db, theirs.owner).add(await sharp({ create: square }).png().toBuffer()))
    .pictureId;
  await theirRehearsals.approve({
    id: randomUUID(),
    versionId: theirRecipe.versionId,
    pictureId: theirPicture,
    words: "theirs",
  });
  theirHand = await peopleOf(db, theirs.owner).add({
    name: "Hand",
    email: `${randomUUID()}@test.example`,
    role: "hand",
    units: "us",
    clock: "24h",
    passwordHash: "-",
  });
});
afterAll(() => db.sequelize.close());

const at = new Date().toISOString();

/**
 * For every act, an input that points into the OTHER shop; null for acts that take no row of anybody's.
 * The test below goes by the app's own list of acts, so that a new one cannot be forgotten.
 */
const foreign = (): Record<string, unknown> => ({
  "session.sign-in": null,
  "session.sign-out": null,
  "session.first-run": null,
  "me.set-units": null,
  "me.set-clock": null,
  "me.change-password": null,
  "me.sign-out-everywhere": null,
  "people.add": null,
  "people.set-role": { personId: theirHand, role: "owner" },
  "people.remove": { personId: theirHand },
  "people.give-password": { personId: theirHand, password: "taken-by-somebody-else" },
  "shop-file.set-nightly": null,
  "shop-file.take-in": { token: randomUUID(), choices: {} },
  "job.create": null,
  "job.describe": { jobId: theirs.jobId, fields: { name: "taken", client: "", status: "done", dueOn: null } },
  "job.duplicate": { jobId: theirs.jobId },
  "job.archive": { jobId: theirs.jobId, archived: true },
  "job.remove": { jobId: theirs.jobId, removed: true },
  "job.builds": null,
  "job.save": { jobId: theirs.jobId, revision: 2, document: emptyJob() },
  "job.restore": { jobId: theirs.jobId, to: 1 },
  "job.undo": { jobId: theirs.jobId, revision: 2, direction: "undo" },
  "bench.set": null,
  "bench.read-room": { reading: { id: theirReading, at, tempC: 5, humidityPct: null } },
  "picture.add": null,
  "practice.list": null,
  "practice.keep": { practice: { id: theirPractice, doneAt: at, score: 1, result: PRACTICE } },
  "approved.list": { versionId: theirRecipe.versionId },
  "approved.add": {
    id: randomUUID(),
    versionId: theirRecipe.versionId,
    pictureId: theirPicture,
    words: "taken",
  },
  "card.save": { cardId: theirs.cards[0]?.id, fields: (({ id: _id, ...fields }) => fields)(mine.cards[0]!) },
  "card.remove": { cardId: theirs.cards[0]?.id },
  "colour.save": { cardId: theirColour, fields: STARTER_COLOURS[0] },
  "colour.remove": { cardId: theirColour },
  "colour.starters": null,
  "colour.add-several": null,
  "recipe.list": null,
  "recipe.create": null,
  "recipe.read": null,
  "recipe.open": { recipeId: theirRecipe.recipeId },
  "recipe.version": { versionId: theirRecipe.versionId },
  "recipe.add-version": { parentId: theirRecipe.versionId, document: RECIPE, change: "" },
  "recipe.rename": { recipeId: theirRecipe.recipeId, name: "taken" },
  "recipe.remove": { recipeId: theirRecipe.recipeId },
  "recipe.start-job": {
    versionId: theirRecipe.versionId,
    boardId: null,
    fields: { name: "taken", client: "", status: "planning", dueOn: null },
    size: null,
  },
  "board.add": { versionId: theirRecipe.versionId, fields: BOARD },
  "board.change": { boardId: theirBoard, changedAt: at, fields: { ...BOARD, result: "taken" } },
  "pour.start": { pourId: randomUUID(), jobId: theirs.jobId, revision: 2, at },
  "learning.decide": {
    id: randomUUID(),
    said: { kind: "changed", pourId: theirPour, yes: true },
  },
  "trial.begin": { id: theirTrial, plan: TRIAL },
  "trial.tell": {
    id: randomUUID(),
    trialId: theirTrial,
    said: { kind: "eye", pair: 0, better: "left" },
  },
  "shelf.put-item": {
    id: theirItem,
    fields: { ...EMBED, name: "taken" },
  },
  "shelf.remove-item": { itemId: theirItem, removed: true },
  "shelf.add-lot": { id: randomUUID(), itemId: theirItem, facts: NO_FACTS, came: {} },
  "shelf.tell": { id: randomUUID(), lotId: theirLot, said: { kind: "came", part: "whole", amount: 1 } },
  "shelf.place": { lotId: theirLot, from: { pourId: theirPour, stepId: "s", line: "A" } },
  "money.set-rates": null,
  "money.save-price": { jobId: theirs.jobId, fields: { lines: [], rushPct: 0 } },
  "quote.make": { id: randomUUID(), jobId: theirs.jobId, fields: quoteForm(theirs.document) },
  "quote.tell": { id: randomUUID(), quoteId: theirQuote, said: { kind: "declined", words: "taken" } },
  "pour.record": { pourId: theirPour, events: [{ id: randomUUID(), at, kind: "finish" }] },
});

const quoteForm = (document: JobDocument): QuoteForm => ({
  looks: [
    {
      id: "a",
      name: "As planned",
      words: "",
      pictureId: null,
      lines: [{ words: "Counter", quantity: 1, unit: "flat", each: 100 }],
      rushPct: 0,
      document,
    },
  ],
  terms: "",
  validUntil: "2099-01-01",
});

const EMBED: ShelfItemFields = {
  kind: "embed",
  name: "River stones",
  cardId: null,
  use: null,
  cupMl: null,
  keepAtLeast: null,
  hazards: "",
};

/** A picture of all rows of a shop, to see that nothing moved. */
async function rowsOf(shopId: string): Promise<string> {
  const [
    jobs,
    cards,
    colours,
    pours,
    people,
    recipes,
    versions,
    boards,
    readings,
    practices,
    approved,
    learning,
    trials,
    items,
    lots,
    quotes,
  ] = await Promise.all([
    db.Job.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.ResinCard.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.ColourCard.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Pour.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Person.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Recipe.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.RecipeVersion.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.SampleBoard.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.RoomReading.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Practice.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.ApprovedPicture.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.LearningDecision.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Trial.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.ShelfItem.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.ShelfLot.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
    db.Quote.findAll({ where: { shopId }, raw: true, order: [["id", "ASC"]] }),
  ]);
  const events = await db.PourEvent.count({ where: { pourId: pours.map((pour) => pour.id) } });
  const told = await db.TrialEntry.count({ where: { trialId: trials.map(({ id }) => id) } });
  const became = await db.QuoteEntry.count({ where: { quoteId: quotes.map(({ id }) => id) } });
  const booked = await db.StockEntry.count({ where: { lotId: lots.map(({ id }) => id) } });
  return JSON.stringify([
    jobs,
    cards,
    colours,
    pours,
    people,
    recipes,
    versions,
    boards,
    readings,
    practices,
    approved,
    learning,
    trials,
    items,
    lots,
    quotes,
    became,
    booked,
    told,
    events,
  ]);
}

describe("across shops", () => {
  test("every act of the app has its line here, and every actions file is in the app's list", () => {
    expect([...ACTS.keys()].sort()).toEqual(Object.keys(foreign()).sort());
    const features = join(process.cwd(), "src/features");
    const declared = readdirSync(features)
      .flatMap((feature) => {
        try {
          return [readFileSync(join(features, feature, "actions.ts"), "utf8")];
        } catch {
          return [];
        }
      })
      .reduce((count, text) => count + (text.match(/\bimplement(Open)?\(\s*\w+,/g)?.length ?? 0), 0);
    expect(declared).toBe(ACTS.size);
  });

  test("no act reaches a row of another shop", async () => {
    const before = await rowsOf(theirs.owner.shopId);
    for (const [name, input] of Object.entries(foreign())) {
      if (input === null) continue;
      const result = await perform(ACTS.get(name)!, mine.owner, input);
      expect([name, result.ok ? "done" : result.error.code]).toEqual([name, "not-found"]);
    }
    expect(await rowsOf(theirs.owner.shopId)).toBe(before);
  });

  test("without signing in no act runs but those that open the door", async () => {
    for (const [name, implemented] of ACTS) {
      if (implemented.act.caller === "anybody") continue;
      const result = await perform(implemented, null, foreign()[name] ?? {});
      expect([name, result.ok ? "done" : result.error.code]).toEqual([name, "signed-out"]);
    }
    expect(
      [...ACTS.values()].filter(({ act }) => act.caller === "anybody").map(({ act }) => act.name),
    ).toEqual(["session.sign-in", "session.sign-out", "session.first-run"]);
  });

  test("a hand may not do what only owners may", async () => {
    const hand: Person = { ...mine.owner, role: "hand" };
    const owners = [...ACTS.values()].filter(({ act }) => act.caller === "owner");
    expect(owners.length).toBeGreaterThanOrEqual(4);
    for (const implemented of owners) {
      const result = await perform(implemented, hand, foreign()[implemented.act.name] ?? {});
      expect([implemented.act.name, result.ok ? "done" : result.error.code]).toEqual([
        implemented.act.name,
        "forbidden",
      ]);
    }
  });
});

describe("input", () => {
  test("nonsense for every act is refused with words, never thrown", async () => {
    const nonsense = [
      null,
      7,
      "x",
      [],
      {},
      { jobId: "x" },
      { jobId: "' OR 1=1 --", revision: -1 },
      { fields: { name: "\u0000" } },
      { pourId: theirPour, events: [] },
    ];
    for (const implemented of ACTS.values()) {
      if (implemented.act.name.startsWith("session.")) continue;
      const takesNothing = implemented.act.input.safeParse({}).success;
      for (const input of nonsense) {
        if (takesNothing && JSON.stringify(input) === "{}") continue;
        const result = await perform(implemented, mine.owner, input);
        expect(result.ok).toBe(false);
        if (!result.ok) expect(result.error.message.length).toBeGreaterThan(3);
      }
    }
  });

  test("a document whose shares do not sum to one is refused", async () => {
    const document = structuredClone(mine.document);
    document.coats[2]!.colours[0]!.share = 0.9;
    const result = await perform(ACTS.get("job.save")!, mine.owner, {
      jobId: mine.jobId,
      revision: 2,
      document,
    });
    expect(result).toMatchObject({
      ok: false,
      error: { code: "invalid", message: "The shares of a coat must sum to one." },
    });
  });
});

describe("people", () => {
  test("an e-mail address signs in one person only, and a shop keeps an owner", async () => {
    const people = peopleOf(db, mine.owner);
    await expect(
      people.add({
        name: "Twin",
        email: mine.owner.email,
        role: "hand",
        units: "us",
        clock: "24h",
        passwordHash: "-",
      }),
    ).rejects.toThrow("Somebody in this shop signs in");
    await expect(people.setRole(mine.owner.id, "hand")).rejects.toThrow("needs an owner");
    await expect(people.remove(mine.owner.id)).rejects.toThrow("needs an owner");
  });

  test("a session of an older password, or of nobody, opens nothing", async () => {
    const sessions = sessionBook(db);
    const sessionId = await sessions.open(mine.owner.id, 14);
    expect((await sessions.person(sessionId))?.id).toBe(mine.owner.id);
    const older = await sessions.open(mine.owner.id, -1);
    expect(await sessions.person(older)).toBeNull();
    await sessions.end(sessionId);
    expect(await sessions.person(sessionId)).toBeNull();
    expect(await sessions.person(randomUUID())).toBeNull();
  });
});
