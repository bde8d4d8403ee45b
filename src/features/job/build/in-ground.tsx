import { liesOnTop, type Coat } from "@/core/schedule/coat";

/** Where a coat lies that fills or seals the ground rather than lying on it, and where its name points. */
export type GroundPlace = { coat: Coat; x: number; y: number; path: string; filled: boolean };

type Ground = { left: number; right: number; top: number; bottom: number };

/** Gap between the left edge and a knot, and between a knot and the channel, px. */
const GAP = 26;
const KNOT = { wide: 44, deep: 30 };

/**
 * Knots, a channel with its layers, and sealed edges, drawn into the ground. Depths are not to the films' scale:
 * a channel is shown full as far as the shares of its layers fill it.
 */
export function placesInGround(coats: readonly Coat[], ground: Ground): GroundPlace[] {
  const fills = coats.filter((coat) => coat.kind === "fill");
  const knots = coats.filter((coat) => coat.kind === "prefill");
  const from = ground.left + GAP + (knots.length > 0 ? KNOT.wide + GAP : 0);
  const wide = Math.min(230, (ground.right - from) * 0.62);
  const deep = (ground.bottom - ground.top) * 0.62;
  const whole = Math.max(
    1,
    fills.reduce((sum, coat) => sum + coat.coverShare, 0),
  );
  /** Both banks at a depth, 0 at the top to 1 at the bottom: they lean and swell a little, as a live edge does. */
  const bank = (share: number) => ({
    y: ground.top + share * deep,
    near: from + 12 * share + 5 * Math.sin(share * 5),
    far: from + wide - 16 * share + 6 * Math.sin(share * 4 + 1),
  });
  const steps = Array.from({ length: 13 }, (_, index) => index / 12);
  const layer = (upper: number, lower: number) => {
    const shares = steps.map((step) => upper + (lower - upper) * step);
    const down = shares.map((share) => `${bank(share).near} ${bank(share).y}`);
    const up = [...shares].reverse().map((share) => `${bank(share).far} ${bank(share).y}`);
    return `M${[...down, ...up].join("L")}Z`;
  };
  let level = 1;
  return coats
    .filter((coat) => !liesOnTop(coat))
    .map((coat) => {
      if (coat.kind === "prefill") {
        const x = ground.left + GAP;
        const path = `M${x} ${ground.top}c2 ${KNOT.deep} ${KNOT.wide * 0.3} ${KNOT.deep + 8} ${KNOT.wide * 0.55} ${KNOT.deep}s${KNOT.wide * 0.4} -12 ${KNOT.wide * 0.45} ${-KNOT.deep}z`;
        return { coat, x: x + 6, y: ground.top + KNOT.deep * 0.5, path, filled: true };
      }
      if (coat.kind === "fill") {
        const upper = level - coat.coverShare / whole;
        const path = layer(upper, level);
        const middle = (upper + level) / 2;
        level = upper;
        return { coat, x: bank(middle).near, y: bank(middle).y, path, filled: true };
      }
      if (fills.length > 0) {
        const wall = steps.map((share) => `${bank(share).near} ${bank(share).y}`);
        const other = steps.map((share) => `${bank(share).far} ${bank(share).y}`);
        const path = `M${wall.join("L")}M${other.join("L")}`;
        return { coat, x: bank(0.12).near, y: bank(0.12).y, path, filled: false };
      }
      const y = ground.bottom - 34;
      return {
        coat,
        x: ground.right,
        y,
        path: `M${ground.right} ${ground.top + 9}V${ground.bottom}`,
        filled: false,
      };
    });
}

/** One of them: a body of its colour, or a line along the edges. */
export function InGround({ place, textureId }: { place: GroundPlace; textureId: string }) {
  const { coat, path, filled } = place;
  const colour = coat.colours[0];
  if (!filled)
    return (
      <path d={path} fill="none" stroke={colour?.hex ?? "#f3f0e9"} strokeWidth="4" strokeLinejoin="round" />
    );
  return (
    <g>
      <path d={path} fill={colour?.hex ?? "#f3f0e9"} />
      <path d={path} fill={`url(#${textureId}-${colour?.look ?? "clear"})`} stroke="var(--color-ink)" />
    </g>
  );
}
