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
