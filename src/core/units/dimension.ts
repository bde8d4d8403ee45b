import {
  G_PER_LB,
  G_PER_OZ,
  ML_PER_US_FL_OZ,
  ML_PER_US_GALLON,
  MM2_PER_FT2,
  MM2_PER_M2,
  MM3_PER_ML,
  MM_PER_FOOT,
  MM_PER_INCH,
  MM_PER_MIL,
} from "./constants";

/** The two systems a shop may think in; the other one is always shown beside. */
export type UnitSystem = "us" | "metric";

export type Dimension =
  | "length"
  | "film"
  /** A film as a comb reads it, tooth by tooth. */
  | "comb"
  | "area"
  /** Of something small, such as a tumbler. */
  | "surface"
  | "volume"
  /** Of what is sprayed: volume on an area. */
  | "spray"
  | "mass"
  | "temperature"
  | "minutes"
  | "hours"
  | "percent"
  | "angle"
  | "density"
  | "viscosity"
  | "rate"
  | "number";

export type Unit = {
  /** How it is written beside a number. */
  symbol: string;
  /** Other ways people type it, lower case, without spaces. */
  aliases: readonly string[];
  toBase: (typed: number) => number;
  fromBase: (base: number) => number;
};

const linear = (symbol: string, perUnit: number, aliases: string[] = []): Unit => ({
  symbol,
  aliases,
  toBase: (typed) => typed * perUnit,
  fromBase: (base) => base / perUnit,
});

const reciprocal = (symbol: string, product: number, aliases: string[]): Unit => ({
  symbol,
  aliases,
  toBase: (typed) => product / typed,
  fromBase: (base) => product / base,
});

/** Wet film of one unit of volume over one unit of area, mm. */
const FL_OZ_PER_FT2_MM = (ML_PER_US_FL_OZ * MM3_PER_ML) / MM2_PER_FT2;
const FT2_PER_GAL_MM = (ML_PER_US_GALLON * MM3_PER_ML) / MM2_PER_FT2;

const FILM: readonly Unit[] = [
  linear("mm", 1, []),
  linear("cm", 10, []),
  linear("µm", 0.001, ["um", "μm", "micron", "microns"]),
  linear("mil", MM_PER_MIL, ["mils", "thou"]),
  linear("in", MM_PER_INCH, ['"', "″", "inch", "inches"]),
  linear("fl oz/ft²", FL_OZ_PER_FT2_MM, [
    "floz/ft2",
    "floz/ft²",
    "oz/ft2",
    "oz/ft²",
    "oz/sqft",
    "floz/sqft",
    "ozpersqft",
    "ozperft2",
  ]),
  reciprocal("ft²/gal", FT2_PER_GAL_MM, ["ft2/gal", "sqft/gal", "ft²/usgal", "ft2/usgal", "sqftpergal"]),
  linear("L/m²", 1, ["l/m2", "l/m²", "litre/m2", "liter/m2"]),
  linear("ml/m²", 0.001, ["ml/m2"]),
  reciprocal("m²/L", 1, ["m2/l", "m²/l"]),
];

/** Units by dimension; the first is the base in which the core computes. */
export const UNITS: Record<Dimension, readonly Unit[]> = {
  length: [
    linear("mm", 1, ["millimetre", "millimetres", "millimeter", "millimeters"]),
    linear("cm", 10, ["centimetre", "centimetres", "centimeter", "centimeters"]),
    linear("m", 1000, ["metre", "metres", "meter", "meters"]),
    linear("in", MM_PER_INCH, ['"', "″", "”", "''", "inch", "inches", "in."]),
    linear("ft", MM_PER_FOOT, ["'", "′", "’", "foot", "feet", "ft."]),
    linear("yd", 3 * MM_PER_FOOT, ["yard", "yards"]),
  ],
  film: FILM,
  comb: FILM,
  area: [
    linear("mm²", 1, ["mm2", "sqmm"]),
    linear("cm²", 100, ["cm2", "sqcm"]),
    linear("m²", MM2_PER_M2, [
      "m2",
      "sqm",
      "m",
      "squaremetre",
      "squaremetres",
      "squaremeter",
      "squaremeters",
    ]),
    linear("in²", MM_PER_INCH ** 2, ["in2", "sqin", "squareinch", "squareinches"]),
    // "40 ft" of a top means square feet here.
    linear("ft²", MM2_PER_FT2, ["ft2", "sqft", "ft", "sf", "squarefoot", "squarefeet", "sqfeet"]),
  ],
  surface: [
    linear("mm²", 1, ["mm2"]),
    linear("cm²", 100, ["cm2", "sqcm"]),
    linear("in²", MM_PER_INCH ** 2, ["in2", "sqin"]),
  ],
  volume: [
    linear("ml", 1, ["millilitre", "millilitres", "milliliter", "milliliters", "cc", "cm3", "cm³"]),
    linear("cl", 10, ["centilitre", "centilitres", "centiliter", "centiliters"]),
    linear("dl", 100, ["decilitre", "decilitres", "deciliter", "deciliters"]),
    linear("L", 1000, ["l", "litre", "litres", "liter", "liters"]),
    linear("fl oz", ML_PER_US_FL_OZ, ["floz", "oz", "ounce", "ounces", "fl.oz", "fl.oz."]),
    linear("tsp", ML_PER_US_FL_OZ / 6, ["teaspoon", "teaspoons"]),
    linear("tbsp", ML_PER_US_FL_OZ / 2, ["tbs", "tablespoon", "tablespoons"]),
    linear("cup", 8 * ML_PER_US_FL_OZ, ["cups"]),
    linear("pt", 16 * ML_PER_US_FL_OZ, ["pint", "pints"]),
    linear("qt", 32 * ML_PER_US_FL_OZ, ["quart", "quarts"]),
    linear("gal", ML_PER_US_GALLON, ["gallon", "gallons", "usgal"]),
  ],
  spray: [
    linear("ml/m²", 1, ["ml/m2", "ml/sqm"]),
    linear("fl oz/100 ft²", ML_PER_US_FL_OZ / ((100 * MM2_PER_FT2) / MM2_PER_M2), [
      // As the reader of quantities writes "/100 ft²": no digits stand within a unit.
      "floz/hundredft",
      "oz/hundredft",
    ]),
    linear("fl oz/ft²", ML_PER_US_FL_OZ / (MM2_PER_FT2 / MM2_PER_M2), ["floz/ft2", "oz/ft2", "oz/sqft"]),
  ],
  mass: [
    linear("g", 1, ["gram", "grams", "gr"]),
    linear("mg", 0.001, ["milligram", "milligrams"]),
    linear("kg", 1000, ["kilo", "kilos", "kilogram", "kilograms"]),
    linear("oz", G_PER_OZ, ["ounce", "ounces"]),
    linear("lb", G_PER_LB, ["lbs", "pound", "pounds"]),
  ],
  temperature: [
    linear("°C", 1, [
      "c",
      "degc",
      "celsius",
      "ºc",
      "degreec",
      "degreesc",
      "degcelsius",
      "degreecelsius",
      "degreescelsius",
      "°celsius",
    ]),
    {
      symbol: "°F",
      aliases: [
        "f",
        "degf",
        "fahrenheit",
        "ºf",
        "degreef",
        "degreesf",
        "degfahrenheit",
        "degreefahrenheit",
        "degreesfahrenheit",
        "°fahrenheit",
      ],
      toBase: (f) => ((f - 32) * 5) / 9,
      fromBase: (c) => (c * 9) / 5 + 32,
    },
  ],
  minutes: [
    linear("min", 1, ["m", "minute", "minutes", "mins", "'"]),
    linear("h", 60, ["hour", "hours", "hr", "hrs"]),
    linear("s", 1 / 60, ["sec", "second", "seconds"]),
    linear("d", 1440, ["day", "days"]),
  ],
  hours: [
    linear("h", 1, ["hour", "hours", "hr", "hrs"]),
    linear("min", 1 / 60, ["minute", "minutes", "mins"]),
    linear("d", 24, ["day", "days"]),
  ],
  percent: [linear("%", 1, ["percent", "pct"])],
  angle: [linear("°", 1, ["deg", "degree", "degrees", "º"])],
  density: [
    linear("g/ml", 1, ["g/cm3", "g/cm³", "g/cc", "kg/l", "kg/L"]),
    linear("kg/m³", 0.001, ["kg/m3"]),
    linear("lb/gal", G_PER_LB / ML_PER_US_GALLON, ["lbs/gal", "ppg"]),
  ],
  viscosity: [
    linear("Pa·s", 1, ["pas", "pa.s", "pa*s"]),
    linear("mPa·s", 0.001, ["mpas", "mpa.s", "cp", "cps", "centipoise"]),
  ],
  rate: [
    linear("m²/h", 1, ["m2/h", "sqm/h"]),
    linear("ft²/h", MM2_PER_FT2 / MM2_PER_M2, ["ft2/h", "sqft/h", "ft²/hr", "ft2/hr", "sqft/hr"]),
  ],
  number: [linear("", 1, [])],
};

/** The unit in which a field of this dimension is shown and, when no unit is typed, read. */
export const SHOWN_UNIT: Record<Dimension, Record<UnitSystem, string>> = {
  length: { metric: "mm", us: "in" },
  film: { metric: "mm", us: "fl oz/ft²" },
  comb: { metric: "µm", us: "mil" },
  area: { metric: "m²", us: "ft²" },
  surface: { metric: "cm²", us: "in²" },
  volume: { metric: "ml", us: "fl oz" },
  spray: { metric: "ml/m²", us: "fl oz/100 ft²" },
  mass: { metric: "g", us: "g" },
  temperature: { metric: "°C", us: "°F" },
  minutes: { metric: "min", us: "min" },
  hours: { metric: "h", us: "h" },
  percent: { metric: "%", us: "%" },
  angle: { metric: "°", us: "°" },
  density: { metric: "g/ml", us: "g/ml" },
  viscosity: { metric: "mPa·s", us: "mPa·s" },
  rate: { metric: "m²/h", us: "ft²/h" },
  number: { metric: "", us: "" },
};

/**
 * The unit of a dimension by its symbol.
 * @throws when the dimension has no such unit.
 */
export function unitOf(dimension: Dimension, symbol: string): Unit {
  const unit = UNITS[dimension].find((candidate) => candidate.symbol === symbol);
  if (!unit) throw new Error(`No unit "${symbol}" of ${dimension}`);
  return unit;
}

/** The unit a person means by a typed word, or undefined. */
export function unitByWord(dimension: Dimension, word: string): Unit | undefined {
  const plain = word.toLowerCase().replace(/\s+/g, "");
  return UNITS[dimension].find(
    (unit) => unit.symbol.toLowerCase().replace(/\s+/g, "") === plain || unit.aliases.includes(plain),
  );
}
