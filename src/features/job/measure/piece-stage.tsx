"use client";

import { useEffect, useRef, useState } from "react";
import type { Fault } from "@/core/geometry/fault";
import type { Pair, Point } from "@/core/geometry/curves";
import { pulled, traced, withoutCorner, type Handle, type Knot, type Snap } from "@/core/geometry/handles";
import type { EdgeName, Piece } from "@/core/geometry/piece";
import { storedPair } from "@/core/geometry/stored";
import type { Divider } from "@/core/geometry/zones/division";
import { withDivider, withNewDivider } from "@/core/geometry/zones/edit-division";
import { pulledDivider, zoneSnap, type ZoneHandle } from "@/core/geometry/zones/pull-divider";
import { MM_PER_INCH } from "@/core/units/constants";
import { Button } from "@/ui/button";
import type { Frame } from "@/ui/dimension-lines";
import { frameOf, PieceDrawing } from "@/ui/piece-drawing";
import { useSize } from "@/ui/use-size";
import { surfaceFrame } from "@/ui/zone-drawing";
import { editPiece, newId } from "../workspace/edits";
import { useJob, useJobState } from "../workspace/use-job";
import { ExportMenu } from "./export-menu";
import { PieceHandles } from "./piece-handles";
import { TraceControls, TraceTouch } from "./trace-outline";
import { knotsOf, Underlay, UnderlayControls, UnderlayTouch, type UnderlayMode } from "./underlay";
import { ZoneGrips, ZoneTargets } from "./zone-handles";

/** What a pull snaps to and a key nudges by, mm. */
const SNAP_MM = { metric: 5, us: MM_PER_INCH / 4 };
const NUDGE_MM = { metric: 1, us: MM_PER_INCH / 16 };
/** A corner this near to another's line is drawn to it, px. */
const ALIGN_PX = 7;

/** The drawing of one piece: its edges and corners can be pulled, and the typed sizes follow. */
export function PieceStage({
  piece,
  jobId,
  faults,
  edge,
  onEdge,
  divider,
  onDivider,
  tracing,
  onTracing,
  onImport,
}: {
  piece: Piece;
  jobId: string;
  faults: Fault[];
  edge: EdgeName | null;
  onEdge: (edge: EdgeName | null) => void;
  /** The divider that is worked on. */
  divider: string | null;
  onDivider: (dividerId: string | null) => void;
  /** Points of a zone that is drawn, until it is closed. */
  tracing: Knot[] | null;
  onTracing: (knots: Knot[] | null) => void;
  onImport: () => void;
}) {
  const { system, change } = useJob();
  const hold = useJobState((state) => state.hold);
  // An edge that is pulled is drawn where it is now; of a divided piece only what is pulled is, and its zones follow.
  const live =
    useJobState(({ document }) => {
      const now = document.pieces.find(({ id }) => id === piece.id);
      return now?.division ? null : now;
    }) ?? piece;
  const { ref, width, height } = useSize<HTMLDivElement>();
  /** The piece and its frame when a pull began; both are held until it ends. */
  const [held, setHeld] = useState<{ piece: Piece; frame: Frame } | null>(null);
  const [mode, setMode] = useState<UnderlayMode>(null);
  const knots = knotsOf(mode);
  const waiting = useRef<(() => void) | null>(null);
  const drawn = useRef(0);
  useEffect(
    () => () => {
      cancelAnimationFrame(drawn.current);
      hold(false);
    },
    [hold],
  );

  const frame = held?.frame ?? (width > 0 ? frameOf(piece, width, height) : null);
  const edit = (next: (before: Piece) => Piece) => change(editPiece(piece.id, next));
  const closeTrace = () => {
    if (knots) edit((before) => traced(before, knots));
    setMode(null);
  };
  const closeZone = () => {
    if (tracing && tracing.length > 2) {
      const points = tracing.map(({ at }): Pair => storedPair(at));
      const curved = !tracing.some(({ corner }) => corner);
      const made = withNewDivider(piece, "shape", newId, {
        kind: "shape",
        shape: { kind: "free", points, curved },
      });
      edit((before) => ({ ...before, division: made.piece.division }));
      onDivider(made.divider.id);
    }
    onTracing(null);
  };
  const flush = () => {
    const last = waiting.current;
    waiting.current = null;
    last?.();
  };
  const beginPull = (frame: Frame) => {
    hold("in stages");
    setHeld({ piece, frame });
  };
  const endPull = () => {
    flush();
    setHeld(null);
    hold(false);
  };
  /** At most one change a frame, the latest. */
  const soon = (act: () => void) => {
    const idle = waiting.current === null;
    waiting.current = act;
    if (!idle) return;
    drawn.current = requestAnimationFrame(flush);
  };
  const pull = (handle: Handle, by: { x: number; y: number }, free: boolean) => {
    if (!held) return;
    const snap: Snap = free ? null : { stepMm: SNAP_MM[system] };
    soon(() => edit(() => pulled(held.piece, handle, by, snap, free ? 0 : ALIGN_PX / held.frame.scale)));
  };

  const pullZone = (handle: ZoneHandle, by: Point, free: boolean) => {
    if (!held || divider === null) return;
    const snap = free ? null : zoneSnap(held.piece, SNAP_MM[system], ALIGN_PX / held.frame.scale);
    soon(() => edit(() => withDivider(held.piece, divider, (was) => pulledDivider(was, handle, by, snap))));
  };
  const picked = piece.division?.dividers.find(({ id }) => id === divider) ?? null;
  const zoneEdit = (next: (was: Divider) => Divider) => {
    if (divider !== null) edit((before) => withDivider(before, divider, next));
  };
  const pulls = (at: Frame) => ({
    pulled: held !== null,
    onPullStart: () => beginPull(at),
    onPull: pullZone,
    onPullEnd: endPull,
    onNudge: (handle: ZoneHandle, direction: Point, far: boolean) => {
      const step = NUDGE_MM[system] * (far ? 10 : 1);
      const by = { x: direction.x * step, y: direction.y * step };
      zoneEdit((was) => pulledDivider(was, handle, by, null));
    },
    onEdit: zoneEdit,
  });

  return (
    <>
      <div className="flex items-baseline gap-5 px-7 pt-3 text-sm">
        <Button weight="quiet" onClick={onImport}>
          read a file
        </Button>
        <UnderlayControls
          piece={piece}
          mode={mode}
          onMode={setMode}
          onEdit={edit}
          onTraced={closeTrace}
          frame={frame}
        />
        {tracing && (
          <TraceControls
            knots={tracing}
            onKnots={onTracing}
            onClose={closeZone}
            onLeave={() => onTracing(null)}
          />
        )}
        <span className="ml-auto">
          <ExportMenu piece={piece} jobId={jobId} />
        </span>
      </div>
      <div ref={ref} className="flex-1 min-h-[320px] relative">
        {frame && (
          <div className="absolute inset-0">
            <PieceDrawing
              piece={live}
              system={system}
              width={width}
              height={height}
              frame={frame}
              faultyIds={faults.flatMap((fault) =>
                fault.at.startsWith("cutOuts.") ? [fault.at.split(".")[1] ?? ""] : [],
              )}
              marks={faults.flatMap(({ where }) => (where ? [where] : []))}
              under={piece.underlay && <Underlay underlay={piece.underlay} frame={frame} />}
            >
              {(at, outline) =>
                tracing ? (
                  <TraceTouch
                    knots={tracing}
                    onKnots={onTracing}
                    onClose={closeZone}
                    frame={at}
                    width={width}
                    height={height}
                  />
                ) : knots ? (
                  <TraceTouch
                    knots={knots}
                    onKnots={(next) => setMode({ knots: next })}
                    onClose={closeTrace}
                    frame={at}
                    width={width}
                    height={height}
                  />
                ) : mode !== null && piece.underlay ? (
                  <UnderlayTouch
                    underlay={piece.underlay}
                    frame={at}
                    mode={mode}
                    onMode={setMode}
                    onEdit={edit}
                    width={width}
                    height={height}
                  />
                ) : (
                  <>
                    {piece.division && (
                      <ZoneTargets
                        piece={piece}
                        divider={picked}
                        frame={surfaceFrame(piece, at)}
                        onPick={onDivider}
                        {...pulls(at)}
                      />
                    )}
                    {!picked && (
                      <PieceHandles
                        piece={live}
                        outline={outline}
                        frame={at}
                        selected={edge}
                        onSelect={(name) => onEdge(name === edge ? null : name)}
                        onPullStart={() => beginPull(at)}
                        onPull={({ handle, by, free }) => pull(handle, by, free)}
                        onPullEnd={endPull}
                        onNudge={(handle, direction, far) => {
                          const step = NUDGE_MM[system] * (far ? 10 : 1);
                          edit((before) =>
                            pulled(before, handle, { x: direction.x * step, y: direction.y * step }, null),
                          );
                        }}
                        onRemoveCorner={(index) => edit((before) => withoutCorner(before, index))}
                      />
                    )}
                  </>
                )
              }
            </PieceDrawing>
            {picked && !tracing && !mode && (
              <ZoneGrips
                pieceId={piece.id}
                dividerId={picked.id}
                frame={surfaceFrame(piece, frame)}
                width={width}
                height={height}
                {...pulls(frame)}
              />
            )}
          </div>
        )}
      </div>
    </>
  );
}
