import { PASS } from "../passes/facts";
import { putsVapour } from "../schedule/pass";
import type { Advice, Rule } from "./advice";
import { finishedBeside as finished, stepBetween, tapeUnpulled as unpulled } from "./zone-words";

/** What of a step a film may leave and nobody sees it, mm. */
const UNSEEN_MM = 0.1;
/** A film over a step of more than this part of it runs off the higher zone (common practice, no source). */
const DRY_SHARE = 0.5;

/** Zones that end at different heights: what the last coat leaves of it, or that they want sanding flush; the highest step is told. */
export const zonesApart: Rule = ({ coats }) =>
  coats.flatMap(({ coat, steps }): Advice[] => {
    const seen = steps
      .map((step) => ({ step, thin: step.filmMm === null || step.stepMm > DRY_SHARE * step.filmMm }))
      .filter(({ step, thin }) => thin || step.leavesMm.high >= UNSEEN_MM)
      .sort((a, b) => b.step.stepMm - a.step.stepMm);
    const [first] = seen;
    if (!first) return [];
    const said = stepBetween(first.step, first.thin, seen.length - 1);
    return [{ rule: "zones-apart", coatId: coat.id, at: "film", ...said }];
  });

/** A coat that runs up to a zone that was finished before: what lies there is masked (common practice, no source). */
export const finishedBeside: Rule = ({ coats }) =>
  coats.flatMap(({ coat, beside }): Advice[] => {
    if (beside.length === 0) return [];
    const drifts = coat.passes.some((pass) => putsVapour(pass) || PASS[pass.kind].picture === "drops");
    return [{ rule: "finished-beside", coatId: coat.id, at: "passes", ...finished(beside, drifts) }];
  });

/** A zone behind a tape that no pass pulls (common practice, no source). */
export const tapeUnpulled: Rule = ({ coats }) =>
  coats.flatMap(({ coat, taped }) =>
    taped.length > 0 && !coat.passes.some(({ kind }) => kind === "tape-pull")
      ? [{ rule: "tape-unpulled", coatId: coat.id, at: "passes", ...unpulled(taped) }]
      : [],
  );
