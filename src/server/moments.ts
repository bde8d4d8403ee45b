import { Refused } from "./refused";

const DAY_MS = 86_400_000;
/** How far a device's clock may be ahead of the server's, and how old the work may be that it brings. */
const AHEAD_MS = DAY_MS;
const BACK_MS = 10 * 365 * DAY_MS;

/** Whether a moment that a device noted can be true by the server's clock. */
export function isWithinReason(moment: Date, now: Date = new Date()): boolean {
  const ms = moment.getTime() - now.getTime();
  return ms <= AHEAD_MS && ms >= -BACK_MS;
}

/**
 * A moment that a device noted, against the server's clock.
 * @throws Refused where that device's clock must be wrong, so that nothing is filed under a year that never was
 */
export function withinReason(moment: Date, what: string, now: Date = new Date()): Date {
  if (isWithinReason(moment, now)) return moment;
  throw new Refused({
    code: "invalid",
    field: "at",
    message: `By this device's clock ${what} at ${moment.toISOString().slice(0, 16).replace("T", " ")}; here it is ${now.toISOString().slice(0, 16).replace("T", " ")} (both UTC). Set its clock and try again.`,
  });
}

/** The same for what cannot lie ahead: a clock that is a little fast is taken as now. */
export const notAhead = (moment: Date, what: string, now: Date = new Date()): Date =>
  new Date(Math.min(withinReason(moment, what, now).getTime(), now.getTime()));
