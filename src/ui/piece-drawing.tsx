"use client";

import { useId } from "react";
import { cutOutCentre, cutOutCorners, outlineOf, type Outline, type Point } from "@/core/geometry/outline";
import { EDGE_WORDS, EDGES_OF, edgeOf, type CutOut, type EdgeName, type Piece } from "@/core/geometry/piece";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";

type Props = {
  piece: Piece;
  system: UnitSystem;
  width: number;
  height: number;
  selectedEdge?: EdgeName | null;
  onSelectEdge?: (edge: EdgeName) => void;
  faultyIds?: readonly string[];
};

const TREATMENT_WORDS = { face: "face", wall: "against a wall", dam: "dammed", open: "open" };

/** Room around a piece for its dimension lines, px; an L is measured on all four sides. */
const ROOM = { left: 146, right: 78, top: 64, bottom: 84 };
const ROOM_L = { left: 146, right: 146, top: 84, bottom: 84 };

/** Half the breadth within which an edge is picked, px. */
const PICK_PX = 10;

/** A strip along a line: unlike a line it has an area, so that it can be pointed at and found by readers. */
function strip(from: Point, to: Point, half: number): string {
  const long = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const [nx, ny] = [((to.y - from.y) / long) * half, (-(to.x - from.x) / long) * half];
  return `M${from.x + nx} ${from.y + ny}L${to.x + nx} ${to.y + ny}L${to.x - nx} ${to.y - ny}L${from.x - nx} ${from.y - ny}Z`;
}

type Frame = { scale: number; at: (point: Point) => Point };

function frameOf(outline: Outline, width: number, height: number): Frame {
  const room = outline.kind === "polygon" && outline.sides.length > 4 ? ROOM_L : ROOM;
  const scale = Math.max(
    1e-6,
    Math.min(
      (width - room.left - room.right) / outline.widthMm,
      (height - room.top - room.bottom) / outline.heightMm,
    ),
  );
  const left = room.left + (width - room.left - room.right - outline.widthMm * scale) / 2;
  const top = room.top + (height - room.top - room.bottom - outline.heightMm * scale) / 2;
  return { scale, at: ({ x, y }) => ({ x: left + x * scale, y: top + y * scale }) };
}

/** A dimension line with serifs, its text in the person's units and the other system one step quieter. */
function Dimension({
  from,
  to,
  offset,
  mm,
  system,
  prefix = "",
}: {
  from: Point;
  to: Point;
  offset: number;
  mm: number;
  system: UnitSystem;
  prefix?: string;
}) {
  const along = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const normal = { x: (to.y - from.y) / along, y: -(to.x - from.x) / along };
  const shift = (point: Point, by: number) => ({ x: point.x + normal.x * by, y: point.y + normal.y * by });
  const [a, b] = [shift(from, offset), shift(to, offset)];
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const upright = Math.abs(normal.x) > 0.5;
  const outward = Math.sign(offset);
  const text = { x: middle.x + normal.x * outward * 10, y: middle.y + normal.y * outward * 10 };
  return (
    <g>
      <path
        d={
          [from, to]
            .map(
              (end) =>
                `M${shift(end, outward * 6).x} ${shift(end, outward * 6).y}L${shift(end, offset + outward * 5).x} ${shift(end, offset + outward * 5).y}`,
            )
            .join("") + `M${a.x} ${a.y}L${b.x} ${b.y}`
        }
        stroke="var(--color-ink-soft)"
        strokeWidth="0.8"
        fill="none"
      />
      <text
        x={text.x}
        y={text.y + (upright ? -2 : outward * normal.y > 0 ? 12 : -16)}
        textAnchor={upright ? (normal.x * outward < 0 ? "end" : "start") : "middle"}
        fill="var(--color-ink)"
        className="figure"
        fontSize="15"
      >
        {prefix}
        {quantityText(mm, "length", system)}
      </text>
      <text
        x={text.x}
        y={text.y + (upright ? 13 : outward * normal.y > 0 ? 26 : -2)}
        textAnchor={upright ? (normal.x * outward < 0 ? "end" : "start") : "middle"}
        fill="var(--color-ink-soft)"
        fontSize="12"
      >
        {quantityText(mm, "length", otherSystem(system))}
      </text>
    </g>
  );
}

/** What is drawn outside a straight edge: the face unfolded, the wall's hatching, the dam's strip, the open edge's drops. */
function EdgeBand({
  from,
  to,
  outward,
  treatment,
  depth,
  hatch,
}: {
  from: Point;
  to: Point;
  outward: Point;
  treatment: keyof typeof TREATMENT_WORDS;
  depth: number;
  hatch: string;
}) {
  const out = (point: Point, by: number) => `${point.x + outward.x * by} ${point.y + outward.y * by}`;
  if (treatment === "face" || (treatment === "dam" && depth > 0)) {
    return (
      <g>
        <path
          d={`M${out(from, 0)}L${out(to, 0)}L${out(to, depth)}L${out(from, depth)}Z`}
          fill="var(--color-shade)"
          stroke="var(--color-ink)"
          strokeWidth="0.8"
        />
        {treatment === "dam" && (
          <path
            d={`M${out(from, depth + 3)}L${out(to, depth + 3)}`}
            stroke="var(--color-ink)"
            strokeWidth="3.5"
            fill="none"
          />
        )}
      </g>
    );
  }
  if (treatment === "dam")
    return (
      <path d={`M${out(from, 3)}L${out(to, 3)}`} stroke="var(--color-ink)" strokeWidth="3.5" fill="none" />
    );
  if (treatment === "wall") {
    return (
      <path d={`M${out(from, 0)}L${out(to, 0)}L${out(to, 9)}L${out(from, 9)}Z`} fill={`url(#${hatch})`} />
    );
  }
  return (
    <path
      d={`M${out(from, 6)}L${out(to, 6)}`}
      stroke="var(--color-ink)"
      strokeWidth="2"
      strokeDasharray="0.1 7"
      strokeLinecap="round"
      fill="none"
    />
  );
}

/** A piece to scale from above, faces unfolded outwards, with its dimension lines. Edges can be picked. */
export function PieceDrawing({
  piece,
  system,
  width,
  height,
  selectedEdge,
  onSelectEdge,
  faultyIds = [],
}: Props) {
  const hatch = useId();
  const outline = outlineOf(piece.shape);
  if (!(outline.widthMm > 0) || !(outline.heightMm > 0)) {
    return (
      <div className="grid place-items-center text-ink-soft" style={{ width, height }}>
        Type its size and it is drawn here.
      </div>
    );
  }
  const frame = frameOf(outline, width, height);
  const { scale, at } = frame;
  const faceDepth = (name: EdgeName) => Math.max(5, Math.min(34, edgeOf(piece, name).heightMm * scale));
  const pick = (name: EdgeName) => ({
    role: "button",
    tabIndex: 0,
    "aria-label": `${EDGE_WORDS[name]}: ${TREATMENT_WORDS[edgeOf(piece, name).treatment]}`,
    "aria-pressed": selectedEdge === name,
    onClick: () => onSelectEdge?.(name),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      onSelectEdge?.(name);
    },
  });
  const area =
    outline.kind === "polygon"
      ? outline.corners.reduce(
          (sum, corner, index) =>
            sum +
            corner.x * (outline.corners[(index + 1) % outline.corners.length]?.y ?? 0) -
            (outline.corners[(index + 1) % outline.corners.length]?.x ?? 0) * corner.y,
          0,
        )
      : 0;
  const turn = Math.sign(area) || 1;

  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={`${piece.name}, drawn to scale`}
      className="block"
    >
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-ink)" strokeWidth="1.1" />
        </pattern>
      </defs>
      {outline.kind === "polygon" ? (
        <>
          {outline.sides.map((side) => {
            const outward = {
              x: (turn * (side.to.y - side.from.y)) / side.lengthMm,
              y: (-turn * (side.to.x - side.from.x)) / side.lengthMm,
            };
            return (
              <EdgeBand
                key={side.name}
                from={at(side.from)}
                to={at(side.to)}
                outward={outward}
                treatment={edgeOf(piece, side.name).treatment}
                depth={edgeOf(piece, side.name).heightMm > 0 ? faceDepth(side.name) : 0}
                hatch={hatch}
              />
            );
          })}
          <polygon
            points={outline.corners.map((corner) => `${at(corner).x},${at(corner).y}`).join(" ")}
            fill="var(--color-paper)"
            stroke="var(--color-ink)"
            strokeWidth="1.4"
          />
        </>
      ) : (
        <RoundPiece
          piece={piece}
          outline={outline}
          frame={frame}
          depth={edgeOf(piece, "rim").heightMm > 0 ? faceDepth("rim") : 0}
        />
      )}
      {piece.cutOuts.map((cutOut) => (
        <CutOutDrawing
          key={cutOut.id}
          cutOut={cutOut}
          outline={outline}
          frame={frame}
          faulty={faultyIds.includes(cutOut.id)}
        />
      ))}
      {onSelectEdge &&
        outline.kind === "polygon" &&
        outline.sides.map((side) => (
          <path
            key={side.name}
            {...pick(side.name)}
            d={strip(at(side.from), at(side.to), selectedEdge === side.name ? 2 : PICK_PX)}
            fill={selectedEdge === side.name ? "var(--color-signal)" : "transparent"}
            className="cursor-pointer"
          />
        ))}
      {onSelectEdge && outline.kind === "circle" && (
        <circle
          {...pick("rim")}
          cx={at(outline.centre).x}
          cy={at(outline.centre).y}
          r={outline.radiusMm * scale}
          fill="none"
          stroke={selectedEdge === "rim" ? "var(--color-signal)" : "transparent"}
          strokeWidth={selectedEdge === "rim" ? 4 : 18}
          className="cursor-pointer"
        />
      )}
      <Dimensions piece={piece} outline={outline} frame={frame} system={system} />
    </svg>
  );
}

function RoundPiece({
  piece,
  outline,
  frame,
  depth,
}: {
  piece: Piece;
  outline: Extract<Outline, { kind: "circle" }>;
  frame: Frame;
  depth: number;
}) {
  const centre = frame.at(outline.centre);
  const radius = outline.radiusMm * frame.scale;
  const { treatment } = edgeOf(piece, "rim");
  return (
    <g>
      {(treatment === "face" || treatment === "dam") && depth > 0 && (
        <circle
          cx={centre.x}
          cy={centre.y}
          r={radius + depth}
          fill="var(--color-shade)"
          stroke="var(--color-ink)"
          strokeWidth="0.8"
        />
      )}
      {treatment === "dam" && (
        <circle
          cx={centre.x}
          cy={centre.y}
          r={radius + depth + 3}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="3.5"
        />
      )}
      {treatment === "open" && (
        <circle
          cx={centre.x}
          cy={centre.y}
          r={radius + 6}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="2"
          strokeDasharray="0.1 7"
          strokeLinecap="round"
        />
      )}
      <circle
        cx={centre.x}
        cy={centre.y}
        r={radius}
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
        strokeWidth="1.4"
      />
    </g>
  );
}

function CutOutDrawing({
  cutOut,
  outline,
  frame,
  faulty,
}: {
  cutOut: CutOut;
  outline: Outline;
  frame: Frame;
  faulty: boolean;
}) {
  const centre = frame.at(cutOutCentre(cutOut, outline));
  const corners = cutOutCorners(cutOut, outline);
  const stroke = faulty ? "var(--color-danger)" : "var(--color-ink)";
  const common = { fill: "var(--color-ground)", stroke, strokeWidth: cutOut.innerFace ? 2.4 : 1.1 };
  return (
    <g>
      {corners ? (
        <polygon
          points={corners.map((corner) => `${frame.at(corner).x},${frame.at(corner).y}`).join(" ")}
          {...common}
        />
      ) : (
        <circle
          cx={centre.x}
          cy={centre.y}
          r={Math.max(0, cutOut.shape.kind === "round" ? (cutOut.shape.diameterMm / 2) * frame.scale : 0)}
          {...common}
        />
      )}
      <path
        d={`M${centre.x - 6} ${centre.y}h12M${centre.x} ${centre.y - 6}v12`}
        stroke={stroke}
        strokeWidth="0.8"
      />
      <text
        x={centre.x}
        y={centre.y + 20}
        textAnchor="middle"
        fontSize="12"
        fill={faulty ? "var(--color-danger)" : "var(--color-ink-soft)"}
      >
        {cutOut.name}
      </text>
    </g>
  );
}

function Dimensions({
  piece,
  outline,
  frame,
  system,
}: {
  piece: Piece;
  outline: Outline;
  frame: Frame;
  system: UnitSystem;
}) {
  const { at } = frame;
  const [wide, high] = [outline.widthMm, outline.heightMm];
  const across = (
    <Dimension
      from={at({ x: 0, y: high })}
      to={at({ x: wide, y: high })}
      offset={-46}
      mm={wide}
      system={system}
      prefix={piece.shape.kind === "round" ? "⌀ " : ""}
    />
  );
  if (piece.shape.kind === "round") return across;
  const down = (x: number, from: number, to: number, offset: number) => (
    <Dimension
      from={at({ x, y: from })}
      to={at({ x, y: to })}
      offset={offset}
      mm={to - from}
      system={system}
    />
  );
  if (piece.shape.kind !== "l-run") {
    return (
      <>
        {across}
        {down(0, 0, high, -46)}
      </>
    );
  }
  const { depthMm, returnDepthMm, returnLengthMm, turn, lengthMm } = piece.shape;
  const left = turn === "left";
  return (
    <>
      <Dimension
        from={at({ x: 0, y: 0 })}
        to={at({ x: wide, y: 0 })}
        offset={22}
        mm={lengthMm}
        system={system}
      />
      {left ? down(0, 0, returnLengthMm, -46) : down(wide, 0, returnLengthMm, 46)}
      {left ? down(wide, 0, depthMm, 46) : down(0, 0, depthMm, -46)}
      <Dimension
        from={at({ x: left ? 0 : wide - returnDepthMm, y: returnLengthMm })}
        to={at({ x: left ? returnDepthMm : wide, y: returnLengthMm })}
        offset={-46}
        mm={returnDepthMm}
        system={system}
      />
    </>
  );
}

/** A piece as a small silhouette, at a scale shared by all pieces of a job. */
export function PieceSilhouette({ piece, pxPerMm }: { piece: Piece; pxPerMm: number }) {
  const outline = outlineOf(piece.shape);
  const [width, height] = [Math.max(2, outline.widthMm * pxPerMm), Math.max(2, outline.heightMm * pxPerMm)];
  return (
    <svg width={width + 2} height={height + 2} aria-hidden className="block">
      <g
        transform={`translate(1 1) scale(${pxPerMm})`}
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
        strokeWidth={1 / pxPerMm}
      >
        {outline.kind === "polygon" ? (
          <polygon points={outline.corners.map((corner) => `${corner.x},${corner.y}`).join(" ")} />
        ) : (
          <circle cx={outline.radiusMm} cy={outline.radiusMm} r={outline.radiusMm} />
        )}
        {piece.cutOuts.map((cutOut) => {
          const centre = cutOutCentre(cutOut, outline);
          return cutOut.shape.kind === "round" ? (
            <circle
              key={cutOut.id}
              cx={centre.x}
              cy={centre.y}
              r={cutOut.shape.diameterMm / 2}
              fill="var(--color-ground)"
            />
          ) : (
            <rect
              key={cutOut.id}
              x={centre.x - cutOut.shape.lengthMm / 2}
              y={centre.y - cutOut.shape.depthMm / 2}
              width={cutOut.shape.lengthMm}
              height={cutOut.shape.depthMm}
              fill="var(--color-ground)"
            />
          );
        })}
      </g>
    </svg>
  );
}

export const edgeNamesOf = (piece: Piece) => EDGES_OF[piece.shape.kind];
