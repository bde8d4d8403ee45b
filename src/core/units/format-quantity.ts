import { MM2_PER_FT2, MM2_PER_M2 } from "./constants";
import { SHOWN_UNIT, unitOf, type Dimension, type UnitSystem } from "./dimension";

export type Shown = { number: string; unit: string };

const THIN_SPACE = "\u2009";
const QUARTERS = ["", "¼", "½", "¾"];

/** Groups thousands by a thin space, never a comma; from 1 000 upward. */
export function groupThousands(digits: string): string {
  const [whole = "", ...fraction] = digits.split(".");
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN_SPACE);
  return [grouped, ...fraction].join(".");
}

/** A decimal with a fixed number of places; minus zero is written as zero. */
export function decimal(value: number, places: number): string {
  if (!Number.isFinite(value)) throw new Error(`Cannot write ${value} as a number`);
  const text = value.toFixed(places);
  return groupThousands(/^-0(\.0*)?$/.test(text) ? text.slice(1) : text);
}

/** A decimal with up to `places` places, trailing zeros dropped. */
export function trimmed(value: number, places: number): string {
  const text = decimal(value, places);
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}

/** Inches to the nearest sixteenth: 25 1/2, 3/8, 0. */
export function inchFraction(inches: number): string {
  const sixteenths = Math.round(Math.abs(inches) * 16);
  const whole = Math.floor(sixteenths / 16);
  let over = sixteenths % 16;
  let under = 16;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  const sign = inches < 0 && sixteenths > 0 ? "-" : "";
  if (over === 0) return sign + groupThousands(String(whole));
  return `${sign}${whole > 0 ? `${groupThousands(String(whole))} ` : ""}${over}/${under}`;
}

/** Fluid ounces to the nearest quarter: 37¾, ½, 0. */
function quarterOunces(ounces: number): string {
  const quarters = Math.round(ounces * 4);
  const whole = Math.floor(quarters / 4);
  const glyph = QUARTERS[quarters % 4] ?? "";
  return whole === 0 && glyph !== "" ? glyph : groupThousands(String(whole)) + glyph;
}

/** What a scale or a graduated cup can tell: 0.1 below 10 when fine is asked, 1 below 10 000, then 10. */
function measurable(value: number): string {
  if (value !== 0 && Math.abs(value) < 10) return trimmed(value, 1);
  return Math.abs(value) < 10000 ? decimal(value, 0) : decimal(Math.round(value / 10) * 10, 0);
}

/**
 * Writes a value (in base units) as the trade can measure it, in one unit system.
 * Length 1 mm or 1/16 in; volume 1 ml or 1/4 fl oz; mass 1 g; temperature 1 °C; film 0.01 mm or 0.01 fl oz/ft².
 */
export function formatQuantity(value: number, dimension: Dimension, system: UnitSystem): Shown {
  const unit = SHOWN_UNIT[dimension][system];
  const inUnit = unitOf(dimension, unit).fromBase(value);
  switch (dimension) {
    case "length":
      return {
        number: system === "us" ? inchFraction(inUnit) : trimmed(inUnit, Math.abs(inUnit) < 100 ? 1 : 0),
        unit,
      };
    case "film":
    case "density":
      return { number: decimal(inUnit, 2), unit };
    case "surface":
      return { number: decimal(inUnit, system === "us" ? 1 : 0), unit };
    case "area":
      return { number: decimal(inUnit, system === "us" ? 1 : 2), unit };
    case "volume":
      return { number: system === "us" ? quarterOunces(inUnit) : measurable(inUnit), unit };
    case "mass":
    case "comb":
      return { number: measurable(inUnit), unit };
    case "temperature":
      return { number: decimal(inUnit, 0), unit };
    case "spray":
    case "minutes":
    case "viscosity":
      return { number: trimmed(inUnit, Math.abs(inUnit) < 10 ? 1 : 0), unit };
    case "hours":
    case "angle":
    case "percent":
    case "rate":
      return { number: trimmed(inUnit, 1), unit };
    case "number":
      return { number: trimmed(inUnit, 3), unit };
  }
}

const OZ_PER_QUART = 32;
const OZ_PER_GALLON = 128;
/** From so many gallons on nobody counts ounces. */
const MANY_GALLONS = 4;

/** Quarts and gallons where it is whole ones, or quarters of a gallon; gallons where it is many; null where one says ounces. */
function quartsText(ounces: number): string | null {
  const quarts = Math.round(ounces / OZ_PER_QUART);
  if (ounces >= OZ_PER_QUART && Math.abs(ounces - quarts * OZ_PER_QUART) < 0.1) {
    if (quarts < 4) return `${quarts} qt`;
    return `${groupThousands(String(Math.floor(quarts / 4)))}${QUARTERS[quarts % 4] ?? ""} gal`;
  }
  return ounces >= MANY_GALLONS * OZ_PER_GALLON ? `${trimmed(ounces / OZ_PER_GALLON, 2)} gal` : null;
}

/** An area as one says it where it is small: below a square foot, or a tenth of a square metre. */
const isSmall = (areaMm2: number, system: UnitSystem): boolean =>
  areaMm2 > 0 && areaMm2 < (system === "us" ? MM2_PER_FT2 : MM2_PER_M2 / 10);

/** The same in one string, number and unit parted by a space; large volumes and small areas in units of their own. */
export function quantityText(value: number, dimension: Dimension, system: UnitSystem): string {
  if (dimension === "volume" && system === "us") {
    const large = quartsText(unitOf("volume", "fl oz").fromBase(value));
    if (large) return large;
  }
  if (dimension === "area" && isSmall(value, system)) return quantityText(value, "surface", system);
  const shown = formatQuantity(value, dimension, system);
  return shown.unit === "" ? shown.number : `${shown.number} ${shown.unit}`;
}

/** How some volumes that stand together are written: all in the unit of the largest of them. */
export function volumesBy(
  largestMl: number,
  system: UnitSystem,
): { bare: (ml: number) => string; text: (ml: number) => string } {
  const ounces = unitOf("volume", "fl oz").fromBase(largestMl);
  const gallons = system === "us" && ounces >= MANY_GALLONS * OZ_PER_GALLON;
  const { unit } = gallons ? { unit: "gal" } : formatQuantity(0, "volume", system);
  const bare = (ml: number) =>
    gallons ? trimmed(unitOf("volume", "gal").fromBase(ml), 2) : formatQuantity(ml, "volume", system).number;
  return { bare, text: (ml) => `${bare(ml)} ${unit}` };
}

/** "547¾ to 630½ fl oz", "4.28 to 4.93 gal": from the least to the most, in the unit of the most. */
export function rangeText(
  { low, high }: { low: number; high: number },
  dimension: Dimension,
  system: UnitSystem,
): string {
  if (dimension === "volume") {
    const { bare, text } = volumesBy(high, system);
    return `${bare(low)} to ${text(high)}`;
  }
  if (dimension === "area" && isSmall(high, system)) return rangeText({ low, high }, "surface", system);
  const { number, unit } = formatQuantity(high, dimension, system);
  return `${formatQuantity(low, dimension, system).number} to ${number}${unit === "" ? "" : ` ${unit}`}`;
}

/** What stands in a field for editing: enough digits to read back the same value. */
export function editableText(value: number, dimension: Dimension, system: UnitSystem): string {
  const unit = unitOf(dimension, SHOWN_UNIT[dimension][system]);
  const inUnit = unit.fromBase(value);
  if (dimension === "length" && system === "us") {
    const sixteenths = inUnit * 16;
    if (Math.abs(sixteenths - Math.round(sixteenths)) < 1e-6)
      return inchFraction(inUnit).replaceAll(THIN_SPACE, "");
  }
  const written = String(Number(inUnit.toPrecision(6)));
  // Three decimals of a millimetre or millilitre look like thousands.
  return /^[1-9]\d{0,2}\.\d{3}$/.test(written) ? `${written}0` : written;
}

export function otherSystem(system: UnitSystem): UnitSystem {
  return system === "us" ? "metric" : "us";
}

/** A run of edges as one speaks of it: 26.6 ft, 8.11 m. */
export function runText(lengthMm: number, system: UnitSystem): string {
  return system === "us"
    ? `${trimmed(unitOf("length", "ft").fromBase(lengthMm), 1)} ft`
    : `${trimmed(lengthMm / 1000, 2)} m`;
}

/** A film in every way the trade says it. */
export function filmInAllUnits(filmMm: number): Shown[] {
  return [
    { number: decimal(filmMm, 2), unit: "mm" },
    { number: trimmed(unitOf("film", "mil").fromBase(filmMm), 1), unit: "mil" },
    { number: decimal(unitOf("film", "fl oz/ft²").fromBase(filmMm), 2), unit: "fl oz/ft²" },
    { number: trimmed(unitOf("film", "ft²/gal").fromBase(filmMm), 1), unit: "ft²/gal" },
    { number: decimal(filmMm, 2), unit: "L/m²" },
  ];
}
