"use client";

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Measured } from "@/core/geometry/measure";
import { usePull } from "@/ui/use-pull";
import { drawPiece, seenSize } from "@/pictures/piece-picture";

type Place = [number, number];

/** Places nearer to each other than this are one, mm. */
const NEAR_MM = 6;
/** An arrow key moves the tool so far, mm. */
const KEY_MM = 30;

/** The wet piece under the hand: drawn on by mouse, finger or pen; by keys the tool is put down with Enter and moved by arrows. */
export function PracticeBoard({
  piece,
  picture,
  drawn,
  width,
  toolMm,
  onBegin,
  onMove,
  onLift,
}: {
  piece: Measured;
  picture: HTMLCanvasElement | null;
  drawn: number;
  width: number;
  /** Width of the tool, mm: shown as a ring. */
  toolMm: number;
  onBegin: (at: Place, pressure: number) => void;
  onMove: (at: Place, pressure: number) => void;
  onLift: () => void;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const { widthMm, heightMm, fromX, fromY } = seenSize(piece);
  const height = Math.max(1, Math.round((width * heightMm) / widthMm));
  const scale = width / widthMm;
  const pull = usePull();
  const [tool, setTool] = useState<{ at: Place; down: boolean } | null>(null);
  useEffect(() => {
    if (ref.current && picture) drawPiece(ref.current, picture, piece, width);
  }, [picture, drawn, piece, width]);
  const at = (event: PointerEvent<HTMLElement>): Place => {
    const box = event.currentTarget.getBoundingClientRect();
    return [fromX + (event.clientX - box.left) / scale, fromY + (event.clientY - box.top) / scale];
  };
  /** A pen tells its pressure; a mouse and most fingers only that they are down. */
  const pressure = (event: PointerEvent) =>
    event.pointerType === "pen" ? Math.max(0.05, event.pressure) : 0.5;
  const down = (place: Place, firm: number) => {
    setTool({ at: place, down: true });
    onBegin(place, firm);
  };
  const lift = () => {
    setTool((now) => now && { ...now, down: false });
    onLift();
  };
  const hand = pull<{ last: Place }, HTMLElement>({
    begin: (event) => {
      down(at(event), pressure(event));
      return { last: at(event) };
    },
    move: (held, _by, event) => {
      const place = at(event);
      if (Math.hypot(place[0] - held.last[0], place[1] - held.last[1]) < NEAR_MM) return;
      held.last = place;
      onMove(place, pressure(event));
    },
    end: lift,
  });
  const keys = (event: KeyboardEvent) => {
    const now = tool?.at ?? ([fromX + widthMm / 2, fromY + heightMm / 2] as Place);
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      if (tool?.down) lift();
      else down(now, 0.5);
      return;
    }
    const by: Record<string, Place> = {
      ArrowLeft: [-KEY_MM, 0],
      ArrowRight: [KEY_MM, 0],
      ArrowUp: [0, -KEY_MM],
      ArrowDown: [0, KEY_MM],
    };
    const step = by[event.key];
    if (!step) return;
    event.preventDefault();
    const next: Place = [now[0] + step[0], now[1] + step[1]];
    setTool({ at: next, down: tool?.down ?? false });
    if (tool?.down) onMove(next, 0.5);
  };
  return (
    <div
      className="relative touch-none select-none cursor-none"
      style={{ width, height }}
      role="application"
      aria-label={`The wet ${piece.name}: Enter puts the tool down and lifts it, arrows move it`}
      tabIndex={0}
      {...hand}
      onPointerMove={(event) => {
        const place = at(event);
        setTool((now) => ({ at: place, down: now?.down ?? false }));
        hand.onPointerMove(event);
      }}
      onKeyDown={keys}
    >
      <canvas ref={ref} style={{ width, height }} className="block" />
      {tool && (
        <span
          aria-hidden
          className={`absolute rounded-full border-2 pointer-events-none -translate-x-1/2 -translate-y-1/2 ${tool.down ? "border-signal" : "border-ink"}`}
          style={{
            left: (tool.at[0] - fromX) * scale,
            top: (tool.at[1] - fromY) * scale,
            width: Math.max(8, toolMm * scale),
            height: Math.max(8, toolMm * scale),
          }}
        />
      )}
    </div>
  );
}
