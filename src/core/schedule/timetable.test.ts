import type { BatchedCoat } from "../batch/batch-coat";
import type { StateStart } from "../cure/film-life";
import type { ResinCard } from "../cure/resin-card";
import { exactly, within } from "../numerics/spread";
import { timetable, type TimedCoat } from "./timetable";

const life: StateStart[] = [
  { state: "runny", fromMin: exactly(0) },
  { state: "flowing", fromMin: within(60, 0.2) },
  { state: "gummy", fromMin: within(180, 0.25) },
  { state: "recoat", fromMin: within(300, 0.25) },
  { state: "sandable", fromMin: within(22 * 60, 0.4) },
];

function coat(
  id: string,
  startsAfter: TimedCoat["startsAfter"],
  changes: { shares?: number[]; workMin?: number; kind?: ResinCard["kind"]; life?: StateStart[] } = {},
): TimedCoat {
  const { shares = [1], workMin = 30, kind = "coating" } = changes;
  const batches = shares.map((share, index) => ({ number: index + 1, share }));
  return {
    id,
    startsAfter,
    card: { kind } as ResinCard,
    life: changes.life ?? life,
    batched: { batches, workMin: exactly(workMin), mixingMin: 4 } as unknown as BatchedCoat,
  };
}

const NINE = 540;

test("one coat: mixed at the hour, poured when mixed, done when worked", () => {
  const [row] = timetable([coat("a", "wet")], NINE, 1);
  expect(row).toMatchObject({
    day: 0,
    startMin: NINE,
    doneMin: NINE + 34,
    waitMin: null,
    batches: [{ mixAtMin: NINE, pourAtMin: NINE + 4, doneAtMin: NINE + 34 }],
  });
});

test("one pair of hands mixes the second batch when the first is worked out", () => {
  const [row] = timetable([coat("a", "wet", { shares: [0.5, 0.5] })], NINE, 1);
  expect(row?.batches.map((batch) => [batch.mixAtMin, batch.pourAtMin, batch.doneAtMin])).toEqual([
    [540, 544, 559],
    [559, 563, 578],
  ]);
});

test("a second pair of hands mixes while the first batch is worked", () => {
  const [row] = timetable([coat("a", "wet", { shares: [0.5, 0.5] })], NINE, 2);
  expect(row?.batches.map((batch) => [batch.mixAtMin, batch.pourAtMin, batch.doneAtMin])).toEqual([
    [540, 544, 559],
    [555, 559, 574],
  ]);
});

test("unequal batches take their share of the time", () => {
  const [row] = timetable([coat("a", "wet", { shares: [0.25, 0.75], workMin: 40 })], NINE, 1);
  expect(row?.batches.map((batch) => batch.doneAtMin - batch.pourAtMin)).toEqual([10, 30]);
});

test("wet on wet follows at once; tacky waits for gummy after the last pour, with its spread", () => {
  const [first, wet, tacky] = timetable([coat("a", "wet"), coat("b", "wet"), coat("c", "tacky")], NINE, 1);
  expect(wet?.startMin).toBe(first?.doneMin);
  expect(tacky?.startMin).toBe(wet!.batches[0]!.pourAtMin + 180);
  expect(tacky?.waitMin).toEqual({ low: 135, likely: 180, high: 225 });
});

test("late waits until the coat below has thickened, veins' usual start", () => {
  const [colour, veins] = timetable([coat("a", "wet"), coat("b", "late")], NINE, 1);
  expect(veins?.startMin).toBe(colour!.batches[0]!.pourAtMin + 60);
});

test("over a paint primer tacky is 45 to 60 minutes (common practice, no source)", () => {
  const [, base] = timetable([coat("p", "wet", { kind: "paint" }), coat("b", "tacky")], NINE, 1);
  expect(base?.waitMin).toEqual({ low: 45, likely: 52, high: 60 });
});

test("inside the recoat window it may come the same day", () => {
  const [, second] = timetable([coat("a", "wet"), coat("b", "recoat")], NINE, 1);
  expect(second).toMatchObject({ day: 0, startMin: NINE + 4 + 300 });
});

test("the next day at the shop's hour, or later when it cannot be sanded before", () => {
  const [, next] = timetable([coat("a", "wet"), coat("b", "next-day")], NINE, 1);
  expect(next).toMatchObject({ day: 1, startMin: 1440 + NINE });
  const slow = life.map((start) =>
    start.state === "sandable" ? { ...start, fromMin: exactly(30 * 60) } : start,
  );
  const [, later] = timetable([coat("a", "wet", { life: slow }), coat("b", "next-day")], NINE, 1);
  expect(later?.startMin).toBe(NINE + 4 + 30 * 60);
});

test("days add up over many coats", () => {
  const rows = timetable(
    [coat("a", "wet"), coat("b", "next-day"), coat("c", "next-day"), coat("d", "wet")],
    NINE,
    1,
  );
  expect(rows.map((row) => row.day)).toEqual([0, 1, 2, 2]);
});
