import { heardWords } from "./heard-words";
import type { PourEvent } from "./pour-events";
import type { RunStep } from "./run-sheet";

const steps = [{ id: "mix", title: "Mix 4 minutes" }] as RunStep[];
const stamped = { id: "e", at: "2026-05-04T09:00:00.000Z", by: "Tomas Reyle" };

test.each<[PourEvent, string]>([
  [{ ...stamped, kind: "tick", stepId: "mix" }, "Tomas Reyle: done, Mix 4 minutes"],
  [{ ...stamped, kind: "untick", stepId: "mix" }, "Tomas Reyle: back to Mix 4 minutes"],
  [{ ...stamped, kind: "tick", stepId: "gone" }, "Tomas Reyle: done, an act"],
  [{ ...stamped, kind: "weighed", stepId: "mix", line: "A", grams: 236.04 }, "Tomas Reyle: 236 g weighed"],
  [{ ...stamped, kind: "note", stepId: null, text: "x" }, "Tomas Reyle: a note"],
  [{ ...stamped, kind: "left", coatId: "c", ml: 3 }, "Tomas Reyle: what was left"],
  [{ ...stamped, kind: "finish" }, "Tomas Reyle: the pour is finished"],
  [{ ...stamped, by: undefined, kind: "call-off", why: "" }, "the pour is called off"],
])("what another screen did in a few words: %j", (event, words) =>
  expect(heardWords(event, steps)).toBe(words),
);
