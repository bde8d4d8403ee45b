import { dewPointC } from "../../cure/dew-point";
import type { RoomRead } from "../../pour/pour-events";
import { trimmed } from "../../units/format-quantity";
import { inUnits } from "../../units/said";
import { measuredAs, type Logged, type Read } from "./logged";

/** A film minds the room for so long after it was mixed, and from so long before, min. */
const MINDS = { beforeMin: 120, afterMin: 12 * 60 };

/** What thermometers said while a coat was wet. */
function readings({ state, poured, minuteOf }: Logged): RoomRead[] {
  const { mixedAtMin, lastMixedAtMin } = poured.windows;
  return state.room.filter(({ at }) => {
    const minute = minuteOf(at);
    return minute >= mixedAtMin - MINDS.beforeMin && minute <= lastMixedAtMin + MINDS.afterMin;
  });
}

/** How cold and how warm the room was. */
export function roomTemperature(log: Logged): Read[] {
  const temps = readings(log).map(({ tempC }) => tempC);
  if (temps.length === 0) return [];
  const [low, high] = [Math.min(...temps), Math.max(...temps)];
  return [
    measuredAs("coldRoom", low, `the room was read ${inUnits(low, "temperature")} at its coldest`),
    measuredAs("hotRoom", high, `the room was read ${inUnits(high, "temperature")} at its warmest`),
  ];
}

/** How damp it was, and how near the surface came to the dew point. */
export function dampness(log: Logged): Read[] {
  const damp = readings(log).flatMap(({ tempC, humidityPct, surfaceC }) =>
    humidityPct === null || !(humidityPct > 0) ? [] : [{ tempC, humidityPct, surfaceC: surfaceC ?? tempC }],
  );
  if (damp.length === 0) return [];
  const humid = Math.max(...damp.map(({ humidityPct }) => humidityPct));
  const gap = Math.min(
    ...damp.map(({ tempC, humidityPct, surfaceC }) => surfaceC - dewPointC(tempC, humidityPct)),
  );
  return [
    measuredAs("humid", humid, `the air was read ${trimmed(humid, 0)} % damp`),
    measuredAs("dewGap", gap, `the surface stood ${trimmed(gap, 1)} K above the dew point`),
  ];
}
