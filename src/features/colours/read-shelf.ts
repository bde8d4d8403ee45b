import Papa from "papaparse";
import type { z } from "zod";
import { colourCardFields, type ColourCardFields } from "@/contracts/colour-card";
import { COLOUR_KIND_WORDS, type Appearance, type ColourKind } from "@/core/colour/colour-card";
import { readColour } from "@/core/colour/read-colour";
import { hexOfChannels, hexOfLab, type Lab } from "@/core/colour/spaces";
import type { FileProblem } from "@/ui/file-problems";

/** A colour of a file, with the line where it stands. */
export type ShelfLine = { line: number; fields: ColourCardFields };
export type ReadShelf = { colours: ShelfLine[]; problems: FileProblem[] };

const MOST_SIGNS = 4_000_000;
/** Lines that are looked at: ten times what can be added at one time. */
const MOST_LINES = 5000;
const TOO_MANY_LINES: FileProblem = {
  line: null,
  message: `Only the first ${MOST_LINES} lines are read. Split the file.`,
};
export const MOST_COLOURS = 500;

/** What a colour begins with that a file says nothing of (common practice, no source). */
const USUAL = {
  index: "",
  mostPer100G: null,
  measure: { unit: "gram" as const },
  densityGPerMl: 1.2,
  pricePerKg: null,
};

/** Of a colour alone nothing but its full strength is known: its card is marked rough, or unknown where that says nothing. */
function lookOf(kind: ColourKind, hex: string, lab: Lab | null): Appearance {
  if (kind === "dye" || kind === "alcohol-ink") return { by: "dye", hex, filmMm: 1, gPer100G: 0.2 };
  if (kind === "mica" || kind === "glitter" || kind === "spray-paint") return { by: "unknown", hex };
  return {
    by: "swatches",
    swatches: { masstone: lab ? { lab } : { hex }, tint: null, shade: null },
    opacity: "semi",
    dryShare: 1,
  };
}

const inWords = (error: z.ZodError): string => error.issues[0]?.message ?? "That cannot be read.";

/** A palette as GIMP writes it: three numbers of 0 to 255 and a name to a line. */
function readPalette(lines: readonly string[]): ReadShelf {
  const colours: ShelfLine[] = [];
  const problems: FileProblem[] = [];
  if (lines.length > MOST_LINES) problems.push(TOO_MANY_LINES);
  lines.slice(0, MOST_LINES).forEach((text, index) => {
    const line = index + 1;
    if (index === 0 || text.trim() === "" || /^\s*#/.test(text) || /^(Name|Columns):/.test(text)) return;
    const [, red, green, blue, rest = ""] = /^\s*(\d+)\s+(\d+)\s+(\d+)(?:\s+(.*))?$/.exec(text) ?? [];
    const channels = [red, green, blue].map(Number);
    if (red === undefined || channels.some((value) => value > 255)) {
      problems.push({
        line,
        message: `Three numbers of 0 to 255 and a name are wanted, not “${text.trim().slice(0, 40)}”.`,
      });
      return;
    }
    const hex = hexOfChannels(channels as [number, number, number]);
    const read = colourCardFields.safeParse({
      ...USUAL,
      name: rest.trim() || hex,
      kind: "paste",
      appearance: lookOf("paste", hex, null),
    });
    if (read.success) colours.push({ line, fields: read.data });
    else problems.push({ line, message: inWords(read.error) });
  });
  return { colours, problems };
}

const KINDS = new Map(
  (Object.entries(COLOUR_KIND_WORDS) as [ColourKind, string][]).flatMap(([kind, words]) => [
    [kind as string, kind],
    [words, kind],
  ]),
);

/** Names that were disarmed when they were written, or by a spreadsheet. */
const armed = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, "").trim();

/** A number as people type it; undefined where nothing stands, NaN where it is none. */
function number(text: string | undefined): number | undefined {
  if (text === undefined || text.trim() === "") return undefined;
  return Number(text.trim().replace(",", "."));
}

function json(text: string | undefined): { ok: true; value: unknown } | { ok: false } | null {
  if (!text || text.trim() === "") return null;
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    return { ok: false };
  }
}

/** One row of a shelf; a message where it cannot be read. */
function readRow(row: Record<string, string>): ColourCardFields | string {
  const kind = KINDS.get(armed(row["kind"] ?? "paste") || "paste");
  if (!kind)
    return `“${row["kind"]}” is no kind of colour; write one of ${Object.values(COLOUR_KIND_WORDS).join(", ")}.`;
  const numbers = {
    most: row["most_g_per_100g"],
    density: row["density_g_per_ml"],
    price: row["price_per_kg"],
  };
  for (const [what, text] of Object.entries(numbers))
    if (Number.isNaN(number(text))) return `“${text}” is no number for the ${what}.`;
  const [look, dose] = [json(row["look"]), json(row["dose"])];
  if (look && !look.ok) return "Its look is no JSON; leave it empty, and its hex is taken.";
  if (dose && !dose.ok) return "Its dose is no JSON; leave it empty, and it is measured in grams.";
  let appearance: unknown = look?.value;
  if (!look) {
    const lab = ["L", "a", "b"].map((axis) => number(row[axis]));
    if (lab.some(Number.isNaN)) return "L, a and b must be numbers, or empty.";
    const known = lab.every((value) => value !== undefined) ? (lab as unknown as Lab) : null;
    const typed = armed(row["hex"] ?? "");
    const hex = typed ? readColour(typed) : null;
    if (hex && !hex.ok) return hex.message;
    if (!known && !hex) return "Its colour is missing: write hex, or L, a and b.";
    const shown = hex && "hex" in hex ? hex.hex : hexOfLab(known ?? (hex as { lab: Lab }).lab);
    appearance = lookOf(kind, shown, known);
  }
  const read = colourCardFields.safeParse({
    ...USUAL,
    name: armed(row["name"] ?? ""),
    index: armed(row["pigment"] ?? ""),
    kind,
    appearance,
    mostPer100G: number(numbers.most) ?? null,
    densityGPerMl: number(numbers.density) ?? USUAL.densityGPerMl,
    pricePerKg: number(numbers.price) ?? null,
    ...(dose ? { measure: dose.value } : {}),
  });
  return read.success ? read.data : inWords(read.error);
}

function readCsv(text: string): ReadShelf {
  const colours: ShelfLine[] = [];
  const problems: FileProblem[] = [];
  let head: string[] | null = null;
  let at = 0;
  let counted = 1;
  Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    step: ({ data, errors, meta }, parser) => {
      // A cell in quotes may hold line breaks: lines are counted in the text, not in rows.
      const line = counted;
      for (
        let next = text.indexOf("\n", at);
        next >= 0 && next < meta.cursor;
        next = text.indexOf("\n", next + 1)
      )
        counted += 1;
      at = meta.cursor;
      if (line > MOST_LINES) {
        problems.push(TOO_MANY_LINES);
        parser.abort();
        return;
      }
      if (data.every((cell) => cell.trim() === "")) return;
      if (errors.some(({ type }) => type === "Quotes")) {
        problems.push({ line, message: "A quote is opened and not closed, or stands where none belongs." });
        return;
      }
      if (!head) {
        head = data.map((cell) => cell.trim());
        if (!head.includes("name"))
          problems.push({ line, message: "The first line must name its columns; one of them is “name”." });
        return;
      }
      if (!head.includes("name")) return;
      const row = Object.fromEntries(head.map((column, index) => [column, data[index] ?? ""]));
      const read = readRow(row);
      if (typeof read === "string") problems.push({ line, message: read });
      else colours.push({ line, fields: read });
    },
  });
  return { colours, problems };
}

/** Colours from the text of a CSV or of a GIMP palette; what cannot be read is told by line, the rest is read. */
export function readShelf(text: string): ReadShelf {
  if (text.length > MOST_SIGNS)
    return {
      colours: [],
      problems: [{ line: null, message: "That is far too long for a shelf of colours." }],
    };
  // A mark at the start of the file, as spreadsheets leave it, is no part of it.
  const source = text.replace(/^\uFEFF/, "");
  if (source.includes("\u0000"))
    return {
      colours: [],
      problems: [{ line: null, message: "That is no text: choose a .csv or .gpl file." }],
    };
  const lines = source.split(/\r?\n/);
  const read = lines[0]?.trim() === "GIMP Palette" ? readPalette(lines) : readCsv(source);
  if (read.colours.length === 0 && read.problems.length === 0)
    return { colours: [], problems: [{ line: null, message: "There is no colour in it." }] };
  const seen = new Map<string, number>();
  const twice = new Set(
    read.colours.filter(({ line, fields }) => {
      const first = seen.get(fields.name.toLowerCase());
      if (first === undefined) seen.set(fields.name.toLowerCase(), line);
      return first !== undefined;
    }),
  );
  return {
    colours: read.colours.filter((colour) => !twice.has(colour)),
    problems: [
      ...read.problems,
      ...[...twice].map(({ line, fields }) => ({
        line,
        message: `“${fields.name}” stands on line ${seen.get(fields.name.toLowerCase())} already.`,
      })),
    ].sort((a, b) => (a.line ?? 0) - (b.line ?? 0)),
  };
}
