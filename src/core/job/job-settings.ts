import type { Room } from "../cure/room";
import { USUAL_HOURS, type Hours } from "../schedule/hours";
import type { Settings } from "../schedule/coat-windows";
import type { JobDocument } from "./job";

/** Rooms of one temperature, so that the same job has the same room. */
const steady = new Map<number, Room>();
const steadyRoom = (tempC: number): Room => {
  const known = steady.get(tempC) ?? { kind: "constant", tempC };
  steady.set(tempC, known);
  return known;
};

export const roomOf = ({ work }: JobDocument): Room => work.room ?? steadyRoom(work.tempC);
export const hoursOf = ({ work }: JobDocument): Hours => work.hours ?? USUAL_HOURS;

type RehearsalSettings = NonNullable<JobDocument["rehearsal"]>;
const USUAL_REHEARSAL: RehearsalSettings = { seed: 1, angleDeg: 26 };
/** Which sister is rehearsed and along which direction; the usual ones where nobody said so. */
export const rehearsalSettings = ({ rehearsal }: Pick<JobDocument, "rehearsal">): RehearsalSettings =>
  rehearsal ?? USUAL_REHEARSAL;

/** @param nowMin now, in minutes from midnight of the job's first day; null when it has none */
export const settingsOf = (job: JobDocument, nowMin: number | null): Settings => ({
  room: roomOf(job),
  hours: hoursOf(job),
  people: job.work.people,
  nowMin,
});
