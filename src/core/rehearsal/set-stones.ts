import { EMBEDS, setCount, type SetRoom, type SetSingly } from "../batch/embeds";
import type { Point } from "../geometry/curves";
import type { Measured } from "../geometry/measure";
import { boxOf, placeIn, type Ring } from "../geometry/ring";
import { surfaceOf } from "../geometry/zones/regions";
import type { RehearsedStones } from "../pattern/passes/rehearsal";
import { setRoomOf } from "../plan/set-room";
import { areaOf, between, sourceOf, spread, type Random } from "../pattern/placing/random";
import { coversZone, type Coat } from "../schedule/coat";

/** More than these are not drawn on one piece. */
const MOST_DRAWN = 3000;
/** They are as unlike in size as this, to either side, and lie off their line by so much of their size. */
const UNLIKE = 0.3;
const OFF_LINE = 0.35;
/** So many places are tried for each that is wanted, by the part of its box that a field takes; no more than these in all. */
const SPARE = 1.15;
const MOST_TRIED = 60_000;

/** Lines within an odd number of which a place lies, and the area that they enclose, m². */
type Field = { rings: readonly Ring[]; areaM2: number };
/** Where stones are set on ONE of a piece. */
type Places = { fields: Field[]; lines: Point[][]; room: SetRoom };

function placesOn(coat: Coat, { zoneIds }: SetSingly, piece: Measured): Places {
  const zones = piece.zones.filter(
    ({ id }) => coversZone(coat, piece.id, id) && (zoneIds?.includes(id) ?? true),
  );
  const borders = piece.borders.filter(({ zoneIds: both }) =>
    both.some((id) => zones.some((zone) => zone.id === id)),
  );
  const surface = surfaceOf(piece.piece);
  const whole = [surface.ring, ...surface.openings.map(({ ring }) => ring)];
  const fields: Field[] =
    piece.zones.length > 0
      ? zones.map(({ rings, topAreaMm2 }) => ({ rings, areaM2: topAreaMm2 / 1e6 }))
      : [{ rings: whole, areaM2: piece.topAreaMm2 / 1e6 }];
  const areaM2 = fields.reduce((sum, field) => sum + field.areaM2, 0);
  return {
    fields,
    lines: borders.flatMap(({ lines }) => lines),
    room: setRoomOf(coat, [{ ...piece, count: 1, zones }], areaM2),
  };
}

/** So many places spread over a field, evenly but not in rows; of one with two sides those that are seen. */
function within({ rings, areaM2 }: Field, many: number, random: Random): Point[] {
  if (many === 0 || !(areaM2 > 0)) return [];
  const box = boxOf(rings.flat());
  const inBox = Math.ceil((SPARE * many * areaOf(box)) / 1e6 / areaM2);
  return spread(box, Math.min(MOST_TRIED, inBox), random)
    .filter((place) => rings.filter((ring) => placeIn(place, ring) > 0).length % 2 === 1)
    .slice(0, many);
}

/** So many places along lines, each a little off it and off its turn. */
function along(lines: readonly Point[][], many: number, offMm: number, random: Random): Point[] {
  const sides = lines.flatMap((line) =>
    line.slice(1).map((to, n) => {
      const from = line[n] as Point;
      return { from, to, long: Math.hypot(to.x - from.x, to.y - from.y) };
    }),
  );
  const total = sides.reduce((sum, { long }) => sum + long, 0);
  const places: Point[] = [];
  let [at, walked] = [0, 0];
  for (let n = 0; n < many && total > 0; n += 1) {
    const wanted = ((n + between(random, 0.25, 0.75)) * total) / many;
    while (at < sides.length - 1 && walked + (sides[at]?.long ?? 0) < wanted) {
      walked += sides[at]?.long ?? 0;
      at += 1;
    }
    const side = sides[at];
    if (!side || side.long === 0) continue;
    const share = Math.min(1, (wanted - walked) / side.long);
    const off = between(random, -offMm, offMm);
    const [ux, uy] = [(side.to.x - side.from.x) / side.long, (side.to.y - side.from.y) / side.long];
    places.push({
      x: side.from.x + share * (side.to.x - side.from.x) - off * uy,
      y: side.from.y + share * (side.to.y - side.from.y) + off * ux,
    });
  }
  return places;
}

/**
 * The stones of a coat that are set one by one on a piece, as they may come to lie. Those told by their number over several pieces are shared by
 * area.
 * @param colourOf the place in the palette of a colour that stones of a kind have
 */
export function setStones(
  coat: Coat,
  piece: Measured,
  pieces: readonly Measured[],
  seed: number,
  colourOf: (name: string, hex: string) => number,
): { stones?: RehearsedStones[] } {
  const stones = (coat.embeds ?? []).flatMap((embed, n): RehearsedStones[] => {
    const { single } = embed;
    if (!single) return [];
    const here = placesOn(coat, single, piece);
    const allM2 = pieces.reduce(
      (sum, other) => sum + other.count * placesOn(coat, single, other).room.areaM2,
      0,
    );
    const share = single.many.by === "number" && allM2 > 0 ? here.room.areaM2 / allM2 : 1;
    const many = Math.min(MOST_DRAWN, Math.round(setCount(single, here.room) * share));
    const random = sourceOf(seed, 83 + n);
    const places =
      single.many.by === "line"
        ? along(here.lines, many, OFF_LINE * single.sizeMm, random)
        : here.fields.flatMap((field) =>
            within(field, Math.round((many * field.areaM2) / here.room.areaM2), random),
          );
    if (places.length === 0) return [];
    return [
      {
        at: colourOf(embed.name, EMBEDS[embed.kind].hex),
        places: places.map(({ x, y }) => ({
          x,
          y,
          radiusMm: (single.sizeMm / 2) * between(random, 1 - UNLIKE, 1 + UNLIKE),
        })),
      },
    ];
  });
  return stones.length > 0 ? { stones } : {};
}
