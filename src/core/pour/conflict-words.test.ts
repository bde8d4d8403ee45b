import { foldPour, type PourEvent } from "./pour-events";
import { conflictWords } from "./conflict-words";
import type { RunStep } from "./run-sheet";

const at = (minute: number) => new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString();
const steps = [
  { id: "weigh", title: "Weigh 201 g and 171 g", weigh: [{ line: "A", label: "A, resin" }] },
  { id: "torch", title: "Torch, quick sweeps", weigh: [] },
] as unknown as RunStep[];
const only = (...events: PourEvent[]) => conflictWords(foldPour(events).conflicts[0]!, steps);

test("both weights are told with who weighed them, on which line of which act", () => {
  const told = only(
    {
      id: "1",
      at: at(1),
      by: "Ines Calder",
      kind: "weighed",
      stepId: "weigh",
      line: "A",
      grams: 201,
      over: null,
    },
    {
      id: "2",
      at: at(2),
      by: "Tomas Reyle",
      kind: "weighed",
      stepId: "weigh",
      line: "A",
      grams: 189.4,
      over: null,
    },
  );
  expect(told.on).toBe("A, resin, Weigh 201 g and 171 g");
  expect(told.sides.map(({ says, by }) => [says, by])).toEqual([
    ["201 g", "Ines Calder"],
    ["189.4 g", "Tomas Reyle"],
  ]);
});
test("done against left out; what has not reached the server is this screen's", () => {
  const told = only(
    { id: "1", at: at(1), by: "Ines Calder", kind: "tick", stepId: "torch", over: null },
    { id: "2", at: at(2), kind: "skip", stepId: "torch", why: "", over: null },
  );
  expect(told.on).toBe("Torch, quick sweeps");
  expect(told.sides.map(({ says, by }) => [says, by])).toEqual([
    ["done", "Ines Calder"],
    ["left out", "this screen"],
  ]);
});

describe("a coat left out against acts done on it", () => {
  const lay = {
    id: "white:pass:lay",
    coatId: "white",
    coatName: "White base",
    title: "Lay the colours",
    weigh: [],
  };
  const asked = [...steps, lay] as unknown as RunStep[];
  const tick: PourEvent = { id: "t", at: at(1), by: "Ines Calder", kind: "tick", stepId: lay.id, over: null };
  const drop: PourEvent = {
    id: "d",
    at: at(2),
    by: "Tomas Reyle",
    kind: "drop-coat",
    coatId: "white",
    why: "",
    over: null,
  };
  const conflicts = (...events: PourEvent[]) => foldPour(events).conflicts;

  test("is told by the coat, what was done of it, and who left it out, whichever came first", () => {
    const told = conflictWords(conflicts(tick, drop)[0]!, asked);
    expect(told.on).toBe("White base");
    expect(told.sides.map(({ says, by }) => [says, by])).toEqual([
      ["Lay the colours: done", "Ines Calder"],
      ["left out", "Tomas Reyle"],
    ]);
    const later = { ...tick, at: at(3) };
    expect(conflictWords(conflicts(drop, later)[0]!, asked).sides.map(({ says }) => says)).toEqual([
      "left out",
      "Lay the colours: done",
    ]);
  });
  test("either choice settles it: the coat is poured, or it is not", () => {
    const bring: PourEvent = {
      id: "b",
      at: at(4),
      kind: "bring-coat",
      coatId: "white",
      over: "d",
      settles: true,
    };
    const poured = foldPour([tick, drop, bring]);
    expect([poured.conflicts, poured.droppedCoats.size]).toEqual([[], 0]);
    const out = foldPour([tick, drop, { ...drop, id: "e", at: at(4), over: "d", settles: true }]);
    expect([out.conflicts, out.droppedCoats.size]).toEqual([[], 1]);
  });
  test("nobody differs where the act was taken back before, the coat was brought back, or an earlier version wrote it", () => {
    const untick: PourEvent = { id: "u", at: at(1), kind: "untick", stepId: lay.id, over: "t" };
    expect(conflicts(tick, untick, drop)).toEqual([]);
    const bring: PourEvent = { id: "b", at: at(3), kind: "bring-coat", coatId: "white", over: "d" };
    expect(conflicts(drop, bring, { ...tick, at: at(4) })).toEqual([]);
    const { over: _over, ...old } = drop;
    expect(conflicts(tick, old as PourEvent)).toEqual([]);
  });
  test("several acts of a coat left out are one question", () => {
    const second: PourEvent = { ...tick, id: "t2", at: at(4), stepId: "white:pass:torch" };
    expect(conflicts(drop, { ...tick, at: at(3) }, second)).toHaveLength(1);
  });
});
