import { FLATNESS_MM, type Point } from "./curves";
import type { Shape } from "./piece";

export type Tumbler = Extract<Shape, { kind: "tumbler" }>;

/** A cone's wall unrolled flat: a sector of a ring, or a rectangle when the wall is straight. */
export type UnrolledWall = {
  slantMm: number;
  /** Radii of the sector, of the narrow and of the wide end; null for a straight wall. */
  innerMm: number | null;
  outerMm: number | null;
  /** Opening angle of the sector, rad; 0 for a straight wall. */
  angle: number;
  areaMm2: number;
};

/** Wall of a frustum between two diameters: π·(r1 + r2)·s, s = √(h² + (r1 − r2)²). */
export function unrolledWall(topMm: number, bottomMm: number, heightMm: number): UnrolledWall {
  const [r1, r2] = [topMm / 2, bottomMm / 2];
  const slantMm = Math.hypot(heightMm, r1 - r2);
  const areaMm2 = Math.PI * (r1 + r2) * slantMm;
  const [wide, narrow] = [Math.max(r1, r2), Math.min(r1, r2)];
  if (wide - narrow < 1e-9 * wide) return { slantMm, innerMm: null, outerMm: null, angle: 0, areaMm2 };
  const outerMm = (slantMm * wide) / (wide - narrow);
  return { slantMm, innerMm: outerMm - slantMm, outerMm, angle: (2 * Math.PI * wide) / outerMm, areaMm2 };
}

/** A tumbler's wall as it is worked: once around at its middle, and up along the slant, mm. */
export function wallSize({ topDiameterMm, bottomDiameterMm, heightMm }: Tumbler): {
  aroundMm: number;
  slantMm: number;
} {
  return {
    aroundMm: (Math.PI * (topDiameterMm + bottomDiameterMm)) / 2,
    slantMm: unrolledWall(topDiameterMm, bottomDiameterMm, heightMm).slantMm,
  };
}

/** Diameter of the wall at a distance along the slant from the base. */
export function diameterAlong(tumbler: Tumbler, slantMm: number): number {
  const whole = unrolledWall(tumbler.topDiameterMm, tumbler.bottomDiameterMm, tumbler.heightMm).slantMm;
  return tumbler.bottomDiameterMm + ((tumbler.topDiameterMm - tumbler.bottomDiameterMm) * slantMm) / whole;
}

/** What is coated of a tumbler, and the parts it was made of. The patch lies flat on the unrolled wall. */
export function tumblerAreas(tumbler: Tumbler) {
  const wall = unrolledWall(tumbler.topDiameterMm, tumbler.bottomDiameterMm, tumbler.heightMm);
  const below = diameterAlong(tumbler, wall.slantMm - tumbler.rimBandMm);
  const bandMm2 = Math.PI * (tumbler.topDiameterMm / 2 + below / 2) * tumbler.rimBandMm;
  const baseMm2 = tumbler.base ? (Math.PI * tumbler.bottomDiameterMm ** 2) / 4 : 0;
  const patchMm2 = tumbler.patch ? tumbler.patch.widthMm * tumbler.patch.heightMm : 0;
  return { wall, bandMm2, baseMm2, patchMm2, coatedMm2: wall.areaMm2 - bandMm2 + baseMm2 - patchMm2 };
}

/** A point of the unrolled wall: `around` as a share of the full turn from the middle (−0.5…0.5), `up` along the slant from the base. */
export function onUnrolled(tumbler: Tumbler, around: number, up: number): Point {
  const wall = unrolledWall(tumbler.topDiameterMm, tumbler.bottomDiameterMm, tumbler.heightMm);
  if (wall.outerMm === null) return { x: around * Math.PI * tumbler.topDiameterMm, y: -up };
  const widerAtTop = tumbler.topDiameterMm > tumbler.bottomDiameterMm;
  const radius = widerAtTop ? (wall.innerMm as number) + up : wall.outerMm - up;
  const angle = around * wall.angle;
  // The wide end is drawn on the side away from the apex.
  return widerAtTop
    ? { x: radius * Math.sin(angle), y: -radius * Math.cos(angle) }
    : { x: radius * Math.sin(angle), y: radius * Math.cos(angle) };
}

/** Where a place of the unrolled wall lies on the wall: the other way round to `onUnrolled`. */
export function fromUnrolled(tumbler: Tumbler, { x, y }: Point): { around: number; up: number } {
  const wall = unrolledWall(tumbler.topDiameterMm, tumbler.bottomDiameterMm, tumbler.heightMm);
  if (wall.outerMm === null) return { around: x / (Math.PI * tumbler.topDiameterMm), up: -y };
  const widerAtTop = tumbler.topDiameterMm > tumbler.bottomDiameterMm;
  const radius = Math.hypot(x, y);
  const angle = Math.atan2(x, widerAtTop ? -y : y);
  return {
    around: angle / wall.angle,
    up: widerAtTop ? radius - (wall.innerMm as number) : wall.outerMm - radius,
  };
}

/** A band of the unrolled wall as a ring, between two heights along the slant and two shares of the turn. */
export function unrolledBand(
  tumbler: Tumbler,
  [fromUp, toUp]: [number, number],
  [fromAround, toAround]: [number, number] = [-0.5, 0.5],
): Point[] {
  const largest = Math.max(tumbler.topDiameterMm, tumbler.bottomDiameterMm) * 4;
  const steps = Math.max(8, Math.min(400, Math.ceil(Math.PI / Math.acos(1 - FLATNESS_MM / largest))));
  const along = (up: number, from: number, to: number) =>
    Array.from({ length: steps + 1 }, (_, index) =>
      onUnrolled(tumbler, from + ((to - from) * index) / steps, up),
    );
  return [...along(toUp, fromAround, toAround), ...along(fromUp, toAround, fromAround)];
}

/** What of the unrolled wall stays bare, as rings: the band at the drinking rim, and the patch for the decal, as wide as it is at its middle. */
export function bareOnWall(tumbler: Tumbler): { rim: Point[] | null; patch: Point[] | null } {
  const { rimBandMm, patch } = tumbler;
  const { slantMm } = wallSize(tumbler);
  const half =
    patch && patch.widthMm / (2 * Math.PI * diameterAlong(tumbler, patch.fromBottomMm + patch.heightMm / 2));
  return {
    rim: rimBandMm > 0 ? unrolledBand(tumbler, [slantMm - rimBandMm, slantMm]) : null,
    patch:
      patch && half
        ? unrolledBand(tumbler, [patch.fromBottomMm, patch.fromBottomMm + patch.heightMm], [-half, half])
        : null,
  };
}

/** What stays bare of the wall laid flat as a rectangle, once around its middle wide, the rim at the top. The patch lies in the middle of the turn. */
export function bareOnFlatWall(tumbler: Tumbler): { id: string; ring: Point[] }[] {
  const { rimBandMm, patch } = tumbler;
  const { aroundMm, slantMm } = wallSize(tumbler);
  const box = (fromX: number, toX: number, fromY: number, toY: number): Point[] => [
    { x: fromX, y: fromY },
    { x: toX, y: fromY },
    { x: toX, y: toY },
    { x: fromX, y: toY },
  ];
  // As wide on the flat wall as it takes of the turn where it sits.
  const middle = patch && slantMm - patch.fromBottomMm - patch.heightMm / 2;
  const wide =
    patch && (patch.widthMm * aroundMm) / (Math.PI * diameterAlong(tumbler, slantMm - (middle ?? 0)));
  return [
    ...(rimBandMm > 0 ? [{ id: "rim-band", ring: box(0, aroundMm, 0, rimBandMm) }] : []),
    ...(patch && wide
      ? [
          {
            id: "patch",
            ring: box(
              (aroundMm - wide) / 2,
              (aroundMm + wide) / 2,
              slantMm - patch.fromBottomMm - patch.heightMm,
              slantMm - patch.fromBottomMm,
            ),
          },
        ]
      : []),
  ];
}
