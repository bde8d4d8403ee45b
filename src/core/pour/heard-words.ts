import type { PourEvent } from "./pour-events";
import type { RunStep } from "./run-sheet";
import { trimmed } from "../units/format-quantity";

/** What someone did on another screen, in a few words: "Tomas Reyle: done, Mix 4 minutes". */
export function heardWords(event: PourEvent, steps: readonly RunStep[]): string {
  const of = (stepId: string | null) => steps.find(({ id }) => id === stepId)?.title ?? "an act";
  const who = event.by ? `${event.by}: ` : "";
  switch (event.kind) {
    case "tick":
      return `${who}done, ${of(event.stepId)}`;
    case "untick":
      return `${who}back to ${of(event.stepId)}`;
    case "skip":
      return `${who}left out, ${of(event.stepId)}`;
    case "drop-coat":
      return `${who}a coat is left out`;
    case "bring-coat":
      return `${who}a coat is poured after all`;
    case "lot":
      return `${who}lot ${event.lot}`;
    case "again":
      return `${who}once more, ${of(event.stepId)}`;
    case "first":
      return `${who}first, ${of(event.stepId)}`;
    case "give":
      return event.to
        ? `${who}${of(event.stepId)} is ${event.to}'s`
        : `${who}${of(event.stepId)} is anybody's`;
    case "weighed":
      return `${who}${trimmed(event.grams, 1)} g weighed`;
    case "room":
      return `${who}the room, ${trimmed(event.tempC, 1)} °C`;
    case "note":
      return event.pictureId ? `${who}a photo` : `${who}a note`;
    case "looked":
      return `${who}looked at a point of the walk round`;
    case "pin":
    case "pin-ends":
      return `${who}a fault on the piece`;
    case "comb":
    case "comb-ends":
      return `${who}a comb reading`;
    case "loss-weighed":
    case "alcohol-weighed":
    case "film-seen":
      return `${who}a reading that teaches`;
    case "photo-read":
      return `${who}what a photo says`;
    case "answer":
      return `${who}a question about a fault`;
    case "left":
    case "short":
      return `${who}what was left`;
    case "finish":
      return `${who}the pour is finished`;
    case "call-off":
      return `${who}the pour is called off`;
  }
}
