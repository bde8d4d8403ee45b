import { MEASURE_WORDS, type DoseMeasure } from "../batch/dose";
import { FACTORS } from "../batch/factors";
import type { GivenAmount } from "../batch/given";
import { COAT_WORDS, type NotBefore } from "../schedule/coat";
import type { Repeat } from "../schedule/pass";
import { BEFORE_WORDS, coatWhenWords, whenWords } from "../schedule/when";
import { PASS, type PassKind } from "../passes/facts";
import { quantityText } from "../units/format-quantity";
import type { Dimension, UnitSystem } from "../units/dimension";
import type { JobDocument } from "./job";
import { clockText } from "../units/clock";

/** One difference between two versions of a job: where, what it was, what it is. */
export type Change = { where: string; before: string; after: string };

const FIELD_WORDS: Record<string, string> = {
  lengthMm: "length",
  depthMm: "depth",
  returnLengthMm: "length of the return",
  returnDepthMm: "depth of the return",
  diameterMm: "diameter",
  heightMm: "height of the face",
  roundingMm: "rounding",
  fromLeftMm: "from the left",
  fromFrontMm: "from the front",
  filmMm: "film",
  coverShare: "share of the area",
  coversFaces: "faces coated",
  resinCardId: "resin",
  clearReserve: "clear held back",
  rateM2PerH: "rate of work",
  startsAfter: "start",
  tempC: "temperature",
  startMin: "start of the day",
  gPer100G: "dose per 100 g",
  mlPerM2: "amount by area",
  fromMin: "from minute",
  afterMin: "waits",
  afterPassId: "waits for",
  atMinute: "not before",
  lastsMin: "takes",
  repeat: "comes again",
  sections: "sections",
  colourIds: "colours used",
  toolWetWith: "tool wetted with",
  notBefore: "begins not before",
  after: "waits for",
  stopHere: "may stop here",
  hex: "colour",
  innerFace: "inner face",
  factors: "losses",
  doors: "doors",
  edge: "side",
  atMm: "along it",
  points: "corners",
  starts: "edges",
  stations: "readings",
  overhangMm: "overhang",
  mitreLeftDeg: "left cut",
  mitreRightDeg: "right cut",
  cornerRadiiMm: "corner radii",
  topDiameterMm: "diameter at the top",
  bottomDiameterMm: "diameter at the base",
  rimBandMm: "bare band",
  draftDeg: "draft",
  bothSides: "both sides",
  groundByPiece: "ground by piece",
  filmByPieceMm: "film by piece",
  pieceIds: "pieces",
  zonesByPiece: "zones",
  filmByZoneMm: "film by zone",
  layout: "what goes where",
  placeIds: "goes on",
  division: "zones",
  weights: "where colours go",
  reachMm: "how far it reaches",
  colourId: "colour",
  dividers: "division",
  rest: "what is left",
  zones: "zones",
  within: "takes from",
  barrier: "barrier",
  drawn: "line",
  poolMm: "recess or pool",
  widthsMm: "widths",
  fromMm: "begins at",
  jointMm: "joint",
  sizeMm: "size of the stones",
  moved: "stones moved",
  byKits: "by kits",
  given: "amount given",
  measure: "measured",
  dropMl: "a drop",
  gramsPerSpoon: "a level spoon",
  givenMl: "amount in its cups",
  cupDose: "dose in each cup",
  batches: "number of batches",
  vesselsMl: "vessels",
  scaleStepG: "scale",
  mmPerPx: "scale",
  gPerM2: "mass to a square metre",
  coldC: "coldest",
  coldAtMin: "coldest at",
  warmC: "warmest",
  warmAtMin: "warmest at",
  humidityPct: "humidity",
  startOn: "first day",
  hours: "hours",
  openMin: "open from",
  closeMin: "open until",
  sleepFromMin: "asleep from",
  sleepToMin: "asleep until",
  readings: "readings",
  target: "target",
  otherTargets: "other targets",
  recipe: "recipe",
  setAside: "advice set aside",
  massG: "mass",
  lockedShare: "locked in",
  single: "set one by one",
  perM2: "to a square metre",
  perM: "to a metre",
  zoneIds: "zones",
  rehearsal: "rehearsal",
  seed: "sister",
  angleDeg: "direction",
  pour: "poured as",
  way: "drawn",
  drops: "drops",
  pressure: "pressure",
  many: "how many",
  turnDeg: "off the direction",
  wideMm: "width",
  strokes: "practised pulls",
  strokesOnMm: "size of the piece they were practised on",
  veinMap: "vein map",
  places: "places",
  sets: "sets",
  veins: "veins",
  metresPerM2: "density",
  thickMm: "thickness",
  manner: "manner",
  contrast: "thick : thin",
  branching: "branches",
  hairs: "hairlines",
  hazeMm: "haze",
  ...Object.fromEntries(Object.values(FACTORS).map(({ id, name }) => [id, name])),
};

/** Levels of the document that a person does not see as one. */
const TRANSPARENT = new Set([
  "shape",
  "work",
  "pieces",
  "coats",
  "colours",
  "passes",
  "cutOuts",
  "edges",
  "voids",
  "embeds",
  "outline",
]);

type Plain = string | number | boolean | null | undefined;

/** What a number of a field is a number of; null where it is a plain one. */
function dimensionOf(key: string): Dimension | "clock" | "share" | null {
  if (key === "filmMm") return "film";
  if (key.endsWith("Mm")) return "length";
  if (key === "dropMl" || key === "densityGPerMl") return null;
  if (key.endsWith("Ml") || key === "ml") return "volume";
  if (key.endsWith("C")) return "temperature";
  if (
    [
      "atMinute",
      "startMin",
      "openMin",
      "closeMin",
      "sleepFromMin",
      "sleepToMin",
      "coldAtMin",
      "warmAtMin",
    ].includes(key)
  )
    return "clock";
  if (key.endsWith("Min")) return "minutes";
  if (key.endsWith("Pct")) return "percent";
  if (["share", "coverShare", "reserve", "clearReserve", "lockedShare"].includes(key)) return "share";
  if (key.endsWith("Deg")) return "angle";
  if (key === "rateM2PerH") return "rate";
  return key === "massG" ? "mass" : null;
}

function numberWords(value: number, key: string, system: UnitSystem): string {
  const dimension = dimensionOf(key);
  if (dimension === null || !Number.isFinite(value)) return String(Number(value.toPrecision(5)));
  if (dimension === "share") return `${Number((value * 100).toPrecision(4))} %`;
  if (dimension === "clock") return clockText(value);
  return quantityText(value, dimension, system);
}

function written(value: unknown, key = "", system: UnitSystem = "metric"): string {
  if (value === null || value === undefined) return "none";
  if (typeof value === "number") return numberWords(value, key, system);
  if (key === "resinCardId") return "a card";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string")
    return value === "" ? "empty" : value.length > 60 ? `${value.slice(0, 57)}…` : value;
  const named = value as { name?: unknown; kind?: unknown };
  if (typeof named.name === "string" && named.name !== "") return named.name;
  if (typeof named.kind !== "string") return "set";
  if (Object.hasOwn(PASS, named.kind)) return PASS[named.kind as PassKind].words;
  return (COAT_WORDS as Record<string, string>)[named.kind] ?? named.kind;
}

/** What is told as one, whatever it is made of. */
const AS_ONE: Record<string, (value: unknown, system: UnitSystem) => string> = {
  given: (value, system) => (value ? givenText(value as GivenAmount, system) : "the film"),
  repeat: (value) => (value ? whenWords({ repeat: value as Repeat }, [], "") : "once"),
  notBefore: (value) => (value ? coatWhenWords({ notBefore: value as NotBefore }) : "nothing"),
  afterPassId: (value) => (value ? "another pass" : BEFORE_WORDS.pass),
  toolWetWith: (value) =>
    value === undefined ? "nothing" : value === "alcohol" || value === "clear" ? value : "a colour",
  colourIds: (value) => (value ? `${(value as unknown[]).length}` : "all"),
  measure: (value) => MEASURE_WORDS[(value as DoseMeasure).unit],
};

function givenText(given: GivenAmount, system: UnitSystem): string {
  const volume = (ml: number) => quantityText(ml, "volume", system);
  const times = (count: number) => (count > 1 ? `${count} × ` : "");
  switch (given.by) {
    case "mixed":
      return `${volume(given.ml)} mixed`;
    case "kits":
      return `${times(given.count)}kit of ${volume(given.kitMl)}`;
    case "vessel":
      return `${times(given.count)}what fits ${volume(given.vesselMl)}`;
    case "coverage":
      return `${volume(given.ml)} for ${quantityText(given.areaMm2, "area", system)}`;
    case "cups":
      return "the cups";
  }
}

const isPlain = (value: unknown): value is Plain => value === null || typeof value !== "object";

type Into = { changes: Change[]; system: UnitSystem; key: string };

function compare(before: unknown, after: unknown, path: string[], into: Into): void {
  if (Object.is(before, after)) return;
  const { changes, system, key } = into;
  const asOne = AS_ONE[key];
  if (asOne) {
    const [was, is] = [asOne(before, system), asOne(after, system)];
    if (was !== is) {
      changes.push({ where: path.join(" · "), before: was, after: is });
      return;
    }
  }
  if (isPlain(before) || isPlain(after)) {
    if (!(before === undefined && after === null) && !(before === null && after === undefined))
      changes.push({
        where: path.join(" · "),
        before: written(before, key, system),
        after: key === "resinCardId" ? "another card" : written(after, key, system),
      });
    return;
  }
  if (Array.isArray(before) && Array.isArray(after)) {
    compareLists(before as { id?: string }[], after as { id?: string }[], path, into);
    return;
  }
  const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
    if (key === "id" || key === "format") continue;
    // What is set for the first time is told field by field, not as a whole, where the level itself is not seen.
    const blank = TRANSPARENT.has(key) && !Array.isArray(a[key] ?? b[key]) ? {} : undefined;
    compare(
      a[key] ?? blank,
      b[key] ?? blank,
      TRANSPARENT.has(key) ? path : [...path, FIELD_WORDS[key] ?? key],
      { ...into, key },
    );
  }
}

function compareLists(
  before: readonly { id?: string }[],
  after: readonly { id?: string }[],
  path: string[],
  into: Into,
): void {
  const { changes } = into;
  // Corners and stations have no names of their own: their list is one thing.
  if ([...before, ...after].every((item) => item?.id === undefined)) {
    if (JSON.stringify(before) !== JSON.stringify(after))
      changes.push({
        where: path.join(" · "),
        before: `${before.length}`,
        after: before.length === after.length ? `${after.length}, moved` : `${after.length}`,
      });
    return;
  }
  const byId = new Map(before.map((item) => [item.id, item]));
  for (const item of after) {
    const was = byId.get(item.id);
    if (was) compare(was, item, [...path, written(item)], into);
    else changes.push({ where: path.join(" · ") || "job", before: "none", after: written(item) });
    byId.delete(item.id);
  }
  for (const gone of byId.values())
    changes.push({ where: path.join(" · ") || "job", before: written(gone), after: "none" });
  const kept = after.filter((item) => before.some((was) => was.id === item.id)).map((item) => item.id);
  const order = before.filter((item) => kept.includes(item.id)).map((item) => item.id);
  if (kept.join() !== order.join())
    changes.push({ where: [...path, "order"].join(" · "), before: "as it was", after: "changed" });
}

/** The differences between two of a kind, in words and in a person's units, in the order of their fields. */
export function differencesOf<Kind extends object>(
  before: Kind,
  after: Kind,
  system: UnitSystem = "metric",
): Change[] {
  const changes: Change[] = [];
  compare(before, after, [], { changes, system, key: "" });
  return changes;
}

/** The differences between two versions of a job, in words, in the order of the document. */
export const describeChanges = (
  before: JobDocument,
  after: JobDocument,
  system: UnitSystem = "metric",
): Change[] => differencesOf(before, after, system);

/** The place of a field in a document, as a person knows it: "Ink tumbler · Alcohol · how many". */
export function wordsOfPath(document: unknown, path: readonly string[]): string {
  const words: string[] = [];
  let here = document;
  for (const key of path) {
    const next = (here as Record<string, unknown> | undefined)?.[key];
    if (Array.isArray(here)) words.push(isPlain(next) ? `${Number(key) + 1}` : written(next));
    else if (!TRANSPARENT.has(key)) words.push(FIELD_WORDS[key] ?? key);
    here = next;
  }
  return words.join(" · ");
}
