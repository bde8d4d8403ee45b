"use client";

import type { BatchedCoat } from "@/core/batch/batch-coat";
import type { Section } from "@/core/batch/sections";
import { cutOutRing } from "@/core/geometry/cut-out";
import type { Point } from "@/core/geometry/curves";
import { cutAtShare, pointAtShare } from "@/core/geometry/lanes";
import { outlineOf, type Outline } from "@/core/geometry/outline";
import type { Piece } from "@/core/geometry/piece";
import { boxOf } from "@/core/geometry/ring";
import { doorPoint } from "@/core/geometry/way-out";
import type { PlannedCoat } from "@/core/plan/timed";
import { sectionWords } from "@/core/pour/step-words";
import { wetEdge } from "@/core/schedule/wet-edge";
import { useSize } from "@/ui/use-size";
import { DoorMark } from "@/ui/door-mark";
import { useJob } from "../workspace/use-job";
import { WayOutWords } from "../workspace/way-out-words";

const HIGHEST_PX = 150;
const GAP_PX = 18;
/** Half the breadth of a section's number, with a little air. */
const TAG_PX = 16;
/** Shades by batch, so that neighbours differ in grey printing too. */
const SHADES = ["#dcd7ca", "#f3f0e8"];

const minutes = (value: number) => Math.round(value);

/** Where a large piece is cut into sections that meet wet, in which order, and how long each edge waits. */
export function SectionMap({
  planned,
  batchNumber,
  onBatch,
}: {
  planned: PlannedCoat & { batched: BatchedCoat };
  batchNumber: number;
  onBatch: (number: number) => void;
}) {
  const { document, system } = useJob();
  const { ref, width } = useSize<HTMLDivElement>();
  const { batched, life } = planned;
  const shown = document.pieces.flatMap((piece) =>
    batched.batches.some((batch) => batch.sections.some((section) => section.pieceId === piece.id))
      ? Array.from({ length: Math.min(piece.count, 6) }, (_, copy) => ({ piece, copy: copy + 1 }))
      : [],
  );
  const sizes = shown.map(({ piece }) => outlineOf(piece));
  const wide = sizes.reduce((sum, size) => sum + size.widthMm, 0);
  const scale = Math.min(
    HIGHEST_PX / Math.max(1, ...sizes.map((size) => size.heightMm)),
    Math.max(80, (width || 600) - GAP_PX * shown.length) / Math.max(1, wide),
  );
  const edge = wetEdge(batched, life, document.work.people);
  return (
    <div ref={ref} className="mt-5">
      <h3 className="heading border-b border-line pb-1 mb-3">Sections, in the order of work</h3>
      <div className="flex items-end flex-wrap" style={{ gap: GAP_PX }}>
        {shown.map(({ piece, copy }) => (
          <CutPiece
            key={`${piece.id}-${copy}`}
            piece={piece}
            copy={copy}
            scale={scale}
            batched={batched}
            batchNumber={batchNumber}
            onBatch={onBatch}
          />
        ))}
      </div>
      {shown.map(({ piece, copy }) => copy === 1 && <WayOutWords key={piece.id} piece={piece} />)}
      <ol className="text-sm mt-3">
        {batched.batches.map((batch) => (
          <li key={batch.number} className="flex gap-3 border-b border-line py-1">
            <button
              type="button"
              onClick={() => onBatch(batch.number)}
              className={`figure w-5 text-left ${batch.number === batchNumber ? "underline decoration-[3px] decoration-signal underline-offset-4" : ""}`}
              aria-label={`Show batch ${batch.number}`}
            >
              {batch.number}
            </button>
            <span className="flex-1">{sectionWords(batch.sections, system)}</span>
            <span className="text-ink-soft">
              {batch.cups
                .filter((cup) => cup.colourId !== "clear-reserve")
                .map((cup) => cup.name)
                .join(" → ")}
            </span>
          </li>
        ))}
      </ol>
      {edge && (
        <p className={`text-sm mt-2 border-l-[3px] pl-3 ${edge.safe ? "border-ink" : "border-danger"}`}>
          An edge waits {minutes(edge.waitsMin.likely)} min ({minutes(edge.waitsMin.low)} to{" "}
          {minutes(edge.waitsMin.high)}) to be met and {minutes(edge.workedOverMin.likely)} min (
          {minutes(edge.workedOverMin.low)} to {minutes(edge.workedOverMin.high)}) to be worked over; it stays
          wet <span className="figure">{minutes(edge.staysWetMin.likely)} min</span> (
          {minutes(edge.staysWetMin.low)} to {minutes(edge.staysWetMin.high)}).{" "}
          {edge.safe
            ? "They meet wet."
            : "At the wrong ends of both they meet too late: mix the next batch while this one is laid, with another pair of hands, or work cooler."}
        </p>
      )}
    </div>
  );
}

/** Which way the work goes over a cut. */
function WorkArrow({ piece, share, scale }: { piece: Piece; share: number; scale: number }) {
  const [from, to] = [pointAtShare(piece, share - 0.02), pointAtShare(piece, share + 0.02)];
  if (!from || !to) return null;
  const along = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const [dx, dy] = [(to.x - from.x) / along, (to.y - from.y) / along];
  const at = { x: ((from.x + to.x) / 2) * scale, y: ((from.y + to.y) / 2) * scale };
  const point = (forward: number, aside: number) =>
    `${at.x + dx * forward - dy * aside} ${at.y + dy * forward + dx * aside}`;
  return (
    <path
      d={`M${point(-16, 0)}L${point(16, 0)}M${point(9, -5)}L${point(16, 0)}L${point(9, 5)}`}
      stroke="var(--color-ink)"
      strokeWidth="1.3"
      fill="none"
    />
  );
}

/** Where the number of a section stands: in its middle, or beside what is cut out there. */
function clearPoint(piece: Piece, section: Section, outline: Outline, roomMm: number): Point | null {
  const places = [0.5, 0.35, 0.65, 0.2, 0.8].map((share) =>
    pointAtShare(piece, section.fromShare + (section.toShare - section.fromShare) * share),
  );
  const boxes = piece.cutOuts.map((cutOut) => boxOf(cutOutRing(cutOut, outline)));
  const inside = ({ x, y }: Point) =>
    boxes.some(
      (box) =>
        x > box.minX - roomMm && x < box.maxX + roomMm && y > box.minY - roomMm && y < box.maxY + roomMm,
    );
  return places.find((place) => place && !inside(place)) ?? places[0] ?? null;
}

/** One copy of a piece with its cuts; a section is picked by its number. */
function CutPiece({
  piece,
  copy,
  scale,
  batched,
  batchNumber,
  onBatch,
}: {
  piece: Piece;
  copy: number;
  scale: number;
  batched: BatchedCoat;
  batchNumber: number;
  onBatch: (number: number) => void;
}) {
  const outline = outlineOf(piece);
  const text = (ring: readonly Point[]) => ring.map(({ x, y }) => `${x * scale},${y * scale}`).join(" ");
  const sections = batched.batches.flatMap((batch) =>
    batch.sections
      .filter(
        (section) =>
          section.pieceId === piece.id && section.copy <= copy && copy < section.copy + section.copies,
      )
      .map((section) => ({ section, number: batch.number })),
  );
  const [width, height] = [outline.widthMm * scale, outline.heightMm * scale];
  const only = sections.length === 1 ? sections[0] : undefined;
  return (
    <figure>
      <svg width={width + 2} height={height + 2} role="group" aria-label={`Sections of ${piece.name}`}>
        <g transform="translate(1 1)">
          <polygon
            points={text(outline.corners)}
            fill={only ? SHADES[only.number % 2] : "var(--color-paper)"}
            stroke="var(--color-ink)"
            strokeWidth="1.2"
          />
          {piece.cutOuts.map((cutOut) => (
            <polygon
              key={cutOut.id}
              points={text(cutOutRing(cutOut, outline))}
              fill="var(--color-ground)"
              stroke="var(--color-ink)"
              strokeWidth="0.8"
            />
          ))}
          {(piece.doors ?? []).map((door) => {
            const at = doorPoint(piece, door);
            return at && <DoorMark key={door.id} x={at.x * scale} y={at.y * scale} />;
          })}
          {sections.slice(1).map(({ section, number }) => (
            <WorkArrow key={`way-${number}`} piece={piece} share={section.fromShare} scale={scale} />
          ))}
          {sections
            .slice(1)
            .flatMap(({ section, number }) =>
              cutAtShare(piece, section.fromShare).lines.map(([a, b], index) => (
                <line
                  key={`${number}-${index}`}
                  x1={a.x * scale}
                  y1={a.y * scale}
                  x2={b.x * scale}
                  y2={b.y * scale}
                  stroke="var(--color-ink)"
                  strokeWidth="1.6"
                  strokeDasharray="7 3"
                />
              )),
            )}
          {sections.map(({ section, number }) => {
            const middle = clearPoint(piece, section, outline, TAG_PX / scale);
            if (!middle) return null;
            return (
              <g
                key={number}
                onClick={() => onBatch(number)}
                className="cursor-pointer"
                transform={`translate(${middle.x * scale} ${middle.y * scale})`}
              >
                <rect
                  x="-13"
                  y="-12"
                  width="26"
                  height="24"
                  fill={number === batchNumber ? "var(--color-ink)" : "var(--color-ground)"}
                  stroke="var(--color-ink)"
                  strokeWidth="0.8"
                />
                <text
                  y="5"
                  textAnchor="middle"
                  fontSize="14"
                  className="figure"
                  fill={number === batchNumber ? "var(--color-paper)" : "var(--color-ink)"}
                >
                  {number}
                </text>
              </g>
            );
          })}
        </g>
      </svg>
      <figcaption className="label max-w-40 truncate mt-1">
        {piece.name}
        {copy > 1 ? ` ${copy}` : ""}
      </figcaption>
    </figure>
  );
}
