/** The usual scale of a bench, g. */
export const USUAL_SCALE_G = 1;
/** What a bench has to measure and mix with: the step of its scale, g, and its vessels, ml; the usual ones when there are none. */
export type AtHand = { scaleStepG: number; vesselsMl: readonly number[] };
