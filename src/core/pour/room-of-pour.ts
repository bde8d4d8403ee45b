import { roomTempC, type Room } from "../cure/room";
import { roomOf } from "../job/job-settings";
import type { JobDocument } from "../job/job";
import type { RoomRead } from "./pour-events";

/** After the last reading a room goes back to how it was planned, by half in so long, min. */
const HALF_BACK_MIN = 180;
/** So far it is looked ahead, in steps; a film lies longer than it is looked after. */
const AHEAD_MIN = 4 * 24 * 60;
const STEP_MIN = 60;

/**
 * The room of a pour in minutes of its plan: as it was read, before the first reading as at that; after the last as planned, moved by what it was off
 * then: a room that is planned for one temperature stays where it was read.
 * @param planned as the plan counts it
 * @param minuteOf a moment in minutes of the plan
 */
export function roomAsRead(planned: Room, read: readonly RoomRead[], minuteOf: (at: string) => number): Room {
  const last = read.at(-1);
  if (!last) return planned;
  const readings = read.map(({ at, tempC }) => [minuteOf(at), tempC] as const);
  return sameRoom(readingsAndOn(planned, readings, minuteOf(last.at), last.tempC));
}

type Readings = Extract<Room, { kind: "logger" }>["readings"];

/** The same readings are the same room: what was worked out for it is kept. */
const rooms = new Map<string, Room>();
const MOST_ROOMS = 20;
function sameRoom(readings: Readings): Room {
  const key = JSON.stringify(readings);
  const room = rooms.get(key) ?? { kind: "logger", readings };
  if (rooms.size >= MOST_ROOMS) rooms.clear();
  rooms.set(key, room);
  return room;
}

function readingsAndOn(planned: Room, readings: Readings, lastMin: number, lastC: number): Readings {
  if (planned.kind === "constant") return readings;
  const offK = lastC - roomTempC(planned, lastMin);
  const ahead = Array.from({ length: AHEAD_MIN / STEP_MIN }, (_, step) => {
    const after = (step + 1) * STEP_MIN;
    return [
      lastMin + after,
      roomTempC(planned, lastMin + after) + offK * 0.5 ** (after / HALF_BACK_MIN),
    ] as const;
  });
  return [...readings, ...ahead];
}

/** The same for a pour whose plan counts from midnight of its first day. */
export const roomOfPour = (
  document: JobDocument,
  read: readonly RoomRead[],
  minuteOf: (at: string) => number,
): Room => roomAsRead(roomOf(document), read, minuteOf);
