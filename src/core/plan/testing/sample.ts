import { starterCards } from "../../cure/starter-cards";
import type { JobDocument } from "../../job/job";
import { sampleJob } from "../../job/sample-job";
import type { Coat } from "../../schedule/coat";
import { derivePlan } from "../derive-plan";

/** What tests of plans and pours begin with: the starting cards, a counter with its coats, one of these as it is planned. */
let made = 0;
export const newId = () => `id-${(made += 1)}`;
export const CARDS = starterCards(newId);

/** A job of its own, changed before anything is worked out of it. */
export function job(change: (draft: JobDocument) => void = () => {}): JobDocument {
  const draft = structuredClone(sampleJob(CARDS, newId));
  change(draft);
  return draft;
}

export const colourCoat = (document: JobDocument) =>
  document.coats.find((coat) => coat.kind === "colour") as Coat;

/** A coat that is surely batched. @throws Error where it is not */
export function planned(document: JobDocument, kind: Coat["kind"] = "colour") {
  const coat = derivePlan(document, CARDS).coats.find(({ coat }) => coat.kind === kind);
  if (!coat?.batched) throw new Error(coat?.problem ?? "no such coat");
  return { ...coat, batched: coat.batched };
}
