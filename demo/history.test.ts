import { randomUUID } from "node:crypto";
import { jobDocumentSchema } from "@/contracts/job-document";
import type { Pour } from "@/contracts/pours";
import { starterCards } from "@/core/cure/starter-cards";
import { learnShop } from "@/features/learn/learn-shop";
import { pastPours } from "./history";

const cards = starterCards(randomUUID);
const now = new Date("2026-05-14T15:18:00.000Z");
const past = pastPours(cards, now);
const pours = past.map(({ name, by, document, startedAt, events }, n): Pour => ({
  id: `p${n}`,
  jobId: `j${n}`,
  jobName: name,
  startedAt: startedAt.toISOString(),
  startedBy: by,
  finishedAt: events.at(-1)!.at,
  jobRevision: 1,
  plan: { document, cards, colours: [] },
  events: events.map((event) => ({ ...event, by })),
}));
const learning = learnShop({
  pours,
  decisions: [],
  jobs: [{ jobId: "open", name: "Open job", document: past[0]!.document }],
  cards,
  colours: [],
  timeZone: "UTC",
  me: { name: "owner", isOwner: true },
});

test("half a year of pours, each a document that the app takes, none in the last week", () => {
  expect(past.length).toBeGreaterThanOrEqual(17);
  for (const { document, startedAt } of past) {
    expect(jobDocumentSchema.parse(document)).toEqual(document);
    expect(now.getTime() - startedAt.getTime()).toBeGreaterThan(7 * 86_400_000);
  }
});

test("its log finds out what the shop is like, and proposes it: more is lost than usual, and it takes longer", () => {
  const { volumes, times, factors } = learning;
  expect(volumes.notProposed).toBeNull();
  expect(volumes.usual!.movedMl).toBeGreaterThan(15);
  expect(volumes.gain!).toBeGreaterThan(0);
  expect(times.usual.times).toBeGreaterThan(1.05);
  // And what that does to an open job: more is mixed, in so far as it is proposed longer is planned.
  const [{ volumeMl, timeMin }] = learning.jobs as [(typeof learning.jobs)[number]];
  expect(volumeMl![1]).toBeGreaterThan(volumeMl![0]);
  if (times.notProposed === null) expect(timeMin![1]).toBeGreaterThan(timeMin![0]);
  else expect(timeMin).toBeNull();
  const cup = factors.find(({ id }) => id === "cupFilmMm")!;
  expect(cup.low).toBeLessThanOrEqual(cup.likely);
  expect(cup.doubtLeft).toBeLessThan(1);
  expect(times.people.map(({ name }) => name).sort()).toEqual(["hand", "owner"]);
});

test("the pour at which a cup was left standing does not go with the others", () => {
  const spilled = learning.volumes.forecasts.find(({ jobName }) => jobName === "Bar end")!;
  expect(spilled.weight).toBeLessThan(0.3);
});

test("deviations are honest: most passes were done inside their windows", () => {
  const sum = (of: (one: (typeof learning.missed)[number]) => number) =>
    learning.missed.reduce((all, one) => all + of(one), 0);
  expect(sum(({ early, late }) => early + late) / sum(({ done }) => done)).toBeLessThan(0.1);
});

test("cured pieces were photographed: which looks come out as rehearsed is told, and how much alcohol goes on", () => {
  expect(learning.looks.length).toBeGreaterThanOrEqual(2);
  for (const { offPoints, photos } of learning.looks) {
    expect(photos).toBeGreaterThan(1);
    expect(offPoints).toBeGreaterThan(0.5);
    expect(offPoints).toBeLessThan(20);
  }
  expect(learning.alcohol!.times).toBeGreaterThan(1);
  // A line every seventy seconds, as the demo has it.
  expect(learning.weighing!.low).toBeLessThan(70 / 60);
  expect(learning.weighing!.high).toBeGreaterThan(70 / 60);
});
