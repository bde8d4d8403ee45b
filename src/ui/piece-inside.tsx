import type { Point } from "@/core/geometry/curves";
import { bareOnWall, type Tumbler } from "@/core/geometry/frustum";
import type { Outline } from "@/core/geometry/outline";
import type { Piece, Station } from "@/core/geometry/piece";
import { widthAt } from "@/core/geometry/stations";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import type { Frame } from "./dimension-lines";
import { pointsText } from "./edge-drawing";

const SOFT = { stroke: "var(--color-ink-soft)", strokeWidth: 0.8, fill: "none" } as const;

/** Readings nearer to each other on the screen than this are drawn without their number, px. */
const LEAST_GAP_PX = 34;

/** What is special inside the outline of some kinds: readings of a line, the floor of a mould, a tumbler's band and patch. */
export function PieceInside({
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
  const { shape } = piece;
  switch (shape.kind) {
    case "river":
    case "offsets":
      return <Readings stations={shape.stations} outline={outline} frame={frame} system={system} />;
    case "mould":
      return (
        <MouldFloor
          outline={outline}
          lean={shape.depthMm * Math.tan((shape.draftDeg * Math.PI) / 180)}
          frame={frame}
        />
      );
    case "tumbler":
      return (
        <TumblerWall tumbler={shape} outline={outline} frame={frame} divided={piece.division !== undefined} />
      );
    default:
      return null;
  }
}

function Readings({
  stations,
  outline,
  frame,
  system,
}: {
  stations: readonly Station[];
  outline: Outline;
  frame: Frame;
  system: UnitSystem;
}) {
  const local = (x: number, y: number) => frame.at({ x: x - outline.origin.x, y: y - outline.origin.y });
  const ordered = [...stations].sort((a, b) => a.atMm - b.atMm);
  const [first, last] = [ordered[0], ordered[ordered.length - 1]];
  if (!first || !last) return null;
  const [left, right] = [local(first.atMm, 0), local(last.atMm, 0)];
  const gap = ordered.length > 1 ? (right.x - left.x) / (ordered.length - 1) : Infinity;
  return (
    <g pointerEvents="none">
      <path d={`M${left.x - 14} ${left.y}L${right.x + 14} ${right.y}`} {...SOFT} strokeDasharray="9 3 2 3" />
      {ordered.map((station, index) => {
        const [far, near] = [local(station.atMm, -station.farMm), local(station.atMm, station.nearMm)];
        return (
          <g key={index}>
            <path d={`M${far.x} ${far.y}L${near.x} ${near.y}`} {...SOFT} />
            {gap > LEAST_GAP_PX && near.y - far.y > 26 && (
              <text
                x={far.x + (index === ordered.length - 1 ? -4 : 4)}
                y={far.y + Math.min(20, (near.y - far.y) / 3)}
                textAnchor={index === ordered.length - 1 ? "end" : "start"}
                fontSize="12"
                className="figure"
                fill="var(--color-ink)"
              >
                {quantityText(widthAt(station), "length", system)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The floor of a drafted mould: each point of the outline drawn in towards the middle by about the lean of the wall. */
function MouldFloor({ outline, lean, frame }: { outline: Outline; lean: number; frame: Frame }) {
  if (lean <= 0) return null;
  const middle: Point = { x: outline.widthMm / 2, y: outline.heightMm / 2 };
  const floor = outline.corners.map(({ x, y }): Point => {
    const away = Math.hypot(x - middle.x, y - middle.y) || 1;
    const share = Math.max(0, 1 - lean / away);
    return { x: middle.x + (x - middle.x) * share, y: middle.y + (y - middle.y) * share };
  });
  return <polygon points={pointsText(floor, frame)} {...SOFT} strokeDasharray="4 3" pointerEvents="none" />;
}

/** Bare band and blank patch on the unrolled wall, and the tumbler from the side at the same scale. */
function TumblerWall({
  tumbler,
  outline,
  frame,
  divided,
}: {
  tumbler: Tumbler;
  outline: Outline;
  frame: Frame;
  /** Then its zones have the room for words. */
  divided: boolean;
}) {
  const moved = (ring: readonly Point[]) =>
    ring.map(({ x, y }) => ({ x: x - outline.origin.x, y: y - outline.origin.y }));
  const bare = { fill: "var(--color-ground)", stroke: "var(--color-ink-soft)", strokeWidth: 0.8 } as const;
  const { rim, patch } = bareOnWall(tumbler);
  return (
    <g pointerEvents="none">
      {rim && <polygon points={pointsText(moved(rim), frame)} {...bare} />}
      {!divided && (
        <text {...captionAt(outline, frame)} textAnchor="middle" fontSize="12" fill="var(--color-ink-soft)">
          the wall, unrolled
        </text>
      )}
      {patch && <polygon points={pointsText(moved(patch), frame)} {...bare} strokeDasharray="3 3" />}
    </g>
  );
}

/** Just under the upper edge of what is drawn. */
function captionAt(outline: Outline, frame: Frame): Point {
  const { x, y } = frame.at({ x: outline.widthMm / 2, y: outline.heightMm * 0.3 });
  return { x, y };
}
