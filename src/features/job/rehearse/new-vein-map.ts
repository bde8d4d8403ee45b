import type { Measured } from "@/core/geometry/measure";
import type { JobDocument } from "@/core/job/job";
import { VEIN_SHARE } from "@/core/pattern/passes/scene";
import { USUAL_MANNER } from "@/core/pattern/passes/vein";
import { mapBox, placesOf } from "@/core/veins/places";
import { redrawn, type VeinMap, type VeinSet } from "@/core/veins/vein-map";
import type { Coat } from "@/core/schedule/coat";
import { newId } from "../workspace/edits";

/** The colours of a job that veins are drawn with: those of its vein coats, else the little ones of a coat that has a vein pass. */
export function veinColours(
  coats: readonly Coat[],
): { coat: Coat; colourId: string; name: string; hex: string }[] {
  const told = (coat: Coat, colours: Coat["colours"]) =>
    colours.map(({ id, name, hex }) => ({ coat, colourId: id, name, hex }));
  const planned = coats.filter(({ kind }) => kind === "vein").flatMap((coat) => told(coat, coat.colours));
  if (planned.length > 0) return planned;
  return coats
    .filter(({ passes }) => passes.some(({ kind }) => kind === "veins"))
    .flatMap((coat) => {
      const few = coat.colours.filter(({ share }) => share <= VEIN_SHARE);
      return told(coat, few.length > 0 ? few : coat.colours.slice(-1));
    });
}

const oneDigit = (value: number) => Math.round(10 * value) / 10;

/** On pieces of less than a square metre veins are finer and nearer to each other, as on a tumbler (by eye). */
const finenessOf = (pieces: readonly Measured[]): number =>
  Math.min(1, Math.max(0.25, Math.sqrt(Math.max(0, ...pieces.map(({ outline }) => outline.areaMm2)) / 1e6)));

/** A set of veins of a colour across some pieces: the first of a job thick, the next ones thin. */
export function newSet(
  { coat, colourId, name }: { coat: Coat; colourId: string; name: string },
  pieces: readonly Measured[],
  thick: boolean,
  angleDeg: number,
  seed: number,
): VeinSet {
  const finer = finenessOf(pieces);
  return {
    id: newId(),
    name,
    coatId: coat.id,
    colourId,
    angleDeg,
    metresPerM2: oneDigit((thick ? 3.4 : 1.4) / finer),
    thickMm: oneDigit((thick ? 8 : 3) * finer),
    manner: thick
      ? { ...USUAL_MANNER, hazeMm: oneDigit(USUAL_MANNER.hazeMm * finer) }
      : { ...USUAL_MANNER, branching: 0.25, hairs: 0.15, hazeMm: 0 },
    seed,
    veins: [],
  };
}

/** A first map: the pieces in a row, one set for each vein colour. Null where the job has no colour for veins. */
export function newVeinMap(job: JobDocument, pieces: readonly Measured[]): VeinMap | null {
  const colours = veinColours(job.coats);
  if (colours.length === 0 || pieces.length === 0) return null;
  const places = placesOf(pieces, {});
  const box = mapBox(pieces, places);
  const angleDeg = job.rehearsal?.angleDeg ?? 26;
  return {
    places: Object.fromEntries(places),
    sets: colours
      .slice(0, 4)
      .map((colour, n) => redrawn(newSet(colour, pieces, n === 0, angleDeg + 4 * n, 7 + n), box, newId)),
  };
}
