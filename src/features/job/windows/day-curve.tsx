"use client";

import type { KeyboardEvent } from "react";
import { roomTempC, type Room } from "@/core/cure/room";
import { DAY_MIN, minuteOfDay } from "@/core/schedule/hours";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { timeAxis } from "@/ui/time-axis";
import { usePull } from "@/ui/use-pull";
import { useClockWords } from "@/ui/shop-clock";

type DayRoom = Extract<Room, { kind: "day" }>;
type Handle = "cold" | "warm";

const SIZE = { width: 440, height: 132, left: 44, foot: 20, top: 8 };
/** Handles keep to quarters of an hour and half degrees. */
const STEP = { min: 15, tempC: 0.5 };
/** What the axis shows at least, °C. */
const LAST_MIN = DAY_MIN - STEP.min;
const SHOWN_C = { low: 8, high: 34 };
const WORDS: Record<Handle, string> = { cold: "Coldest", warm: "Warmest" };

const snapped = (value: number, step: number) => Math.round(value / step) * step;

/** The room through a day as a curve between two handles: its coldest and its warmest hour, each pulled by pointer or keys. */
export function DayCurve({
  room,
  system,
  onRoom,
}: {
  room: DayRoom;
  system: UnitSystem;
  onRoom: (room: DayRoom) => void;
}) {
  const { hourText } = useClockWords();
  const low = Math.min(SHOWN_C.low, Math.floor(room.coldC - 2));
  const high = Math.max(SHOWN_C.high, Math.ceil(room.warmC + 2));
  const pull = usePull();
  const axis = timeAxis({ fromMin: 0, untilMin: DAY_MIN, leftPx: SIZE.left, rightPx: SIZE.width - 6 });
  const { x } = axis;
  const bottom = SIZE.height - SIZE.foot;
  const y = (tempC: number) => bottom - ((tempC - low) / (high - low)) * (bottom - SIZE.top);
  const place = {
    cold: { atMin: room.coldAtMin, tempC: room.coldC },
    warm: { atMin: room.warmAtMin, tempC: room.warmC },
  };
  const moved = (handle: Handle, atMin: number, tempC: number) => {
    const at = minuteOfDay(snapped(atMin, STEP.min));
    const limit = snapped(Math.min(60, Math.max(-40, tempC)), STEP.tempC);
    // The coldest stays the coldest.
    onRoom(
      handle === "cold"
        ? { ...room, coldAtMin: at, coldC: Math.min(limit, room.warmC) }
        : { ...room, warmAtMin: at, warmC: Math.max(limit, room.coldC) },
    );
  };
  const pulled = (handle: Handle) =>
    pull<{ atMin: number; tempC: number }, SVGGElement>({
      begin: () => place[handle],
      move: (from, by, event) => {
        // The drawing may be shown smaller than it is.
        const shown = event.currentTarget.ownerSVGElement?.getBoundingClientRect().width ?? SIZE.width;
        const scale = SIZE.width / shown;
        const atMin = from.atMin + axis.minutesIn(by.x * scale);
        const up = (-by.y * scale) / (bottom - SIZE.top);
        moved(handle, Math.min(LAST_MIN, Math.max(0, atMin)), from.tempC + up * (high - low));
      },
    });
  const keys = (handle: Handle) => (event: KeyboardEvent<SVGGElement>) => {
    const by = {
      ArrowLeft: [-STEP.min, 0],
      ArrowRight: [STEP.min, 0],
      ArrowUp: [0, STEP.tempC],
      ArrowDown: [0, -STEP.tempC],
    }[event.key];
    if (!by) return;
    event.preventDefault();
    const { atMin, tempC } = place[handle];
    moved(handle, atMin + (by[0] ?? 0), tempC + (by[1] ?? 0));
  };
  const curve = Array.from({ length: 97 }, (_, index) => index * 15).map(
    (atMin) => `${x(atMin)} ${y(roomTempC(room, atMin))}`,
  );
  const temp = (tempC: number) => quantityText(tempC, "temperature", system);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width={SIZE.width}
      role="group"
      aria-label="The room through a day"
      className="block max-w-full basis-full"
    >
      {[10, 20, 30]
        .filter((tempC) => tempC > low && tempC < high)
        .map((tempC) => (
          <g key={tempC}>
            <line x1={SIZE.left} x2={SIZE.width} y1={y(tempC)} y2={y(tempC)} stroke="var(--color-line)" />
            <text
              x={SIZE.left - 6}
              y={y(tempC) + 4}
              fontSize="12"
              textAnchor="end"
              fill="var(--color-ink-soft)"
            >
              {temp(tempC)}
            </text>
          </g>
        ))}
      {[0, 6, 12, 18, 24].map((hour) => (
        <text
          key={hour}
          x={x(hour * 60)}
          y={SIZE.height - 4}
          fontSize="12"
          textAnchor={hour === 24 ? "end" : "middle"}
          fill="var(--color-ink-soft)"
        >
          {hour}
        </text>
      ))}
      <line x1={SIZE.left} x2={SIZE.width} y1={bottom} y2={bottom} stroke="var(--color-ink)" />
      <path d={`M${curve.join("L")}`} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      {(["cold", "warm"] as const).map((handle) => {
        const { atMin, tempC } = place[handle];
        const right = x(atMin) < SIZE.width - 110;
        return (
          <g
            key={handle}
            role="slider"
            tabIndex={0}
            aria-label={`${WORDS[handle]} hour of the day`}
            aria-valuemin={-40}
            aria-valuemax={60}
            aria-valuenow={tempC}
            aria-valuetext={`${temp(tempC)} at ${hourText(atMin)}`}
            className="cursor-move touch-none"
            onKeyDown={keys(handle)}
            {...pulled(handle)}
          >
            <circle cx={x(atMin)} cy={y(tempC)} r="16" fill="transparent" />
            <rect
              x={x(atMin) - 6}
              y={y(tempC) - 6}
              width="12"
              height="12"
              fill="var(--color-paper)"
              stroke="var(--color-ink)"
              strokeWidth="2"
            />
            <text
              x={x(atMin) + (right ? 12 : -12)}
              y={y(tempC) + (handle === "cold" ? 16 : -8)}
              fontSize="13"
              fontWeight="600"
              textAnchor={right ? "start" : "end"}
              fill="var(--color-ink)"
            >
              {temp(tempC)} at {hourText(atMin)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
