import { startOf } from "../schedule/coat-windows";
import { usualPass, type Pass } from "../schedule/pass";
import { derivePlan } from "./derive-plan";
import { CARDS, colourCoat, job } from "./testing/sample";

/** The colour coat of the next day with these passes before it is mixed, and the coat below it. */
function prepared(before: Pass[]) {
  const document = job((draft) => {
    const colour = colourCoat(draft);
    colour.startsAfter = "next-day";
    colour.passes = [...before, ...colour.passes];
  });
  const { coats } = derivePlan(document, CARDS);
  const at = coats.findIndex(({ coat }) => coat.kind === "colour");
  const [below, colour] = [coats[at - 1]!, coats[at]!];
  const rows = colour.windows!.windows.filter(({ pass }) => before.some(({ id }) => id === pass.id));
  return { below, colour, rows };
}

describe("what is done before a coat is mixed (common practice, no source)", () => {
  test("sanding waits until the coat below can be sanded; taping does not", () => {
    const { below, rows } = prepared([usualPass("tape", "tape"), usualPass("sand", "sand")]);
    const [tape, sand] = ["tape", "sand"].map((id) => rows.find(({ pass }) => pass.id === id)!);
    const sandable = startOf(below.windows!.life, "sandable");
    const mixed = below.windows!.lastMixedAtMin;
    expect(sand!.from.low).toBeCloseTo(mixed + sandable.low, 6);
    expect(sand!.from.likely).toBeCloseTo(mixed + sandable.likely, 6);
    expect(sand!.atMin).toBeGreaterThanOrEqual(sand!.from.likely - 1e-6);
    expect(tape!.from.low).toBe(tape!.from.high);
    expect(tape!.from.likely).toBeLessThanOrEqual(sand!.from.likely);
  });
  test("one after the other, each waiting as it says, and all of it before the mix", () => {
    const { colour, rows } = prepared([
      usualPass("sand", "sand"),
      usualPass("clean", "clean", { afterMin: 30 }),
      usualPass("tape", "tape"),
    ]);
    const [sand, clean, tape] = rows;
    expect(clean!.atMin).toBeGreaterThanOrEqual(sand!.untilMin + 30 - 1e-6);
    expect(tape!.atMin).toBeGreaterThanOrEqual(clean!.untilMin - 1e-6);
    expect(colour.windows!.mixedAtMin).toBeGreaterThanOrEqual(tape!.untilMin - 1e-6);
  });
  test("not before the hour that it names", () => {
    const at = 14 * 60;
    const { rows } = prepared([usualPass("tape", "tape", { atMinute: at })]);
    expect(rows[0]!.atMin % 1440).toBeCloseTo(at, 6);
  });
});
