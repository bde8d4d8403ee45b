import { addStarterColours } from "@/contracts/colour-card";
import { readRoom, setBench } from "@/contracts/bench";
import { archiveJob, createJob, describeJob, saveJob } from "@/contracts/jobs";
import { setRates } from "@/contracts/money";
import { addPerson, type Person } from "@/contracts/people";
import { savePicture } from "@/contracts/pictures";
import { recordPour } from "@/contracts/pours";
import {
  addBoard,
  addRecipeVersion,
  createRecipe,
  type BoardFields,
  type SampleBoard,
} from "@/contracts/recipes";
import { saveResinCard } from "@/contracts/resin-card";
import type { Act } from "@/contracts/act";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import { derivePlan } from "@/core/plan/derive-plan";
import type { JobDocument } from "@/core/job/job";
import { recipeOf, usualBoardMm, type RecipeDocument } from "@/core/recipe/recipe";
import { usedCards } from "@/core/job/used-cards";
import { starterCards } from "@/core/cure/starter-cards";
import { ACTS } from "@/app/api/act/registry";
import { perform } from "@/server/acts";
import { database } from "@/server/database";
import { emptyTables } from "@/server/empty-tables";
import { hashPassword } from "@/server/passwords";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { signInBook } from "@/server/repositories/people";
import { poursOf } from "@/server/repositories/pours";
import { quotesOf } from "@/server/repositories/quotes";
import { shelfOf } from "@/server/repositories/shelf";
import { trialsOf } from "@/server/repositories/trials";
import type { z } from "zod";
import { boardPicture } from "./board-picture";
import { pastPours } from "./history";
import { demoPour } from "./pours";
import { demoQuote, DEMO_QUOTES, quotedBefore } from "./quotes";
import { DEMO_RATES } from "./rates";
import { DEMO_RECIPES, foretold } from "./recipes";
import { datedFacts, demoShelf, SHELF_SINCE_DAYS } from "./shelf";
import { demoTrials } from "./trials";
import { DEMO_BENCH, DEMO_PASSWORD, DEMO_PEOPLE, DEMO_ROOM, DEMO_SHOP, demoJobs } from "./shop";

/** Calls an act as a person would, and stops at the first that is refused. */
async function doAct<Input extends z.ZodType, Output>(
  person: Person,
  act: Act<Input, Output>,
  input: z.input<Input>,
): Promise<Output> {
  const implemented = ACTS.get(act.name);
  if (!implemented) throw new Error(`No act ${act.name}`);
  const result = await perform(implemented, person, input);
  if (!result.ok) throw new Error(`${act.name}: ${result.error.message} ${result.error.field ?? ""}`);
  return result.value as Output;
}

/** Founds a shop with one owner and the starting resin cards. */
export async function foundShop(
  shopName: string,
  owner: { name: string; email: string; password: string },
  units: "us" | "metric" = "us",
): Promise<{ person: Person; cards: ResinCard[] }> {
  const book = signInBook(database());
  const { personId } = await book.found(shopName, {
    name: owner.name,
    email: owner.email,
    units,
    clock: "24h",
    passwordHash: await hashPassword(owner.password),
  });
  const person = await book.person(personId);
  if (!person) throw new Error("The owner is not there");
  const cards: ResinCard[] = [];
  for (const { id: _id, ...fields } of starterCards(() => ""))
    cards.push(await doAct(person, saveResinCard, { cardId: null, fields }));
  await doAct(person, addStarterColours, {});
  return { person, cards };
}

/**
 * Loads the made-up shop, by the same acts that people use, unless somebody is there already. A load that was cut off is begun anew: the app was
 * never served in between (./start --no-demo says so where it was).
 */
export async function loadDemo(now: Date): Promise<boolean> {
  const db = database();
  const mark = (value: string) => db.Mark.update({ value }, { where: { name: "demo" } });
  if ((await db.Mark.findByPk("demo"))?.value === "loading") await emptyTables(db);
  else if (!(await signInBook(db).isEmpty())) return false;
  await mark("loading");
  await loadShop(now);
  await mark("loaded");
  return true;
}

async function loadShop(now: Date): Promise<void> {
  const [owner, ...hands] = DEMO_PEOPLE;
  if (!owner) throw new Error("The demo shop has no owner");
  const { person, cards } = await foundShop(DEMO_SHOP, { ...owner, password: DEMO_PASSWORD });
  const shelf = await colourCardsOf(database(), person).list();
  const handIds: string[] = [];
  for (const hand of hands)
    handIds.push((await doAct(person, addPerson, { ...hand, password: DEMO_PASSWORD })).personId);
  const helper = await signInBook(database()).person(handIds[0] ?? "");
  await loadHistory(person, helper ?? person, cards, now);
  await loadTrials(person, helper ?? person, now);
  await loadShelf(person, helper ?? person, cards, shelf, now);

  await doAct(person, setBench, { settings: DEMO_BENCH });
  await doAct(person, setRates, { fields: DEMO_RATES });
  const [tempC, humidityPct] = DEMO_ROOM;
  const readAt = new Date(now.getTime() - 25 * 60_000).toISOString();
  await doAct(person, readRoom, {
    reading: { id: crypto.randomUUID(), at: readAt, tempC, humidityPct },
  });

  const jobs = demoJobs(cards, shelf);
  await loadRecipes(person, cards, shelf, jobs, now);
  const quotes: (Parameters<typeof demoQuote>[0] & { jobId: string; daysAgo: number })[] = [];
  for (const { fields, document, pour, startsInDays } of jobs.reverse()) {
    if (startsInDays !== undefined)
      document.work.startOn = new Date(now.getTime() + startsInDays * 86400_000).toISOString().slice(0, 10);
    const { dueInDays, ...rest } = fields;
    const dueOn =
      dueInDays === null ? null : new Date(now.getTime() + dueInDays * 86400_000).toISOString().slice(0, 10);
    const { jobId } = await doAct(person, createJob, { fields: { ...rest, dueOn } });
    const { revision } = await doAct(person, saveJob, { jobId, revision: 1, document });
    const quoted = DEMO_QUOTES[rest.name];
    if (quoted) {
      const of = { jobName: rest.name, client: rest.client, document, cards, colours: shelf };
      quotes.push({ jobId, ...quoted, ...of });
    }
    if (!pour) continue;
    const used = usedCards(document, cards, shelf);
    const { startedAt, events } = demoPour(pour, document, used.cards, now);
    const pourId = crypto.randomUUID();
    await poursOf(database(), person).start({
      id: pourId,
      jobId,
      jobRevision: revision,
      at: startedAt,
      plan: { document, ...used },
    });
    await doAct(person, recordPour, { pourId, events });
    // Recording a finish set the job curing; the list shows where it stands by now.
    await doAct(person, describeJob, { jobId, fields: { ...rest, dueOn } });
  }
  // Numbered as they were given: the oldest first.
  for (const { jobId, daysAgo, ...asked } of quotes.sort((a, b) => b.daysAgo - a.daysAgo))
    await loadQuote(person, jobId, asked, new Date(now.getTime() - daysAgo * 86400_000));
}

/** The pours of half a year, in jobs that are done and put away; whoever poured recorded it. */
async function loadHistory(
  owner: Person,
  hand: Person,
  cards: readonly ResinCard[],
  now: Date,
): Promise<void> {
  for (const { name, by, document, startedAt, events } of pastPours(cards, now)) {
    const fields = { name, client: "", status: "done" as const, dueOn: null };
    const { jobId } = await doAct(owner, createJob, { fields });
    const { revision } = await doAct(owner, saveJob, { jobId, revision: 1, document });
    const pourId = crypto.randomUUID();
    const who = by === "owner" ? owner : hand;
    const plan = { document, ...usedCards(document, cards, []) };
    await poursOf(database(), who).start({ id: pourId, jobId, jobRevision: revision, at: startedAt, plan });
    await doAct(who, recordPour, { pourId, events });
    await doAct(owner, describeJob, { jobId, fields });
    const asked = quotedBefore(name);
    if (asked) {
      const at = new Date(startedAt.getTime() - 9 * 86400_000);
      await loadQuote(
        owner,
        jobId,
        { ...asked, jobName: name, client: "", document, cards, colours: [] },
        at,
      );
    }
    await doAct(owner, archiveJob, { jobId, archived: true });
  }
}

/** A quote that was given on a day, and what became of it a day later. */
async function loadQuote(
  owner: Person,
  jobId: string,
  asked: Parameters<typeof demoQuote>[0],
  at: Date,
): Promise<void> {
  const { quote, became } = await demoQuote(
    asked,
    at,
    async (image) => (await doAct(owner, savePicture, { image })).pictureId,
  );
  const quoteId = crypto.randomUUID();
  const quotes = quotesOf(database(), owner);
  await quotes.make(quoteId, jobId, quote, at.getUTCFullYear(), at);
  for (const [n, said] of became.entries())
    await quotes.tell(crypto.randomUUID(), quoteId, said, new Date(at.getTime() + (n + 1) * 22 * 3600_000));
}

/** Trials that the owner began and the hand judged, a day later. */
async function loadTrials(owner: Person, hand: Person, now: Date): Promise<void> {
  for (const { daysAgo, plan, said } of demoTrials()) {
    const trialId = crypto.randomUUID();
    const begunAt = now.getTime() - daysAgo * 86400_000;
    await trialsOf(database(), owner).begin(trialId, plan, new Date(begunAt));
    for (const [n, one] of said.entries())
      await trialsOf(database(), hand).tell(
        crypto.randomUUID(),
        trialId,
        one,
        new Date(begunAt + 86400_000 + n * 60_000),
      );
  }
}

/** The shelf as it was put in and what happened to it since; what pours took is booked when it is looked at. */
async function loadShelf(
  owner: Person,
  hand: Person,
  cards: readonly ResinCard[],
  colours: readonly ColourCard[],
  now: Date,
): Promise<void> {
  const daysAgo = (days: number) => new Date(now.getTime() - days * 86400_000);
  for (const { fields, lots } of demoShelf(cards, colours)) {
    const itemId = crypto.randomUUID();
    await shelfOf(database(), owner).putItem(itemId, fields, daysAgo(SHELF_SINCE_DAYS));
    for (const lot of lots) {
      const lotId = crypto.randomUUID();
      const since = daysAgo(Math.min(SHELF_SINCE_DAYS, lot.boughtDaysAgo));
      await shelfOf(database(), owner).addLot(lotId, itemId, datedFacts(lot, now), lot.came, since);
      for (const { daysAgo: days, said } of lot.told ?? [])
        await shelfOf(database(), hand).tell(crypto.randomUUID(), lotId, said, daysAgo(days));
    }
  }
}

/** Recipes with their versions and boards, begun with the coats of the demo's jobs; jobs made of one say so. */
async function loadRecipes(
  person: Person,
  cards: readonly ResinCard[],
  shelf: readonly ColourCard[],
  jobs: readonly { fields: { name: string }; document: JobDocument }[],
  now: Date,
): Promise<void> {
  const daysAgo = (days: number) => new Date(now.getTime() - days * 86400_000);
  const documentOf = (name: string) => {
    const found = jobs.find(({ fields }) => fields.name === name);
    if (!found) throw new Error(`No demo job "${name}"`);
    return found.document;
  };
  // Boards are numbered as they were poured: the oldest recipe first.
  const oldestFirst = [...DEMO_RECIPES].sort(
    (a, b) => (b.versions[0]?.daysAgo ?? 0) - (a.versions[0]?.daysAgo ?? 0),
  );
  for (const recipe of oldestFirst) {
    const job = documentOf(recipe.job);
    const made: { versionId: string; document: RecipeDocument }[] = [];
    const approved = new Map<number, SampleBoard>();
    for (const [index, { from, change, edit, boards, daysAgo: days }] of recipe.versions.entries()) {
      const parent = from === null ? null : made[from - 1];
      const document = edit(parent?.document ?? recipeOf(job, derivePlan(job, cards).coats));
      const versionId = parent
        ? (await doAct(person, addRecipeVersion, { parentId: parent.versionId, document, change })).id
        : (await doAct(person, createRecipe, { name: recipe.name, document, change })).versionId;
      await database().RecipeVersion.update({ createdAt: daysAgo(days) }, { where: { id: versionId } });
      made.push({ versionId, document });
      const { lab, colours } = foretold(document, shelf);
      for (const { daysAgo: poured, off, picture, ...judged } of boards) {
        const pictureId = picture
          ? (await doAct(person, savePicture, { image: await boardPicture(colours, poured) })).pictureId
          : null;
        const measured: BoardFields["measured"] = off && {
          lab: [lab[0] + off[0], lab[1] + off[1], lab[2] + off[2]],
          by: "photo-daylight",
        };
        const board = await doAct(person, addBoard, {
          versionId,
          fields: {
            ...judged,
            pouredOn: daysAgo(poured).toISOString().slice(0, 10),
            lengthMm: usualBoardMm("us"),
            depthMm: usualBoardMm("us"),
            pictureId,
            measured,
          },
        });
        if (board.decision === "approved") approved.set(index + 1, board);
      }
    }
    for (const { name, version, board: byBoard } of recipe.jobs) {
      const picked = made[version - 1];
      const board = byBoard ? approved.get(version) : undefined;
      if (!picked) throw new Error(`No version ${version} of ${recipe.name}`);
      const document = documentOf(name);
      Object.assign(document, {
        coats: picked.document.coats,
        recipe: {
          versionId: picked.versionId,
          name: recipe.name,
          number: version,
          ...(board
            ? { board: { number: board.number, lengthMm: board.lengthMm, depthMm: board.depthMm } }
            : {}),
        },
      });
    }
  }
}
