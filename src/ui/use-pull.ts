"use client";

import { useRef, type PointerEvent } from "react";

/** Way of the pointer since it was put down, in pixels of the screen. */
export type Way = { x: number; y: number };

export type Pull<Held, Target extends Element> = {
  /** The pointer is put down: gives what is held, which comes with every move; null where nothing is to be pulled. */
  begin: (event: PointerEvent<Target>) => Held | null;
  /** It has gone far enough to be a pull. */
  start?: (held: Held) => void;
  move: (held: Held, by: Way, event: PointerEvent<Target>) => void;
  /** It is lifted, or the browser takes it away; `moved` where it went far enough to be a pull. */
  end?: (held: Held, how: { moved: boolean; calledOff: boolean }) => void;
  /** What moves less than this is a click and no pull, px. */
  fromPx?: number;
};

/** Pulling by mouse, finger or pen: what is held keeps the pointer wherever it goes, one thing at a time. */
export function usePull() {
  const held = useRef<{ what: unknown; x: number; y: number; moved: boolean } | null>(null);
  return <Held, Target extends Element>({ begin, start, move, end, fromPx = 0 }: Pull<Held, Target>) => {
    const finish = (calledOff: boolean) => {
      const last = held.current;
      held.current = null;
      if (last) end?.(last.what as Held, { moved: last.moved, calledOff });
    };
    return {
      onPointerDown: (event: PointerEvent<Target>) => {
        if (event.button !== 0) return;
        const what = begin(event);
        if (what === null) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { what, x: event.clientX, y: event.clientY, moved: false };
      },
      onPointerMove: (event: PointerEvent<Target>) => {
        const now = held.current;
        if (!now) return;
        const by = { x: event.clientX - now.x, y: event.clientY - now.y };
        if (!now.moved) {
          if (Math.hypot(by.x, by.y) < fromPx) return;
          now.moved = true;
          start?.(now.what as Held);
        }
        move(now.what as Held, by, event);
      },
      onPointerUp: () => finish(false),
      onPointerCancel: () => finish(true),
    };
  };
}
