import { useId } from "react";

export type BandColour = {
  id: string;
  /** From the side of the light to the other: one stop for what does not shimmer. */
  swatch: readonly string[];
  share: number;
};
export type BandCoat = { id: string; filmMm: number; coverShare: number; colours: readonly BandColour[] };

type Box = { x: number; y: number; width: number; height: number };

/** Below this share of the area a coat is drawn as lines in the one under it. */
const LINES = 0.4;
const GROUND_PX = 7;

/** A colour, lit across where it shimmers. */
function Patch({ colour, box, id }: { colour: BandColour; box: Box; id: string }) {
  const shimmers = colour.swatch.length > 1;
  return (
    <g>
      {shimmers && (
        <linearGradient id={id} x1="0" x2="1" y1="0.2" y2="0">
          {colour.swatch.map((hex, stop) => (
            <stop key={stop} offset={stop / (colour.swatch.length - 1)} stopColor={hex} />
          ))}
        </linearGradient>
      )}
      <rect {...box} fill={shimmers ? `url(#${id})` : (colour.swatch[0] ?? "none")} />
    </g>
  );
}

/** Where each colour of each coat stands, from the ground upward. */
function layOut(coats: readonly BandCoat[], width: number, height: number) {
  const whole = coats.filter(({ coverShare }) => coverShare >= LINES);
  const sum = whole.reduce((total, { filmMm }) => total + Math.sqrt(filmMm), 0) || 1;
  const room = height - GROUND_PX;
  let bed: Box = { x: 0, y: room, width, height: GROUND_PX };
  return coats.flatMap((coat) => {
    const lines = coat.coverShare < LINES;
    const thick = (room * Math.sqrt(coat.filmMm)) / sum;
    if (!lines) bed = { x: 0, y: bed.y - thick, width, height: thick };
    const { y, height: tall } = bed;
    let from = 0;
    return coat.colours.map((colour, index) => {
      const x = from;
      from += colour.share * width;
      const box: Box = lines
        ? {
            x: (width * (index + 1)) / (coat.colours.length + 1),
            y,
            width: Math.max(2, colour.share * coat.coverShare * width),
            height: tall / 2,
          }
        : { x, y, width: colour.share * width + 0.5, height: tall + 0.5 };
      return { key: `${coat.id}-${colour.id}`, colour, box };
    });
  });
}

/**
 * Coats as bands over the ground, thick by the root of their film, their colours side by side by share.
 * Coats on a small part of the area, such as veins, stand as lines in the one below.
 */
export function CoatBands({
  coats,
  groundHex,
  width,
  height,
  label,
}: {
  coats: readonly BandCoat[];
  groundHex: string;
  width: number;
  height: number;
  label: string;
}) {
  const id = useId();
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={label}
      className="block max-w-full border border-ink"
    >
      <rect y={height - GROUND_PX} width={width} height={GROUND_PX} fill={groundHex} />
      {layOut(coats, width, height).map(({ key, colour, box }) => (
        <Patch key={key} colour={colour} box={box} id={`${id}-${key}`} />
      ))}
    </svg>
  );
}
