import { starterColours } from "../colour/starter-colours";
import { colourCoat } from "../plan/testing/sample";
import type { PassKind } from "../passes/facts";
import type { RunStep } from "../pour/run-sheet";
import { evidenceIn, knownOf } from "./evidence";
import { EVIDENCE, FAULTS } from "./fault-table";
import { causesOf } from "./causes";
import { loggedCoat } from "./logged-pour";
import { answersTo } from "./question";
import { atMinute, poured, type Done } from "./testing/poured";

type Change = Parameters<typeof poured>;
/** What the log of the colour coat says, by its id: how far it is so. */
function says(change: Change[0], done?: Done, extra?: Change[2], comb: number | null = null) {
  const pour = poured(change, done, extra);
  const { id } = colourCoat(pour.document);
  const log = loggedCoat(pour, id, comb);
  if (!log) throw new Error("The colour coat was not mixed");
  return new Map(evidenceIn(log).map((read) => [read.id, read]));
}
const isPass =
  (kind: PassKind, pour: { plan: { coats: { coat: { passes: { id: string; kind: PassKind }[] } }[] } }) =>
  ({ passId }: RunStep) =>
    pour.plan.coats.some(({ coat }) => coat.passes.some((pass) => pass.id === passId && pass.kind === kind));

test("all that can be read is of the table, and within 0 and 1, with words", () => {
  const read = says(() => {});
  expect(read.size).toBeGreaterThan(8);
  for (const [id, { u, words }] of read) {
    expect(EVIDENCE.has(id)).toBe(true);
    expect(u).toBeGreaterThanOrEqual(0);
    expect(u).toBeLessThanOrEqual(1);
    expect(words.length).toBeGreaterThan(5);
  }
});

test("B too much by three times the tolerance is a ratio that is off; as planned it is none", () => {
  const weighed =
    (times: number): Change[2] =>
    (plan, steps) => {
      const { id } = plan.coats.find(({ coat }) => coat.kind === "colour")!.coat;
      return steps
        .filter((step) => step.coatId === id && step.kind === "weigh")
        .flatMap((step) =>
          step.weigh
            .filter(({ thing }) => thing.kind === "part")
            .map(({ line, grams, thing }) => ({
              kind: "weighed" as const,
              stepId: step.id,
              line,
              grams: thing.kind === "part" && thing.part === "B" ? grams * times : grams,
            })),
        );
    };
  expect(says(() => {}, undefined, weighed(1.2)).get("ratioOff")?.u).toBe(1);
  expect(says(() => {}, undefined, weighed(1)).get("ratioOff")?.u).toBe(0);
});

test("a mixing that was cut short is seen by its minutes", () => {
  const short: Done = (step) =>
    step.kind === "mix" ? step.atMin + 0.3 * (step.untilMin - step.atMin) : step.untilMin;
  expect(says(() => {}, short).get("mixShort")?.u).toBe(1);
  expect(says(() => {}).get("mixShort")?.u).toBe(0);
});

test("the room as it was read: cold, damp, near the dew point, by hand", () => {
  const room =
    (tempC: number, humidityPct: number, surfaceC: number): Change[2] =>
    (plan) => {
      const mixed = plan.coats.find(({ coat }) => coat.kind === "colour")!.windows!.mixedAtMin;
      return [{ kind: "room", at: atMinute(mixed + 5), tempC, humidityPct, surfaceC }];
    };
  // Dew point at 20 °C and 80 % is 16.4 °C (Magnus, from memory): a surface of 18 °C is 1.6 K above it.
  const damp = says(() => {}, undefined, room(20, 80, 18));
  expect(damp.get("humid")?.u).toBe(1);
  expect(damp.get("dewGap")?.u).toBe(1);
  expect(damp.get("coldRoom")?.u).toBe(0);
  expect(says(() => {}, undefined, room(13, 40, 13)).get("coldRoom")?.u).toBe(1);
  // Nobody read it: nothing is said, whatever was planned.
  expect(says(() => {}).has("coldRoom")).toBe(false);
});

test("alcohol before its window is early, the last work after its window is late", () => {
  const pour = poured();
  const alcohol = isPass("alcohol", pour);
  const windows = pour.poured.find(({ of }) => of.coat.kind === "colour")!.windows;
  const mine = windows.windows.find(({ pass }) => pass.kind === "alcohol");
  expect(mine).toBeDefined();
  // The ids differ from job to job: the act is told by its title.
  const { title } = pour.steps.find(alcohol)!;
  const at =
    (minute: number): Done =>
    (step) =>
      step.title === title ? minute : step.untilMin;
  expect(says(() => {}, at(mine!.from.likely - 12)).get("alcoholEarly")?.u).toBe(1);
  const late = says(() => {}, at(mine!.to!.likely + 16));
  expect(late.get("alcoholLate")?.u).toBe(1);
  expect(late.get("alcoholEarly")?.u).toBe(0);
});

test("no torch in the log is said; a bare ground that drinks is said of the coat that lies on it", () => {
  const without = says((draft) => {
    const coat = colourCoat(draft);
    coat.passes = coat.passes.filter(({ kind }) => kind !== "flame");
  });
  expect(without.get("noFlame")?.u).toBe(1);
  expect(says(() => {}).get("porous")?.u).toBe(0);
  const bare = says((draft) => {
    draft.coats = [{ ...colourCoat(draft), startsAfter: "next-day" }];
    draft.ground = "mdf";
  });
  expect(bare.get("porous")?.u).toBe(1);
});

test("a comb near the fault says thin; what was used says only heavy", () => {
  expect(says(() => {}, undefined, undefined, 0.5).get("filmThin")?.u).toBe(1);
  expect(says(() => {}).has("filmThin")).toBe(false);
});

test("water-borne colour and the largest load are read from the shop's colourants", () => {
  const colours = starterColours(() => `c${Math.random()}`);
  const acrylic = colours.find(({ kind }) => kind === "acrylic");
  if (!acrylic) throw new Error("No acrylic among the starter colours");
  const pour = poured(
    (draft) => {
      const [first] = colourCoat(draft).colours;
      first!.parts = [{ cardId: acrylic.id, name: acrylic.name, gPer100G: 9, measure: { unit: "gram" } }];
      for (const colour of colourCoat(draft).colours.slice(1)) colour.look = "clear";
    },
    undefined,
    undefined,
    colours,
  );
  const reads = evidenceIn(loggedCoat(pour, colourCoat(pour.document).id, null)!);
  expect(reads.find(({ id }) => id === "waterShare")?.u).toBe(1);
});

test("an answer goes before the log, and where nobody knows nothing is known; it is not asked again", () => {
  const reads = [{ id: "ratioOff", u: 1, words: "" }];
  expect(knownOf(reads, new Map([["ratioOff", 0]])).get("ratioOff")).toBe(0);
  expect(knownOf(reads, new Map([["ratioOff", null]])).has("ratioOff")).toBe(false);
  const soft = FAULTS.find(({ id }) => id === "soft")!;
  const { ask } = causesOf(soft, new Map());
  expect(causesOf(soft, new Map(), new Set([ask!.id])).ask?.id).not.toBe(ask!.id);
});

test("every question can be answered by touch, in words of either system, and with nobody knows", () => {
  for (const item of EVIDENCE.values()) {
    const answers = answersTo(item);
    expect(answers.at(-1)?.u).toBeNull();
    expect(new Set(answers.map(({ words }) => words)).size).toBe(answers.length);
    expect(answers.map(({ u }) => u)).toEqual(item.unit === null ? [1, 0, null] : [1, 0.5, 0, null]);
    expect(answers.map(({ words }) => words).join()).not.toMatch(/NaN|undefined|°C(?! \()/);
  }
  const cold = answersTo(EVIDENCE.get("coldRoom")!);
  expect(cold[0]?.words).toBe("{temperature:14} or less");
  expect(cold[2]?.words).toBe("{temperature:18} or more");
});
