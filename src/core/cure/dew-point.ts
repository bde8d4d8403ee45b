/** Magnus constants over water (Sonntag 1990, from memory). */
const B = 17.62;
const C = 243.12;

/**
 * Dew point, °C, of air at a temperature and relative humidity.
 * @param humidityPct 1 to 100
 * @throws outside of that.
 */
export function dewPointC(tempC: number, humidityPct: number): number {
  if (!(humidityPct > 0 && humidityPct <= 100)) throw new Error(`A humidity of ${humidityPct} % is none`);
  const gamma = Math.log(humidityPct / 100) + (B * tempC) / (C + tempC);
  return (C * gamma) / (B - gamma);
}

/** How much warmer than the dew point a surface must be for a coat, K (common rule of coating standards, ISO 8502-4). */
export const DEW_MARGIN_K = 3;
/** A room for resin, °C (common practice, no source). */
export const ROOM_C = { low: 18, high: 27 };
/** Above this humidity films blush and haze, % (common practice, no source). */
export const DAMP_PCT = 75;
