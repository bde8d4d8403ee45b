/** What a probe prints in one line: the air's warmth and moisture, and the warmth of what is coated where it has a second feeler. */
export type ClimateReading = { tempC: number; humidityPct: number | null; surfaceC: number | null };

const LONGEST = 120;
/** Colder and hotter than this is no room, °C. */
const [COLDEST_C, HOTTEST_C] = [-40, 80];

const NUMBER = "[+-]?\\d{1,3}(?:[.,]\\d{1,3})?";
const named = (names: string, unit: string) =>
  new RegExp(`(?:^|[^A-Z])(?:${names})\\s*[=:]?\\s*(${NUMBER})\\s*${unit}`);
const SURFACE = named("SURFACE|SURF|TS|S", "°?\\s*([CF])?(?![A-Z])");
const AIR = named("TEMPERATURE|TEMP|AIR|TA|T", "°?\\s*([CF])?(?![A-Z])");
const HUMIDITY = named("HUMIDITY|HUM|RH|H", "%?");
const BARE_DEGREES = new RegExp(`(${NUMBER})\\s*°?\\s*([CF])(?![A-Z])`);
const BARE_PERCENT = new RegExp(`(${NUMBER})\\s*%`);

const numberOf = (text: string | undefined): number => Number((text ?? "").replace(",", "."));
const celsius = ([, value, unit]: RegExpExecArray): number | null => {
  const degrees = numberOf(value);
  const tempC = unit === "F" ? ((degrees - 32) * 5) / 9 : degrees;
  return tempC >= COLDEST_C && tempC <= HOTTEST_C ? tempC : null;
};

/**
 * Reads a line of a climate probe: "T=22.4 RH=51 S=21.0", "72.3F, 48%", "temp: 22,4 °C; hum: 51 %". Without a unit degrees are Celsius. Null
 * for a line without a temperature that a room can have. Never throws.
 */
export function readClimateLine(text: string): ClimateReading | null {
  if (text.length > LONGEST) return null;
  const line = text.toUpperCase().replace(/[^\x20-\x7e°]+/g, " ");
  const surface = SURFACE.exec(line);
  const rest = surface ? line.replace(surface[0], " ") : line;
  const air = AIR.exec(rest) ?? BARE_DEGREES.exec(rest);
  const tempC = air && celsius(air);
  if (tempC === null || Number.isNaN(tempC)) return null;
  const moist = HUMIDITY.exec(rest) ?? BARE_PERCENT.exec(rest);
  const humidity = moist ? numberOf(moist[1]) : null;
  return {
    tempC,
    humidityPct: humidity !== null && humidity >= 0 && humidity <= 100 ? humidity : null,
    surfaceC: surface ? celsius(surface) : null,
  };
}
