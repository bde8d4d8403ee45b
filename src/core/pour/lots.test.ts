import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { lotsTold, lotWords } from "./lots";
import { foldPour, type PourEvent } from "./pour-events";
import { runSheet } from "./run-sheet";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const steps = runSheet(derivePlan(job, cards), "metric");
const weigh = steps.find(({ weigh: lines }) =>
  lines.some(({ thing }) => thing.kind === "part" && thing.part === "B"),
)!;
const lineOf = (part: "A" | "B") =>
  weigh.weigh.find(({ thing }) => thing.kind === "part" && thing.part === part)!;
const lot = (part: "A" | "B", text: string, minute: number): PourEvent => ({
  id: `${part}-${minute}`,
  at: new Date(Date.UTC(2026, 0, 5, 8, minute)).toISOString(),
  kind: "lot",
  stepId: weigh.id,
  line: lineOf(part).line,
  lot: text,
});

test("a lot that stood on the other bottle is told, however it is typed", () => {
  const state = foldPour([lot("A", "7731-b", 1)]);
  expect(lotWords("7731 B", lineOf("B"), steps, state)).toContain("bottle of A");
  expect(lotWords("7731 B", lineOf("A"), steps, state)).toBeNull();
  expect(lotWords("7732", lineOf("B"), steps, state)).toBeNull();
});
test("a label of the shop says which half it is of", () => {
  expect(lotWords("L42-A", lineOf("B"), steps, foldPour([]))).toContain("bottle of A");
  expect(lotWords("l42 b", lineOf("B"), steps, foldPour([]))).toBeNull();
  expect(lotWords("L42", lineOf("B"), steps, foldPour([]))).toBeNull();
});
test("the log tells each lot once, the last that was told of a bottle", () => {
  const told = lotsTold(steps, foldPour([lot("A", "1", 1), lot("A", "2", 2), lot("B", "3", 3)]));
  expect(told.map((one) => one.lot)).toEqual(["2", "3"]);
});
