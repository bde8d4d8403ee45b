"use client";

import { memo, useId, type ReactNode } from "react";
import type { Point } from "@/core/geometry/curves";
import { cutOutCentre, cutOutRing } from "@/core/geometry/cut-out";
import { outlineOf, type Outline } from "@/core/geometry/outline";
import { edgeOf, type CutOut, type Piece } from "@/core/geometry/piece";
import { ringTurn } from "@/core/geometry/ring";
import type { UnitSystem } from "@/core/units/dimension";
import { DimensionLines, type Frame } from "./dimension-lines";
import { zoneMapOf } from "@/core/geometry/zones/zone-map";
import { doorPoint } from "@/core/geometry/way-out";
import { DoorMark } from "./door-mark";
import { EdgeBand, pointsText } from "./edge-drawing";
import { ringsPath } from "./line-path";
import { PieceInside } from "./piece-inside";
import { surfaceFrame, ZoneDrawing } from "./zone-drawing";

/** Room around a piece for its dimension lines, px; one with sizes on all sides wants it on all. */
const ROOM = { left: 160, right: 78, top: 64, bottom: 84 };
const ROOM_ALL = { left: 160, right: 160, top: 84, bottom: 84 };

const ALL_ROUND = new Set<Piece["shape"]["kind"]>(["l-run", "u-run", "free", "floor"]);

/** Millimetres of a piece on a stage of a size, in the middle and as large as its dimension lines let it be. */
export function frameOf(piece: Piece, width: number, height: number): Frame {
  const { widthMm, heightMm } = outlineOf(piece);
  const room = ALL_ROUND.has(piece.shape.kind) ? ROOM_ALL : ROOM;
  const scale = Math.max(
    1e-6,
    Math.min((width - room.left - room.right) / widthMm, (height - room.top - room.bottom) / heightMm),
  );
  const left = room.left + (width - room.left - room.right - widthMm * scale) / 2;
  const top = room.top + (height - room.top - room.bottom - heightMm * scale) / 2;
  return { scale, at: ({ x, y }) => ({ x: left + x * scale, y: top + y * scale }) };
}

/** How deep a face is drawn, px: to scale within limits that can be seen. */
const faceDepth = (heightMm: number, scale: number) =>
  heightMm > 0 ? Math.max(5, Math.min(34, heightMm * scale)) : 0;

type Props = {
  piece: Piece;
  system: UnitSystem;
  width: number;
  height: number;
  /** Held still while something is pulled; fitted to the piece otherwise. */
  frame?: Frame;
  faultyIds?: readonly string[];
  /** Places of faults on the outline. */
  marks?: readonly Point[];
  /** Lies under the piece, such as a picture. */
  under?: ReactNode;
  /** Lies over the piece: what can be taken hold of, cuts between sections. */
  children?: (frame: Frame, outline: Outline) => ReactNode;
  dimensions?: boolean;
};

/** A piece to scale from above, faces unfolded outwards, with its dimension lines. */
export function PieceDrawing({
  piece,
  system,
  width,
  height,
  frame = frameOf(piece, width, height),
  faultyIds = [],
  marks = [],
  under,
  children,
  dimensions = true,
}: Props) {
  const hatch = useId();
  const outline = outlineOf(piece);
  if (!(outline.widthMm > 0) || !(outline.heightMm > 0)) {
    return (
      <div className="grid place-items-center text-ink-soft" style={{ width, height }}>
        Type its size and it is drawn here.
      </div>
    );
  }
  const map = zoneMapOf(piece);
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label={`${piece.name}, drawn to scale`}
      className="block touch-none"
    >
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--color-ink)" strokeWidth="1.1" />
        </pattern>
      </defs>
      {under}
      <Edges piece={piece} outline={outline} frame={frame} hatch={hatch} />
      <path
        d={ringsPath([outline.corners], frame)}
        fill="var(--color-paper)"
        fillOpacity={under ? 0.35 : 1}
        stroke="var(--color-ink)"
        strokeWidth="1.4"
        strokeLinejoin="round"
      />
      {map && <ZoneDrawing map={map} frame={surfaceFrame(piece, frame)} piece={piece} />}
      {outline.joints.map((joint, index) => (
        <polyline
          key={index}
          points={pointsText(joint, frame)}
          fill="none"
          stroke="var(--color-ink)"
          strokeDasharray="12 3 2 3"
        />
      ))}
      <PieceInside piece={piece} outline={outline} frame={frame} system={system} />
      {piece.cutOuts.map((cutOut) => (
        <CutOutDrawing
          key={cutOut.id}
          cutOut={cutOut}
          outline={outline}
          frame={frame}
          faulty={faultyIds.includes(cutOut.id)}
        />
      ))}
      {(piece.doors ?? []).map((door) => {
        const point = doorPoint(piece, door);
        return point && <DoorMark key={door.id} {...frame.at(point)} />;
      })}
      {dimensions && <DimensionLines piece={piece} frame={frame} system={system} />}
      {children?.(frame, outline)}
      {marks.map((mark, index) => {
        const { x, y } = frame.at(mark);
        return (
          <g
            key={index}
            data-fault=""
            stroke="var(--color-danger)"
            fill="none"
            strokeWidth="2"
            pointerEvents="none"
          >
            <circle cx={x} cy={y} r="11" />
            <path d={`M${x} ${y - 20}v9`} />
          </g>
        );
      })}
    </svg>
  );
}

/** The edges of a piece by what they are; drawn again only when these or the outline change, not while something within it is pulled. */
const Edges = memo(
  function Edges({ piece, outline, frame, hatch }: EdgesProps) {
    const turn = ringTurn(outline.corners);
    return outline.sides.map(({ name, path }) => (
      <EdgeBand
        key={name}
        path={path.map(frame.at)}
        turn={turn}
        treatment={edgeOf(piece, name).treatment}
        depth={faceDepth(edgeOf(piece, name).heightMm, frame.scale)}
        hatch={hatch}
      />
    ));
  },
  (before, after) =>
    before.outline === after.outline &&
    before.frame === after.frame &&
    before.hatch === after.hatch &&
    before.piece.edges === after.piece.edges &&
    before.piece.shape === after.piece.shape,
);
type EdgesProps = { piece: Piece; outline: Outline; frame: Frame; hatch: string };

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
  const ring = cutOutRing(cutOut, outline).map(frame.at);
  const [low, high] = [Math.min(...ring.map(({ y }) => y)), Math.max(...ring.map(({ y }) => y))];
  // The name of a small one stands below it.
  const nameY = high - low > 56 ? centre.y + 20 : high + 15;
  const stroke = faulty ? "var(--color-danger)" : "var(--color-ink)";
  return (
    <g pointerEvents="none">
      <polygon
        points={ring.map(({ x, y }) => `${x},${y}`).join(" ")}
        fill="var(--color-ground)"
        stroke={stroke}
        strokeWidth={cutOut.innerFace ? 2.4 : 1.1}
        strokeLinejoin="round"
      />
      <path
        d={`M${centre.x - 6} ${centre.y}h12M${centre.x} ${centre.y - 6}v12`}
        stroke={stroke}
        strokeWidth="0.8"
      />
      <text
        x={centre.x}
        y={nameY}
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
  const outline = outlineOf(piece);
  const [width, height] = [Math.max(2, outline.widthMm * pxPerMm), Math.max(2, outline.heightMm * pxPerMm)];
  const points = (ring: readonly Point[]) => ring.map(({ x, y }) => `${x},${y}`).join(" ");
  return (
    <svg width={width + 2} height={height + 2} aria-hidden className="block">
      <g
        transform={`translate(1 1) scale(${pxPerMm})`}
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
        strokeWidth={1 / pxPerMm}
      >
        <polygon points={points(outline.corners)} />
        {piece.cutOuts.map((cutOut) => (
          <polygon key={cutOut.id} points={points(cutOutRing(cutOut, outline))} fill="var(--color-ground)" />
        ))}
      </g>
    </svg>
  );
}
