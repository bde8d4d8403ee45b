"use client";

import { cutAtShare, pointAtShare, stretchBoxes } from "@/core/geometry/lanes";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import { edgeWords } from "@/core/geometry/piece";
import { zoneMapOf } from "@/core/geometry/zones/zone-map";
import type { ActPiece, ActStretch } from "@/core/pour/act-picture";
import { ribbonRing } from "@/core/veins/vein-map";
import type { PictureFrame } from "@/pictures/picture-frame";

const NOW = "var(--color-signal-night)";
const INK = "var(--color-night-ink)";
/** What is not worked now lies in the dark, what is to come deeper than what is done. */
const DARK: Record<ActStretch["state"], number> = { now: 0, done: 0.45, later: 0.72 };

/** A seam is seen on any picture: a light dash on a dark band. */
const SEAM_STROKES = [
  { stroke: "var(--color-night)", strokeWidth: 9 },
  { stroke: NOW, strokeWidth: 4, strokeDasharray: "12 7" },
];

type Placed = { at: PictureFrame["at"] };
const path = (points: readonly Point[], { at }: Placed, close = true) =>
  points.length === 0
    ? ""
    : `M${points
        .map((point) => {
          const { x, y } = at(point);
          return `${x.toFixed(1)} ${y.toFixed(1)}`;
        })
        .join("L")}${close ? "Z" : ""}`;

/** Where on its piece an act is done, over its picture. */
export function ActOverlay({
  here,
  frame,
  width,
  plain,
  vein,
  clipId,
}: {
  here: ActPiece;
  frame: PictureFrame;
  width: number;
  /** The colour of a piece without a picture; null where one lies below. */
  plain: string | null;
  /** The vein that is laid. */
  vein: string | null;
  clipId: string;
}) {
  const { piece, stretches, edges, zoneIds, seams, veins } = here;
  const isWall = piece.piece.shape.kind === "tumbler";
  // The fan of a wall is drawn as it stands in the picture; what lies on the wall is bent onto it.
  const flat: Placed = isWall
    ? { at: ({ x, y }) => ({ x: x * frame.pxPerMm, y: y * frame.pxPerMm }) }
    : frame;
  const holes = piece.piece.cutOuts.map((cutOut) => path(cutOutRing(cutOut, piece.outline), flat));
  const outline = `${path(piece.outline.corners, flat)}${holes.join("")}`;
  const map = zoneIds.length > 0 || seams !== null ? zoneMapOf(piece.piece) : null;
  return (
    <svg width={width} className="absolute inset-0 overflow-visible h-full" aria-hidden>
      <defs>
        <clipPath id={clipId}>
          <path d={outline} clipRule="evenodd" />
        </clipPath>
      </defs>
      {plain !== null && <path d={outline} fillRule="evenodd" fill={plain} />}
      <g clipPath={`url(#${clipId})`}>
        {stretches.map((stretch) => (
          <Shade key={stretch.number} stretch={stretch} here={here} frame={frame} />
        ))}
        {map?.zones
          .filter(({ zone }) => zoneIds.length > 0 && !zoneIds.includes(zone.id))
          .map(({ zone, rings }) => (
            <path
              key={zone.id}
              d={rings.map((ring) => path(ring, frame)).join("")}
              fillRule="evenodd"
              fill="var(--color-night)"
              fillOpacity={DARK.later}
            />
          ))}
      </g>
      <path d={outline} fill="none" stroke={INK} strokeOpacity="0.55" strokeWidth="1.5" />
      {map?.zones
        .filter(({ zone }) => zoneIds.includes(zone.id))
        .map(({ zone, rings }) => (
          <path
            key={zone.id}
            d={rings.map((ring) => path(ring, frame)).join("")}
            fill="none"
            stroke={NOW}
            strokeWidth="3"
          />
        ))}
      {SEAM_STROKES.map((stroke) => (
        <g key={stroke.stroke} fill="none" {...stroke}>
          {seams?.map((share) => (
            <CutLines key={share} share={share} here={here} frame={frame} />
          ))}
          {seams &&
            map?.zones.map(({ zone, rings }) => (
              <path key={zone.id} d={rings.map((ring) => path(ring, frame)).join("")} />
            ))}
        </g>
      ))}
      {stretches.map((stretch) => (
        <StretchMark key={stretch.number} stretch={stretch} here={here} frame={frame} />
      ))}
      {!isWall && edges.length > 0 && <EdgeMarks here={here} frame={frame} />}
      {veins.map(({ veinId, hex, stretches: runs }) => {
        const isNow = veinId === vein;
        return (
          <g key={veinId}>
            {runs.map((run, n) => (
              <path
                key={n}
                d={path(ribbonRing(run.line), frame)}
                fill={isNow ? NOW : hex}
                fillOpacity={isNow ? 1 : 0.28}
                stroke={isNow ? NOW : "none"}
                strokeWidth="2.5"
              />
            ))}
            {isNow &&
              runs
                .filter(({ kind }) => kind === "main")
                .flatMap(({ enters, leaves }) => [enters, leaves])
                .map((end, n) => {
                  if (!end) return null;
                  const { x, y } = frame.at(end.point);
                  return (
                    <circle
                      key={n}
                      cx={x}
                      cy={y}
                      r="9"
                      fill="var(--color-night)"
                      stroke={NOW}
                      strokeWidth="4"
                    />
                  );
                })}
          </g>
        );
      })}
    </svg>
  );
}

/** Where a piece is cut at a share of its area. */
function CutLines({ share, here, frame }: { share: number; here: ActPiece; frame: PictureFrame }) {
  return cutAtShare(here.piece.piece, share).lines.map(([a, b], n) => {
    const [from, to] = [frame.at(a), frame.at(b)];
    return <path key={n} d={`M${from.x} ${from.y}L${to.x} ${to.y}`} />;
  });
}

type OfStretch = { stretch: ActStretch; here: ActPiece; frame: PictureFrame };

/** A stretch that is not worked now, in the dark. */
function Shade({ stretch: { fromShare, toShare, state }, here: { piece }, frame }: OfStretch) {
  if (state === "now") return null;
  const along = (share: number) => cutAtShare(piece.piece, share).alongMm;
  return stretchBoxes(piece.piece, along(fromShare), along(toShare)).map((box, n) => {
    const from = frame.at({ x: box.minX, y: box.minY });
    const to = frame.at({ x: box.maxX, y: box.maxY });
    return (
      <rect
        key={n}
        x={from.x}
        y={from.y}
        width={to.x - from.x}
        height={to.y - from.y}
        fill="var(--color-night)"
        fillOpacity={DARK[state]}
      />
    );
  });
}

/** The number of a stretch and where the next one begins. */
function StretchMark({ stretch: { number, fromShare, toShare, state }, here, frame }: OfStretch) {
  const { piece } = here;
  const middle = pointAtShare(piece.piece, (fromShare + toShare) / 2);
  const place = middle && frame.at(middle);
  const isNow = state === "now";
  return (
    <g>
      {fromShare > 0 && (
        <g stroke={INK} strokeWidth="2.5" strokeDasharray="9 5">
          <CutLines share={fromShare} here={here} frame={frame} />
        </g>
      )}
      {place && (
        <g transform={`translate(${place.x} ${place.y})`}>
          <circle
            r={isNow ? 26 : 18}
            fill={isNow ? NOW : "var(--color-night)"}
            stroke={isNow ? "none" : INK}
          />
          <text
            textAnchor="middle"
            y={isNow ? 10 : 7}
            fontSize={isNow ? 28 : 19}
            className="figure"
            fill={isNow ? "var(--color-night)" : INK}
          >
            {state === "done" ? "✓" : number}
          </text>
        </g>
      )}
    </g>
  );
}

/** Edges as a hand goes around them, numbered; the corners between two of them, outside then inside, come first. */
function EdgeMarks({ here: { piece, edges }, frame }: { here: ActPiece; frame: PictureFrame }) {
  const sides = piece.outline.sides.filter(({ name }) => edges.includes(name));
  const ends = new Map<string, { place: Point; many: number }>();
  const single = piece.outline.sides.length === 1;
  for (const { path: line } of single ? [] : sides)
    for (const point of [line[0], line.at(-1)]) {
      if (!point) continue;
      const key = `${Math.round(point.x)} ${Math.round(point.y)}`;
      ends.set(key, { place: frame.at(point), many: (ends.get(key)?.many ?? 0) + 1 });
    }
  return (
    <g>
      {sides.map(({ name, path: line }, n) => {
        const middle = frame.at(line[Math.floor(line.length / 2)] ?? { x: 0, y: 0 });
        const first = line[0];
        const last = line.at(-1);
        const place =
          line.length === 2 && first && last
            ? frame.at({ x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 })
            : middle;
        return (
          <g key={name}>
            <path d={path(line, frame, false)} fill="none" stroke={NOW} strokeWidth="7" strokeLinecap="round">
              <title>{edgeWords(name)}</title>
            </path>
            {sides.length > 1 && (
              <g transform={`translate(${place.x} ${place.y})`}>
                <circle r="15" fill="var(--color-night)" stroke={NOW} strokeWidth="3" />
                <text textAnchor="middle" y="7" fontSize="18" className="figure" fill={INK}>
                  {n + 1}
                </text>
              </g>
            )}
          </g>
        );
      })}
      {[...ends.values()]
        .filter(({ many }) => many > 1)
        .map(({ place }, n) => (
          <circle
            key={n}
            cx={place.x}
            cy={place.y}
            r="9"
            fill={NOW}
            stroke="var(--color-night)"
            strokeWidth="3"
          />
        ))}
    </g>
  );
}
