export const DAY_MIN = 24 * 60;

/** When somebody works, and when nobody is woken; minutes of the day. */
export type Hours = { openMin: number; closeMin: number; sleepFromMin: number; sleepToMin: number };
export const USUAL_HOURS: Hours = {
  openMin: 8 * 60,
  closeMin: 18 * 60,
  sleepFromMin: 22 * 60,
  sleepToMin: 6 * 60,
};

export const minuteOfDay = (atMin: number) => ((atMin % DAY_MIN) + DAY_MIN) % DAY_MIN;
const isIn = (atMin: number, fromMin: number, toMin: number) => {
  const at = minuteOfDay(atMin);
  return fromMin <= toMin ? at >= fromMin && at < toMin : at >= fromMin || at < toMin;
};
export const isOpen = (atMin: number, hours: Hours) => isIn(atMin, hours.openMin, hours.closeMin);
export const isNight = (atMin: number, hours: Hours) => isIn(atMin, hours.sleepFromMin, hours.sleepToMin);

/** The next minute at which the shop is open, from a minute on. */
export function nextOpen(atMin: number, hours: Hours): number {
  if (isOpen(atMin, hours)) return atMin;
  const day = Math.floor(atMin / DAY_MIN) * DAY_MIN;
  return minuteOfDay(atMin) < hours.openMin ? day + hours.openMin : day + DAY_MIN + hours.openMin;
}

/** The next minute at which the clock says so, from a minute on; never, from never on. */
export const nextAt = (fromMin: number, minuteOfTheDay: number): number =>
  Number.isFinite(fromMin) ? fromMin + minuteOfDay(minuteOfTheDay - minuteOfDay(fromMin)) : fromMin;
