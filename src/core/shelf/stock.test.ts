import fc from "fast-check";
import type { Lot } from "./lot";
import { isPast, leftOf, lotState, usedFirst } from "./stock";
import { lotOf, type Told } from "./testing/lots";

const took = (amount: number, line?: string): Told => ({
  kind: "took",
  part: "A",
  amount,
  what: "poured",
  why: "",
  ...(line !== undefined && { from: { pourId: "p", stepId: "s", line } }),
});
const counted = (amount: number): Told => ({ kind: "counted", part: "A", amount, grossG: null });
const back = (amount: number): Told => ({ kind: "back", part: "A", amount, why: "" });
const corrected = (entryId: string, amount: number, why = "typed wrong"): Told => ({
  kind: "corrected",
  entryId,
  amount,
  why,
});
const left = (...told: Told[]) => lotState(lotOf(1, "i", { A: 1000 }, { told })).left.get("A");

test("by hand: what came, less what was taken, with what was put back", () =>
  expect(left(took(250), took(100), back(40))).toBe(690));
test("a count says what is there, whatever the book said; what comes after goes on from it", () =>
  expect(left(took(250), counted(700), took(100))).toBe(600));
test("a correction changes the amount where it stands, is told with what was and why, and does not move what was counted later", () => {
  const lot = lotOf(1, "i", { A: 1000 }, { told: [took(250), corrected("1-2", 205)] });
  expect(leftOf(lot, "A")).toBe(795);
  const line = lotState(lot).history.find(({ entry }) => entry.id === "1-2")!;
  expect([line.amount, line.changed]).toEqual([205, -205]);
  expect(line.corrections).toMatchObject([{ was: 250, why: "typed wrong", by: "Ines" }]);
  expect(left(took(250), counted(700), corrected("1-2", 205))).toBe(700);
  expect(left(took(250), corrected("1-2", 205), corrected("1-2", 200))).toBe(800);
});
test("what was weighed anew at a line of a pour replaces what was booked; other lines and takings stay", () => {
  expect(left(took(250, "A"), took(80, "A-2"), took(260, "A"))).toBe(660);
  expect(left(took(250, "A"), took(250), took(0, "A"))).toBe(750);
});
test("the book may come under nothing, and says so; there is never less than nothing to take", () => {
  expect(left(took(1200))).toBe(-200);
  expect(leftOf(lotOf(1, "i", { A: 1000 }, { told: [took(1200)] }), "A")).toBe(0);
});
test("a bottle is open from the first taking, or from the day that was said", () => {
  expect(lotState(lotOf(1, "i", { A: 9 })).openedOn.size).toBe(0);
  expect(lotState(lotOf(1, "i", { A: 9 }, { told: [took(1)] })).openedOn.get("A")).toBe("2026-01-05");
  const said: Told = { kind: "opened", part: "A", on: "2025-12-24" };
  expect(lotState(lotOf(1, "i", { A: 9 }, { told: [said, took(1)] })).openedOn.get("A")).toBe("2025-12-24");
});
test("open ones go first, then those that end sooner, then those bought earlier", () => {
  const open = lotOf(1, "i", { A: 9 }, { facts: { bestBefore: "2028-01-01" }, told: [took(1)] });
  const soon = lotOf(2, "i", { A: 9 }, { facts: { bestBefore: "2026-06-01" } });
  const late = lotOf(3, "i", { A: 9 }, { facts: { bestBefore: "2027-06-01" } });
  const endless = lotOf(4, "i", { A: 9 }, { facts: { boughtOn: "2020-01-01" } });
  expect([endless, late, open, soon].sort(usedFirst).map(({ code }) => code)).toEqual([1, 2, 3, 4]);
  expect([isPast(soon, "2026-06-01"), isPast(soon, "2026-06-02"), isPast(endless, "2099-01-01")]).toEqual([
    false,
    true,
    false,
  ]);
});

const movement = fc.oneof(
  fc.record({ kind: fc.constant("took" as const), amount: fc.integer({ min: 0, max: 500 }) }),
  fc.record({ kind: fc.constant("back" as const), amount: fc.integer({ min: 0, max: 500 }) }),
  fc.record({ kind: fc.constant("came" as const), amount: fc.integer({ min: 0, max: 500 }) }),
);
test("nothing is lost: without counts there is what came and was put back, less what was taken, in whatever order it was written", () =>
  fc.assert(
    fc.property(fc.array(movement, { maxLength: 20 }), fc.integer(), (moves, seed) => {
      const told = moves.map(({ kind, amount }): Told =>
        kind === "took" ? took(amount) : kind === "back" ? back(amount) : { kind, part: "A", amount },
      );
      const lot = lotOf(1, "i", { A: 1000 }, { told });
      const shuffled: Lot = {
        ...lot,
        entries: [...lot.entries].sort(
          (a, b) => ((a.id.length * 7 + seed) % 5) - ((b.id.length * 7 + seed) % 5),
        ),
      };
      const sum = moves.reduce((all, { kind, amount }) => all + (kind === "took" ? -amount : amount), 1000);
      expect(lotState(lot).left.get("A")).toBeCloseTo(sum, 9);
      expect(lotState(shuffled).left.get("A")).toBeCloseTo(sum, 9);
      const moved = lotState(lot).history.reduce((all, { changed }) => all + (changed ?? 0), 0);
      expect(moved).toBeCloseTo(sum, 9);
    }),
  ));
