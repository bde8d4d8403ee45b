import { starterCards } from "../cure/starter-cards";
import type { JobDocument } from "../job/job";
import { sampleJob } from "../job/sample-job";
import { sizedCoats } from "./batched";
import { measured } from "./measured";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const sized = (document: JobDocument, resins = cards) => sizedCoats(document, measured(document), resins);
/** The same worked out with nothing kept: every object is another. */
const afresh = (document: JobDocument, resins = cards) =>
  sized(structuredClone(document), structuredClone(resins));
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
const colour = job.coats.findIndex(({ kind }) => kind === "colour");

test("a keystroke in one coat sizes that coat alone, to what it would be without anything kept", () => {
  const before = sized(job);
  const coats = job.coats.map((coat, index) => (index === colour ? { ...coat, filmMm: 1.3 } : coat));
  const after = sized({ ...job, coats });
  after.forEach((coat, index) => expect(coat === before[index]).toBe(index !== colour));
  expect(plain(after)).toEqual(plain(afresh({ ...job, coats })));
});

test.each<[string, (of: JobDocument) => JobDocument]>([
  ["the work", (of) => ({ ...of, work: { ...of.work, people: 2, tempC: 27 } })],
  ["a factor", (of) => ({ ...of, factors: { stickMl: 9 } })],
  ["the ground", (of) => ({ ...of, ground: "concrete" })],
  ["the ground of a piece", (of) => ({ ...of, groundByPiece: { [of.pieces[0]!.id]: "wood" } })],
  ["a piece", (of) => ({ ...of, pieces: of.pieces.map((piece) => ({ ...piece, count: 2 })) })],
  ["the coats below it", (of) => ({ ...of, coats: of.coats.slice(1) })],
  ["no piece at all", (of) => ({ ...of, pieces: [] })],
])("another %s sizes the same coats anew", (_, change) => {
  sized(job);
  const changed = change(job);
  expect(plain(sized(changed))).toEqual(plain(afresh(changed)));
  expect(plain(sized(changed))).not.toEqual(plain(sized(job)));
});

test("another card of the same name too", () => {
  sized(job);
  const others = cards.map((card) => ({ ...card, densityAGPerMl: 1.3 }));
  expect(plain(sized(job, others))).toEqual(plain(afresh(job, others)));
  expect(plain(sized(job, others))).not.toEqual(plain(sized(job)));
});
