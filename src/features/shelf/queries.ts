import type { Person } from "@/contracts/people";
import type { ColourCard } from "@/core/colour/colour-card";
import type { JobDocument } from "@/core/job/job";
import type { ResinCard } from "@/core/cure/resin-card";
import { bookingsOf } from "@/core/shelf/booking";
import type { Lot, PourNamed } from "@/core/shelf/lot";
import { freeOf, itemsStand } from "@/core/shelf/item-stands";
import type { ItemNeed } from "@/core/shelf/needs";
import { reserve, type JobNeeds } from "@/core/shelf/reserve";
import { shortWords, type ShortOfJob } from "@/core/shelf/shelf-words";
import type { Removed } from "@/core/shop/removed";
import { NOTHING_ON_SHELF, type OnShelf } from "@/core/shop/shopping";
import { holdsSomething } from "@/core/shelf/stock";
import type { WeighedOut } from "@/core/shelf/weighed-out";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { notFound, Refused } from "@/server/refused";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { jobsOf } from "@/server/repositories/jobs";
import { poursOf } from "@/server/repositories/pours";
import { resinCardsOf } from "@/server/repositories/resin-cards";
import { shelfOf, type KeptItem, type UnplacedOfPour } from "@/server/repositories/shelf";
import { todayOf } from "@/server/shop-day";
import type { LabelsAsked } from "./make-labels";
import type { JobsToReserve, PourToBook } from "./worked-out";

const needsTask = asideTask<JobsToReserve, JobNeeds[]>("page", "shelf-needs");
const weighedTask = asideTask<PourToBook, WeighedOut[]>("page", "weighed-out");

const labelsTask = asideTask<LabelsAsked, Uint8Array>("sheet", "labels");

/** Brings the book up to date with what was weighed at pours since the things stand on the shelf. A pour that cannot be read is passed over. */
async function bookPours(person: Person, items: readonly KeptItem[]): Promise<void> {
  if (items.length === 0) return;
  const db = database();
  const shelf = shelfOf(db, person);
  const since = new Date(Math.min(...items.map((item) => Date.parse(item.since))));
  for (const { pourId, upTo } of await shelf.poursToBook(since)) {
    let weighed: WeighedOut[] = [];
    try {
      const { plan, events } = await poursOf(db, person).open(pourId);
      weighed = await aside(person, weighedTask, { plan, events });
    } catch (failure) {
      if (!(failure instanceof Refused)) throw failure;
    }
    const known = weighed.filter(({ cardId, at }) =>
      items.some((item) => item.cardId === cardId && item.since <= at),
    );
    const { bookings, unplaced } = bookingsOf(pourId, known, items, await shelf.lots());
    await shelf.book(pourId, upTo, bookings, unplaced);
  }
}

/** What jobs take, by the documents they were worked out from: a plan that did not change is not worked out again. */
const knownNeeds = new WeakMap<JobDocument, { of: string; needs: readonly ItemNeed[] }>();

/** What approved jobs with a day take, those that are overdue today; and one more job, whatever it is marked. */
async function needsOfShop(
  person: Person,
  items: readonly KeptItem[],
  alsoJobId?: string,
): Promise<JobNeeds[]> {
  const db = database();
  const [{ jobs }, also, cards] = await Promise.all([
    jobsOf(db, person).dated(todayOf(person), "approved"),
    alsoJobId === undefined ? [] : jobsOf(db, person).documents([alsoJobId]),
    resinCardsOf(db, person).list(),
  ]);
  const more = also.filter(({ jobId }) => !jobs.some(({ id }) => id === jobId));
  const all = [
    ...jobs.map(({ id, name, document }) => ({ jobId: id, name, document })),
    ...more.map(({ jobId, name, document }) => ({ jobId, name, document })),
  ].map((job) => {
    const on = job.document.work.startOn ?? todayOf(person);
    return { ...job, day: on < todayOf(person) ? todayOf(person) : on };
  });
  const of = JSON.stringify([cards, items]);
  const asked = all.filter(({ document }) => knownNeeds.get(document)?.of !== of);
  const found = asked.length === 0 ? [] : await aside(person, needsTask, { jobs: asked, cards, items });
  for (const { jobId, needs } of found) {
    const job = asked.find((one) => one.jobId === jobId);
    if (job) knownNeeds.set(job.document, { of, needs });
  }
  return all.flatMap(({ jobId, name, day, document }) => {
    const known = knownNeeds.get(document);
    return known?.of === of ? [{ jobId, name, day, needs: known.needs }] : [];
  });
}

export type OpenShelf = {
  items: KeptItem[];
  lots: Lot[];
  unplaced: UnplacedOfPour[];
  jobs: JobNeeds[];
  cards: ResinCard[];
  colours: ColourCard[];
  today: string;
  /** The pours that took of what is shown. */
  pours: PourNamed[];
  removed: Removed[];
};

/** The shelf as it stands, with empty lots only of one item. */
export async function openShelf(person: Person, itemId: string | null): Promise<OpenShelf> {
  const db = database();
  const shelf = shelfOf(db, person);
  const items = await shelf.items();
  await bookPours(person, items);
  const [lots, unplaced, jobs, cards, colours] = await Promise.all([
    shelf.lots(),
    shelf.unplaced(),
    needsOfShop(person, items),
    resinCardsOf(db, person).list(),
    colourCardsOf(db, person).list(),
  ]);
  const shown = lots.filter((lot) => lot.itemId === itemId || holdsSomething(lot));
  const taken = shown.flatMap(({ entries }) =>
    entries.flatMap((entry) => (entry.kind === "took" && entry.from ? entry.from.pourId : [])),
  );
  return {
    items,
    lots: shown,
    unplaced,
    jobs,
    cards,
    colours,
    today: todayOf(person),
    pours: await shelf.poursNamed(taken),
    removed: await shelf.removed(),
  };
}

/** What approved jobs, and one more where it is named, will not find on the shelf on their days. Nothing where the shop keeps no shelf. */
export async function shortOnTheDay(person: Person, alsoJobId?: string): Promise<ShortOfJob[]> {
  const db = database();
  const shelf = shelfOf(db, person);
  const items = await shelf.items();
  if (items.length === 0) return [];
  await bookPours(person, items);
  const [lots, jobs] = await Promise.all([shelf.lots(), needsOfShop(person, items, alsoJobId)]);
  return shortWords(reserve(jobs, lots).shortages, { items, lots, jobs, system: person.units });
}

/** What the shelf has free for these jobs: in date, and taken by no other approved job at the high end of its need. */
export async function freeOnShelf(person: Person, jobIds: readonly string[]): Promise<OnShelf> {
  const db = database();
  const shelf = shelfOf(db, person);
  const items = await shelf.items();
  if (items.length === 0) return NOTHING_ON_SHELF;
  await bookPours(person, items);
  const [lots, jobs, cards] = await Promise.all([
    shelf.lots(),
    needsOfShop(person, items),
    resinCardsOf(db, person).list(),
  ]);
  const others = jobs.filter(({ jobId }) => !jobIds.includes(jobId));
  return freeOf(itemsStand(items, lots, others, cards, todayOf(person)));
}

/** Labels as a PDF: of the lot with this code, or of all that hold something. */
export async function shelfLabels(
  person: Person,
  code: number | null,
  paper: string | null,
): Promise<Uint8Array> {
  const shelf = shelfOf(database(), person);
  const [items, all] = await Promise.all([shelf.items(), shelf.lots()]);
  const lots = all.filter((lot) => (code === null ? holdsSomething(lot) : lot.code === code));
  if (lots.length === 0) throw notFound("lot");
  return aside(person, labelsTask, { items, lots, paper });
}
