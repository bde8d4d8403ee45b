import type { Ground } from "../batch/grounds";
import { goesOn, sharesOn } from "../batch/placed-colours";
import { averageXyz } from "../colour/average";
import type { ColourCard } from "../colour/colour-card";
import type { Measured } from "../geometry/measure";
import type { JobDocument } from "../job/job";
import { byIdentity } from "../numerics/by-identity";
import { mapBands } from "../colour/spectrum";
import { nth } from "../numerics/nth";
import { covers, coversZone, filmOn, type Coat } from "../schedule/coat";
import {
  bareGround,
  laidOn,
  seenFromAfar,
  type Average,
  type Below,
  type CoatLooks,
  type ColourPlan,
  type Laid,
} from "./colour-plan";
import { groundUnder } from "./covered";

/** A piece or one of its zones as its colours see it. */
type Place = { pieceId: string; zoneId: string | null; areaMm2: number; ground: Ground };

/** What is seen of a zone after each coat, from some steps back; a coat that does not go there leaves it as it was. */
export type PlaceColours = Omit<Place, "ground"> & {
  after: ReadonlyMap<string, { here: boolean; average: Average }>;
  finished: Average;
};

const placesOf = (job: JobDocument, pieces: readonly Measured[]): Place[] =>
  pieces.flatMap(({ id, count, zones, topAreaMm2 }): Place[] => {
    const place = (zoneId: string | null, areaMm2: number): Place => ({
      pieceId: id,
      zoneId,
      areaMm2: areaMm2 * count,
      ground: groundUnder(job, id, zoneId),
    });
    return zones.length > 0
      ? zones.filter((zone) => zone.topAreaMm2 > 0).map((zone) => place(zone.id, zone.topAreaMm2))
      : [place(null, topAreaMm2)];
  });

const goesTo = (coat: Coat, { pieceId, zoneId }: Place): boolean =>
  zoneId === null ? covers(coat, pieceId) : coversZone(coat, pieceId, zoneId);

/** Coats as they lie on single places, by what differs there; the same object for the same, so that looks are worked out once. */
const variants = byIdentity((_coat: Coat) => new Map<string, Coat>());

function coatOn(coat: Coat, place: Place): Coat {
  const filmMm = filmOn(coat, place.pieceId, place.zoneId);
  const shares = sharesOn(coat.colours, place);
  if (filmMm === coat.filmMm && shares.every((share, n) => share === coat.colours[n]?.share)) return coat;
  const key = `${filmMm} ${shares.join(" ")}`;
  const known = variants(coat).get(key);
  if (known) return known;
  const colours = coat.colours.flatMap((colour, n) => {
    const share = shares[n] ?? 0;
    return share > 0 ? [{ ...colour, share }] : [];
  });
  const fresh: Coat = { ...coat, filmMm, colours };
  variants(coat).set(key, fresh);
  return fresh;
}

type LaidPlace = { place: Place; laid: Map<string, Laid>; after: Map<string, Below>; top: Below };

function layPlace(place: Place, coats: readonly Coat[], colourants: readonly ColourCard[]): LaidPlace {
  let top = bareGround(place.ground);
  const laid = new Map<string, Laid>();
  const after = new Map<string, Below>();
  for (const coat of coats) {
    if (goesTo(coat, place)) {
      const done = laidOn(coatOn(coat, place), top, colourants);
      laid.set(coat.id, done);
      top = done.top;
    }
    after.set(coat.id, top);
  }
  return { place, laid, after, top };
}

/** The looks of a coat over all its places: each colour as it lies on the largest place that it goes on. */
function coatLooks(
  coat: Coat,
  whole: Coat,
  laidPlaces: readonly LaidPlace[],
  bare: () => CoatLooks,
): CoatLooks {
  const largest = (wanted: (place: Place) => boolean) =>
    laidPlaces.reduce<LaidPlace | null>(
      (best, laidPlace) =>
        laidPlace.laid.has(coat.id) &&
        wanted(laidPlace.place) &&
        laidPlace.place.areaMm2 > (best?.place.areaMm2 ?? 0)
          ? laidPlace
          : best,
      null,
    );
  const looksOn = (found: LaidPlace | null) => found?.laid.get(coat.id)?.looks;
  const home = looksOn(largest(() => true));
  if (!home) return bare();
  const colours = whole.colours.map((colour, n) => {
    const there = looksOn(largest((place) => goesOn(colour, place)));
    const looks = there?.colours.find((seen) => seen.colour.id === colour.id) ?? bare().colours[n];
    return { ...(looks as CoatLooks["colours"][number]), colour };
  });
  const xyz = averageXyz(colours.map((looks) => ({ xyz: looks.xyz, share: looks.colour.share })));
  return { coat: whole, under: home.under, colours, average: xyz ? seenFromAfar(xyz) : home.average };
}

/**
 * How colours look where pieces are divided: on each zone over what lies there, and over all by their areas. The same as `colourPlan` where every
 * coat lies alike on all of every piece.
 * @param coats as they came out, with shares of a place
 * @param whole the same with shares of all of the coat
 */
export function placeColours(
  job: JobDocument,
  pieces: readonly Measured[],
  coats: readonly Coat[],
  whole: readonly Coat[],
  colourants: readonly ColourCard[],
): ColourPlan & { places: PlaceColours[] } {
  const laidPlaces = placesOf(job, pieces).map((place) => layPlace(place, coats, colourants));
  const total = laidPlaces.reduce((sum, { place }) => sum + place.areaMm2, 0) || 1;
  const bare = bareGround(job.ground);
  const seen = averageXyz(
    laidPlaces.map(({ place, top }) => ({ xyz: top.xyz, share: place.areaMm2 / total })),
  );
  return {
    coats: coats.map((coat, n) => {
      const all = whole[n] ?? coat;
      return coatLooks(coat, all, laidPlaces, () => laidOn(all, bare, colourants).looks);
    }),
    finished: {
      ...seenFromAfar(seen ?? bare.xyz),
      reflectance: mapBands((band) =>
        laidPlaces.reduce(
          (sum, { place, top }) => sum + (place.areaMm2 / total) * nth(top.reflectance, band),
          0,
        ),
      ),
    },
    places: laidPlaces.map(({ place: { ground: _ground, ...place }, laid, after, top }) => ({
      ...place,
      after: new Map(
        [...after].map(([coatId, below]) => [
          coatId,
          { here: laid.has(coatId), average: seenFromAfar(below.xyz) },
        ]),
      ),
      finished: seenFromAfar(top.xyz),
    })),
  };
}
