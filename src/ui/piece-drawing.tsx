"use client";

import { useId } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutCentre, cutOutCorners, outlineOf, type Outline } from "@/core/geometry/outline";
import { EDGE_WORDS, EDGES_OF, edgeOf, type CutOut, type EdgeName, type Piece } from "@/core/geometry/piece";
import type { UnitSystem } from "@/core/units/dimension";
import { DimensionLines, type Frame } from "./dimension-lines";
import { CurvedPiece, EdgeBand, pointsText } from "./edge-drawing";

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
  const area = outline.corners.reduce((sum, corner, index) => {
    const next = outline.corners[(index + 1) % outline.corners.length] as Point;
    return sum + corner.x * next.y - next.x * corner.y;
  }, 0);
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
            points={pointsText(outline.corners, frame)}
            fill="var(--color-paper)"
            stroke="var(--color-ink)"
            strokeWidth="1.4"
          />
        </>
      ) : (
        <CurvedPiece
          piece={piece}
          corners={outline.corners}
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
      {onSelectEdge && outline.kind === "curve" && (
        <polygon
          {...pick("rim")}
          points={pointsText(outline.corners, frame)}
          fill="none"
          pointerEvents="stroke"
          stroke={selectedEdge === "rim" ? "var(--color-signal)" : "transparent"}
          strokeWidth={selectedEdge === "rim" ? 4 : 2 * PICK_PX}
          className="cursor-pointer"
        />
      )}
      <DimensionLines piece={piece} outline={outline} frame={frame} system={system} />
    </svg>
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
        <polygon points={outline.corners.map((corner) => `${corner.x},${corner.y}`).join(" ")} />
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
