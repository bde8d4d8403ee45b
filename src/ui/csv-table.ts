import Papa from "papaparse";

/** A CSV as it was read: its head, where it has one, and its lines. */
export type CsvTable = { head: string[]; rows: { line: number; cells: string[] }[] };

const MOST_ROWS = 20_000;

/** A line names columns when none of its cells is a number or a date. */
const isHead = (cells: readonly string[]): boolean => cells.every((cell) => !/^\W*\d/.test(cell.trim()));

/** What parts the cells of the first line: a comma only where nothing else does, since it may stand in numbers. */
const delimiterOf = (text: string): string => {
  const first = text.split(/\r?\n/).find((line) => line.trim() !== "") ?? "";
  return ["\t", ";", "|"].find((sign) => first.includes(sign)) ?? ",";
};

/** Reads a CSV with commas, semicolons or tabs; without a head its columns are counted. Lines that are empty are left out. */
export function readCsv(text: string): CsvTable {
  const bare = text.replace(/^\uFEFF/, "");
  const { data } = Papa.parse<string[]>(bare, { delimiter: delimiterOf(bare) });
  const lines = data
    .map((cells, index) => ({ line: index + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ""))
    .slice(0, MOST_ROWS);
  const [first] = lines;
  if (!first) return { head: [], rows: [] };
  const wide = Math.max(...lines.map(({ cells }) => cells.length));
  const counted = Array.from({ length: wide }, (_, n) => `column ${n + 1}`);
  if (!isHead(first.cells)) return { head: counted, rows: lines };
  return { head: counted.map((name, n) => first.cells[n] || name), rows: lines.slice(1) };
}

/** A column that is wanted: what it is called, and by which heads it is known. */
export type CsvColumn<Key extends string> = { key: Key; words: string; known: RegExp; needed?: boolean };

/** Which column of the file is which: the first whose head is known and that is nobody else's; those wanted first come first. */
export function guessColumns<Key extends string>(
  head: readonly string[],
  wanted: readonly CsvColumn<Key>[],
): Partial<Record<Key, number>> {
  const guessed: Partial<Record<Key, number>> = {};
  const taken = new Set<number>();
  for (const { key, known } of wanted) {
    const at = head.findIndex((name, n) => !taken.has(n) && known.test(name));
    if (at < 0) continue;
    guessed[key] = at;
    taken.add(at);
  }
  return guessed;
}

/**
 * A number as people write it in a table: "1,234.50", "1.234,50", "12,5", "$ 1 200". A comma alone before three digits parts thousands.
 * Null for what is none, or nothing.
 */
export function csvNumber(text: string): number | null {
  const bare = text.replace(/[\s\u00a0'’]|^[^\d,.-]+|[^\d]+$/g, "");
  if (!/^-?[\d.,]+$/.test(bare)) return null;
  const [comma, point] = [bare.lastIndexOf(","), bare.lastIndexOf(".")];
  const decimal =
    comma >= 0 && point >= 0
      ? comma > point
        ? ","
        : "."
      : comma >= 0 && (bare.indexOf(",") !== comma || /,\d{3}$/.test(bare))
        ? "."
        : comma >= 0
          ? ","
          : point >= 0 && bare.indexOf(".") !== point
            ? ","
            : ".";
  const plain = bare.replaceAll(decimal === "," ? "." : ",", "").replace(decimal, ".");
  const value = Number(plain);
  return plain !== "" && Number.isFinite(value) ? value : null;
}

/** A day as year-month-day; "3/14/2026" by the month first only where it cannot be otherwise or the shop reads so. Null for none. */
export function csvDay(text: string, monthFirst: boolean): string | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text);
  const other = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text);
  const parts = iso?.slice(1) ?? (other && [other[3], other[1], other[2]]);
  if (!parts) return null;
  const [year = 0, one = 0, two = 0] = parts.map(Number);
  const [month, day] = iso || (!text.includes(".") && monthFirst) ? [one, two] : [two, one];
  const date = new Date(Date.UTC(year, month - 1, day));
  if (date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day) return null;
  return date.toISOString().slice(0, 10);
}
