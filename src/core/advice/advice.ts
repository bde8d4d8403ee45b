import type { BatchedCoat } from "../batch/batch-coat";
import type { Calibration } from "../cure/calibrate";
import type { ResinCard } from "../cure/resin-card";
import type { Coat } from "../schedule/coat";

/** Why a piece of advice is given. Danger is drawn in the danger colour; all else is calm. */
export type AdviceKind = "physics" | "data sheet" | "common practice" | "safety";

export type Advice = {
  rule: string;
  /** The coat it speaks of, and the line in it: a pass or colour id, or a field name. */
  coatId: string | null;
  at: string | null;
  what: string;
  soWhat: string;
  kind: AdviceKind;
  why: string;
};

/** One coat with all that is known of it, as the rules see it. */
export type AdvisedCoat = {
  coat: Coat;
  below: Coat | null;
  belowWet: boolean;
  batched: BatchedCoat | null;
  card: ResinCard | null;
  calibration: Calibration | null;
  /** Depth of its deepest pour, for one that fills, mm. */
  pourDepthMm: number | null;
};

export type AdviceContext = { coats: readonly AdvisedCoat[]; tempC: number };

/** A rule looks at the whole plan and says what it has to say. */
export type Rule = (context: AdviceContext) => Advice[];
