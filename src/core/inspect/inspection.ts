import type { PhotoLook, When } from "../pour/inspect-events";
import type { PourEvent } from "../pour/pour-events";
import type { Place } from "../pour/place";

type Said = { id: string; at: string; by?: string };

/** A fault at a place of a piece, with its photos; `end` where it was mended, or was none. */
export type Pin = Said & {
  when: When;
  fault: string;
  place: Place;
  coatId: string;
  sizeMm: number | null;
  text: string;
  pictureIds: string[];
  end: (Said & { how: "mended" | "mistaken" }) | null;
};

/** What a comb said at a place, mm: the last tooth wetted, the first dry. */
export type CombAt = Said & { place: Place; coatId: string; wetMm: number | null; dryMm: number | null };

/** What a photo of a piece said against its rehearsal. */
export type PhotoAt = Said & { pieceId: string; when: When; looks: readonly PhotoLook[] };

/** What was seen of a pour's pieces, folded from its entries. */
export type Inspection = {
  /** Points of the walk round that were looked at, by {@link lookKey}. */
  looked: Map<string, Said & { ok: boolean }>;
  pins: Pin[];
  combs: CombAt[];
  /** What photos of pieces said, the last one last. */
  photos: PhotoAt[];
  /** Answers by {@link answerKey}; null where nobody knows. */
  answers: Map<string, number | null>;
};

export const lookKey = (when: When, item: string): string => `${when} ${item}`;
export const answerKey = (of: { fault: string; coatId: string; evidence: string }): string =>
  `${of.fault} ${of.coatId} ${of.evidence}`;

const saidOf = ({ id, at, by }: PourEvent): Said => ({ id, at, ...(by !== undefined && { by }) });

/** Folds entries into what was seen. Of the same thing the later one counts; an entry that was sent twice counts once. */
export function inspectionOf(events: readonly PourEvent[]): Inspection {
  const looked: Inspection["looked"] = new Map();
  const pins = new Map<string, Pin>();
  const combs = new Map<string, CombAt>();
  const read = new Map<string, PhotoAt>();
  const answers: Inspection["answers"] = new Map();
  /** Photos whose pins come later in the list: a device sends them when it can. */
  const photos: { pinId: string; pictureId: string }[] = [];
  const ends: { pinId: string; end: NonNullable<Pin["end"]> }[] = [];
  const goneCombs: string[] = [];
  for (const event of [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    const said = saidOf(event);
    switch (event.kind) {
      case "looked":
        if (event.ok === null) looked.delete(lookKey(event.when, event.item));
        else looked.set(lookKey(event.when, event.item), { ...said, ok: event.ok });
        break;
      case "pin": {
        const { when, fault, place, coatId, sizeMm, text } = event;
        pins.set(event.id, { ...said, when, fault, place, coatId, sizeMm, text, pictureIds: [], end: null });
        break;
      }
      case "pin-ends":
        ends.push({ pinId: event.pinId, end: { ...said, how: event.how } });
        break;
      case "note":
        if (event.pinId && event.pictureId) photos.push({ pinId: event.pinId, pictureId: event.pictureId });
        break;
      case "comb": {
        const { place, coatId, wetMm, dryMm } = event;
        combs.set(event.id, { ...said, place, coatId, wetMm, dryMm });
        break;
      }
      case "comb-ends":
        goneCombs.push(event.combId);
        break;
      case "photo-read": {
        const { pieceId, when, looks } = event;
        read.set(event.id, { ...said, pieceId, when, looks });
        break;
      }
      case "answer":
        answers.set(answerKey(event), event.u);
        break;
    }
  }
  for (const { pinId, pictureId } of photos) {
    const pin = pins.get(pinId);
    if (pin && !pin.pictureIds.includes(pictureId)) pin.pictureIds.push(pictureId);
  }
  for (const { pinId, end } of ends) {
    const pin = pins.get(pinId);
    if (pin) pin.end = end;
  }
  for (const id of goneCombs) combs.delete(id);
  return {
    looked,
    pins: [...pins.values()],
    combs: [...combs.values()],
    photos: [...read.values()],
    answers,
  };
}
