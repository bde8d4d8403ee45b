import { derivePlan } from "../plan/derive-plan";
import { critique, type Practice } from "./critique";
import type { PracticeStroke } from "./practised-on";
import { rehearsalOf } from "./rehearse";
import { sampleJob } from "../job/sample-job";
import { starterCards } from "../cure/starter-cards";

let counter = 0;
const newId = () => `id-${++counter}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const piece = plan.pieces[0]!;
const of = rehearsalOf(plan, job, piece)!;
const { widthMm, heightMm } = piece.outline;

const pull = (changes: Partial<PracticeStroke> = {}): PracticeStroke => ({
  tool: "hand",
  pressure: 0.5,
  flowLeft: 0.8,
  atMin: 10,
  points: [
    [100, heightMm / 2],
    [400, heightMm / 2],
    [700, heightMm / 2],
  ],
  ...changes,
});
const practice = (strokes: PracticeStroke[]): Practice => ({
  passes: 2,
  fromMin: 8,
  openUntilMin: 60,
  strokes,
});
/** Pulls over all of it, along it or also across. */
const rows = (many: number, across: boolean): PracticeStroke[] =>
  Array.from({ length: many }, (_, n) => {
    const y = ((n + 0.5) / many) * heightMm;
    const x = ((n + 0.5) / many) * widthMm;
    return pull({
      atMin: 10 + n,
      points:
        across && n % 2 === 1
          ? [
              [x, 20],
              [x, heightMm / 2],
              [x, heightMm - 20],
            ]
          : [
              [30, y],
              [widthMm / 2, y],
              [widthMm - 30, y],
            ],
    });
  });

test("nothing done is no work; all of it gone over along one way is a better one", () => {
  const none = critique(of, piece, practice([]));
  expect(none.score).toBeLessThan(20);
  expect(none.cover).toBe(0);
  const all = critique(of, piece, practice(rows(8, false)));
  expect(all.cover).toBeGreaterThan(0.85);
  expect(all.score).toBeGreaterThan(none.score + 40);
  expect(all.mudAfter.length).toBe(8);
});

test("a score lies within its spread; nothing done has none", () => {
  const crossed = critique(of, piece, practice(Array.from({ length: 2 }, () => rows(6, true)).flat()));
  const { low, likely, high } = crossed.scoreSpread;
  expect(likely).toBe(crossed.score);
  expect(low).toBeLessThanOrEqual(likely);
  expect(high).toBeGreaterThan(low);
  const none = critique(of, piece, practice([]));
  expect(none.scoreSpread).toEqual({ low: none.score, likely: none.score, high: none.score });
});

test("crossing is told, keeping to one way is too", () => {
  const along = critique(of, piece, practice(rows(8, false)));
  const crossed = critique(of, piece, practice(rows(8, true)));
  expect(along.crossing).toBeLessThan(0.05);
  expect(Math.abs(along.directionDeg)).toBeLessThan(5);
  expect(crossed.crossing).toBeGreaterThan(along.crossing);
});

test("mud does not fall from pull to pull beyond its own noise, and many pulls come to a stop", () => {
  const many = Array.from({ length: 3 }, () => rows(6, true)).flat();
  const { mudAfter, stopAfter } = critique(of, piece, practice(many));
  expect(mudAfter.length).toBe(many.length);
  expect(mudAfter.at(-1)!).toBeGreaterThan(mudAfter[4]!);
  if (mudAfter.at(-1)! >= 0.5) expect(stopAfter).not.toBeNull();
});

test("a blade set down in the middle is named with its place, one from the edge is not", () => {
  const middle = {
    tool: "blade" as const,
    points: [
      [widthMm / 2, heightMm / 2],
      [widthMm / 2 + 200, heightMm / 2],
    ] as const,
  };
  const edge = {
    tool: "blade" as const,
    points: [
      [5, heightMm / 2],
      [260, heightMm / 2],
    ] as const,
  };
  expect(critique(of, piece, practice([pull(middle)])).setDowns).toEqual([
    { stroke: 0, x: widthMm / 2, y: heightMm / 2 },
  ]);
  expect(critique(of, piece, practice([pull(edge)])).setDowns).toEqual([]);
});

test("a hard blade leaves thin places; pulls into a film that hardly moves are counted", () => {
  const hard = Array.from({ length: 4 }, (_, n) =>
    pull({
      tool: "blade",
      pressure: 1,
      flowLeft: 0.05,
      points: [
        [5 + n * 20, 150],
        [500, 150],
        [900, 150],
      ],
    }),
  );
  const found = critique(of, piece, practice(hard));
  expect(found.thinPlaces.length).toBeGreaterThan(0);
  expect(found.thinnestMm).toBeLessThan(0.7);
  expect(found.late).toBe(4);
  expect(found.words.some(({ what }) => what.includes("tears"))).toBe(true);
});
