import { formatQuantity } from "./format-quantity";
import {
  SHOWN_UNIT,
  UNITS,
  unitByWord,
  unitOf,
  type Dimension,
  type Unit,
  type UnitSystem,
} from "./dimension";

export type Parsed = { ok: true; value: number; unit: string } | { ok: false; message: string };

/** Bounds in base units (mm, ml, g, °C, …), both inclusive. */
export type Bounds = { min?: number; max?: number; whole?: boolean };

const EXAMPLE: Record<Dimension, string> = {
  length: `25 1/2 in, 2' 1.5" or 648 mm`,
  film: "1 mm, 3 fl oz/ft² or 45 ft²/gal",
  comb: "250 µm, 10 mil or 0.25 mm",
  area: "3.7 m² or 40 ft²",
  surface: "300 cm² or 47 in²",
  volume: "650 ml, 22 fl oz or 1.5 gal",
  spray: "9 ml/m² or 3 fl oz/100 ft²",
  mass: "250 g or 9 oz",
  temperature: "21 °C or 70F",
  minutes: "40 min or 1 h",
  hours: "24 h or 2 days",
  percent: "12 %",
  angle: "45°",
  density: "1.1 g/ml",
  viscosity: "1100 mPa·s",
  rate: "6 m²/h or 65 ft²/h",
  number: "3",
};

const NAME: Record<Dimension, string> = {
  length: "a length",
  film: "a film thickness",
  comb: "a film thickness",
  area: "an area",
  surface: "an area",
  volume: "a volume",
  spray: "an amount on an area",
  mass: "a weight",
  temperature: "a temperature",
  minutes: "a time",
  hours: "a time",
  percent: "a share in per cent",
  angle: "an angle",
  density: "a density",
  viscosity: "a viscosity",
  rate: "a rate of work",
  number: "a number",
};

const VULGAR: Record<string, string> = {
  "¼": "1/4",
  "½": "1/2",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
  "⅓": "1/3",
  "⅔": "2/3",
};

/** Words that mean the shown unit of their dimension: "20°" is 20 of whatever degrees the person reads. */
const BARE_WORDS: Partial<Record<Dimension, readonly string[]>> = {
  temperature: ["°", "º", "deg", "degree", "degrees"],
};
/** A bare number behind one of these is the next smaller unit: 2' 1.5, 1h30. */
const NEXT_SMALLER: Partial<Record<Dimension, { unit: string; then: string }>> = {
  length: { unit: "ft", then: "in" },
  minutes: { unit: "h", then: "min" },
  hours: { unit: "h", then: "min" },
};

/** Longest entry that is read at all; more is a slip of the keyboard or a paste. */
const LONGEST = 60;

/** One term: a number (decimal, fraction, or whole and fraction) and the word behind it. */
const TERM =
  /^\s*([+-]?)\s*(?:(\d+)[\s-]+(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|(\d+\.?\d*|\.\d+)(?:[eE]([+-]?\d{1,2})(?![a-zA-Z]))?)\s*([^\d\s+.-][^\d+]*?)?\s*(?=[\d.+-]|$)/;

/** What can mean two things is asked back: groups of thousands that look like feet or decimals, and a dash that may take away. */
function askBack(text: string, dimension: Dimension): string | null {
  const twoWays = (what: string, a: string, b: string) => `${what} can be read two ways: write ${a} or ${b}.`;
  if (dimension !== "length" && dimension !== "volume") return null;
  const feet = /^(\d{1,3})['’′](\d{3})(?!\d)\s*(mm|cm|m|ml|l)?/i.exec(text);
  if (feet) {
    const [what, a = "", b = ""] = feet;
    return dimension === "length"
      ? twoWays(what, `${a}${b}`, `${a} ft ${b} in`)
      : `Write ${what} as ${a}${b}.`;
  }
  const grouped = /^(\d{1,3})\.(\d{3})(?!\d)\s*(mm|ml)\s*$/i.exec(text);
  if (grouped && grouped[1] !== "0") {
    const [what, a = "", b = "", unit = ""] = grouped;
    return twoWays(what.trim(), `${a}${b} ${unit}`, `${a}.${b.replace(/0+$/, "") || "0"} ${unit}`);
  }
  const less = /(\d+) +[-\u2013\u2212] +(\d+)\s*\/\s*(\d+)/.exec(text);
  if (less && Number(less[3]) > 0) {
    const [what, whole = "", over = "", under = ""] = less;
    const rest = Number(under) - Number(over);
    const lessOne = rest > 0 && Number(whole) > 0 ? `${Number(whole) - 1} ${rest}/${under}` : "what is left";
    return twoWays(what, `${whole} ${over}/${under}`, lessOne);
  }
  return null;
}

/** "1:30" is an hour and a half wherever a time is asked for. */
const CLOCK = /^(\d{1,3}):([0-5]\d)(?:\s*h)?$/;

/** Brings the ways people write numbers and units to one; says when a comma can mean two things. */
function plainNumbers(text: string, dimension: Dimension): Parsed | string {
  const spaced = text
    .replace(/[\u2009\u202f\u00a0]/g, " ")
    .replace(/[\u2044\u2215]/g, "/")
    .replace(/(\d) (?=\d{3}(?!\d|\s*\/))/g, "$1");
  const fractions = spaced.replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph]}`);
  const asked = askBack(fractions, dimension);
  if (asked) return { ok: false, message: asked };
  const twoWays = fractions.match(/\d{1,3}(,\d{3})+(?!\d)/);
  if (twoWays) {
    const [a, b] = [twoWays[0].replaceAll(",", ""), twoWays[0].replace(",", ".")];
    return { ok: false, message: `${twoWays[0]} can be read two ways: write ${a} or ${b}.` };
  }
  return fractions
    .replace(/\/ ?100 ?(ft2|ft²|sq ?ft)/gi, "/hundredft")
    .replace(/(\d),(\d)/g, "$1.$2")
    .replace(/[\u2212\u2013]/g, "-")
    .replace(/([a-z])2(?!\w)/gi, "$1²")
    .replace(/([a-z])3(?!\w)/gi, "$1³")
    .replace(/([a-z])\./gi, "$1")
    .replace(/(['′’]|ft)\s*-\s*(?=\d)/gi, "$1 ")
    .replace(/(['′’]|[a-z])\s*(?:,|&|\band\b)\s*(?=\d)/gi, "$1 ");
}

function numberOfTerm(match: RegExpMatchArray): number | string {
  const [, sign, whole, over, under, over2, under2, decimal, exponent] = match;
  const bottom = under ?? under2;
  if (bottom !== undefined && Number(bottom) === 0) return "A fraction cannot have 0 below the line.";
  let value: number;
  if (whole !== undefined) value = Number(whole) + Number(over) / Number(under);
  else if (over2 !== undefined) value = Number(over2) / Number(under2);
  else value = Number(decimal) * 10 ** Number(exponent ?? 0);
  return sign === "-" ? -value : value;
}

function boundsMessage(
  value: number,
  dimension: Dimension,
  bounds: Bounds,
  system: UnitSystem,
): string | undefined {
  const written = (limit: number) => {
    const shown = formatQuantity(limit, dimension, system);
    return shown.unit ? `${shown.number} ${shown.unit}` : shown.number;
  };
  if (bounds.min !== undefined && value < bounds.min - 1e-9)
    return `Too small: the least is ${written(bounds.min)}.`;
  if (bounds.max !== undefined && value > bounds.max + 1e-9)
    return `Too large: the most is ${written(bounds.max)}.`;
  if (bounds.whole && !Number.isInteger(value)) return "Write a whole number.";
  return undefined;
}

/**
 * Reads what a person typed as a quantity.
 *
 * Takes decimals (point or comma), fractions ("3/8", "25 1/2", "25-1/2", "25½"), several terms ("2' 1.5\"", "1 gal 2 qt")
 * and any unit of the dimension; a bare number takes `fallback`, and a bare number after feet is inches.
 *
 * @param text what was typed
 * @param fallback symbol of the unit meant when none is typed
 * @param bounds limits in base units
 * @returns the value in base units, or what is wrong, in the user's words
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  system: UnitSystem,
  bounds: Bounds = {},
  fallback?: string,
): Parsed {
  const name = NAME[dimension];
  if (text.trim() === "") return { ok: false, message: `Type ${name}, for example ${EXAMPLE[dimension]}.` };
  if (text.length > LONGEST) return { ok: false, message: `That is too long for ${name}.` };
  const plain = plainNumbers(text.trim(), dimension);
  if (typeof plain !== "string") return plain;

  const bare = unitOf(dimension, fallback ?? SHOWN_UNIT[dimension][system]);
  const notOne: Parsed = {
    ok: false,
    message: `That is not ${name}. Write for example ${EXAMPLE[dimension]}.`,
  };
  const clock = dimension === "minutes" || dimension === "hours" ? CLOCK.exec(plain) : null;
  let rest = clock ? `${clock[1]} h ${clock[2]} min` : plain;
  let total = 0;
  let last: Unit | undefined;
  let terms = 0;
  while (rest.trim() !== "") {
    const match = rest.match(TERM);
    if (!match || match[0].length === 0) return notOne;
    const number = numberOfTerm(match);
    if (typeof number === "string") return { ok: false, message: number };
    const word = match[9]?.trim();
    const smaller = NEXT_SMALLER[dimension];
    let unit: Unit;
    if (word && BARE_WORDS[dimension]?.includes(word.toLowerCase())) unit = bare;
    else if (word) {
      const found = unitByWord(dimension, word);
      if (!found) {
        const known = UNITS[dimension].map((candidate) => candidate.symbol).filter(Boolean);
        const hint = known.length > 0 ? ` Use ${known.join(", ")}.` : " Write a number alone.";
        return {
          ok: false,
          message: `“${word.slice(0, 20)}” is not a unit of ${name.replace(/^an? /, "")}.${hint}`,
        };
      }
      unit = found;
    } else if (smaller && last?.symbol === smaller.unit) {
      unit = unitOf(dimension, smaller.then);
    } else if (terms > 0) {
      return notOne;
    } else {
      unit = bare;
    }
    if (terms > 0 && (number < 0 || !["length", "volume", "mass", "minutes", "hours"].includes(dimension)))
      return notOne;
    total += unit.toBase(number);
    last = unit;
    terms += 1;
    rest = rest.slice(match[0].length);
  }
  if (!Number.isFinite(total))
    return { ok: false, message: `That is not ${name}: it cannot be zero or endless.` };
  if (total < 0 && dimension !== "temperature" && bounds.min === undefined)
    return { ok: false, message: `Write ${name} above zero.` };
  const outside = boundsMessage(total, dimension, bounds, system);
  if (outside) return { ok: false, message: outside };
  return { ok: true, value: total, unit: (last ?? bare).symbol };
}
