import { listWords } from "../units/list-words";
import { inUnits } from "../units/said";
import type { FinishedZone, StepUnder } from "./advice";
import type { Said } from "./words";

/** @param zones that lie behind a tape */
export const tapeUnpulled = (zones: readonly string[]): Said => ({
  what: `${listWords(zones)} ${zones.length > 1 ? "are" : "is"} taped off, and no pass pulls the tape.`,
  soWhat: "Add the pass and pull it while the film is gummy.",
  kind: "common practice",
  why: "Pulled too early the edge runs; pulled once the film has set it tears out of it, or has to be cut free with a knife. While it is gummy it comes away clean, drawn back low over itself.",
});

const filmText = (mm: number) => inUnits(mm, "film");

/**
 * @param thin whether the coat over it is too thin for so high a step, or there is none
 * @param others how many more borders have one
 */
export const stepBetween = (
  { low, high, stepMm, coat, filmMm, leavesMm }: StepUnder,
  thin: boolean,
  others: number,
): Said => {
  const more = others > 0 ? ` ${others} more ${others > 1 ? "borders have" : "border has"} a step.` : "";
  const left = `${filmText(leavesMm.likely)} (${filmText(leavesMm.low)} to ${filmText(leavesMm.high)})`;
  if (coat === null || filmMm === null)
    return {
      what: `${high} ends ${filmText(stepMm)} above ${low}, and nothing is poured over both.${more}`,
      soWhat: "Sand it flush, raise the lower one, or pour a clear over both.",
      kind: "common practice",
      why: "Heights are the films and pools of both zones added up. A step is felt from a twentieth of a millimetre on, and seen in the light.",
    };
  return {
    what: `${high} lies ${filmText(stepMm)} above ${low} under ${coat}.${more}`,
    soWhat: thin
      ? `${filmText(filmMm)} run off the higher one: fill ${low} first, or sand it flush.`
      : `It leaves ${left} of it: fill ${low} first, sand it flush, or pour thicker.`,
    kind: thin ? "common practice" : "physics",
    why: `Across the narrower zone a film of ${filmText(filmMm)} with the flow that it has when it is laid levels to ${left} of ${filmText(stepMm)} (Orchard's levelling with gravity; the spread is that of the resin's card). A film over a step of more than half of it runs dry on the higher side.`,
  };
};

/** @param drifts whether the coat is sprayed or drizzled */
export const finishedBeside = (zones: readonly FinishedZone[], drifts: boolean): Said => {
  const names = listWords(zones.map(({ name }) => name));
  const open = zones.filter(({ barrier }) => !barrier).map(({ name }) => name);
  const lengthMm = zones.reduce((sum, zone) => sum + zone.lengthMm, 0);
  return {
    what: `${names} ${zones.length > 1 ? "are" : "is"} finished before this coat runs up to ${zones.length > 1 ? "them" : "it"}: ${inUnits(lengthMm, "length")} of edge.`,
    soWhat: `Mask ${zones.length > 1 ? "them" : "it"}: fresh tape on the cured edge${open.length > 0 ? ` (${listWords(open)} ${open.length > 1 ? "have" : "has"} no barrier)` : ""}, film over the rest${drifts ? ", for spray and drops drift" : ""}.`,
    kind: "common practice",
    why: "What runs over a cured edge stays there and has to be scraped off while it is gummy. Tape sticks to a film once it has set, not before.",
  };
};
