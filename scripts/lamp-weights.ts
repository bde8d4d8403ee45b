/**
 * Writes src/core/colour/lamp-weights.ts: what the CIE 1931 2° observer sees under each lamp, band by band, from the tables of Debian's package
 * colord-data (CIE 15 illuminants and colour-matching functions at 5 nm).
 *
 *   npx tsx scripts/lamp-weights.ts DIRECTORY-OF-COLORD
 */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { BANDS } from "../src/core/colour/observer";

const from = process.argv[2];
if (!from) throw new Error("Name the directory that holds illuminant/ and cmf/.");

/** Rows of a table by wavelength, nm. */
function tableOf(path: string): { startNm: number; stepNm: number; rows: number[][] } {
  const text = readFileSync(path, "utf8");
  const number = (name: string) => Number(new RegExp(`${name}\\s+"?([\\d.]+)`).exec(text)?.[1]);
  const [startNm, endNm] = [number("SPECTRAL_START_NM"), number("SPECTRAL_END_NM")];
  const data = /BEGIN_DATA\r?\n([\s\S]*?)END_DATA\r?\n?/.exec(text)?.[1] ?? "";
  const rows = data
    .trim()
    .split(/\r?\n/)
    .map((line) => line.trim().split(/\s+/).map(Number).filter(Number.isFinite));
  return { startNm, stepNm: (endNm - startNm) / ((rows[0]?.length ?? 2) - 1), rows };
}
const at = (
  { startNm, stepNm }: { startNm: number; stepNm: number },
  row: readonly number[],
  nm: number,
): number => {
  const place = (nm - startNm) / stepNm;
  const low = Math.floor(place);
  if (place < 0 || low >= row.length) return 0;
  const [a = 0, b = a] = [row[low], row[low + 1]];
  return a + (b - a) * (place - low);
};

const observer = tableOf(join(from, "cmf", "CIE1931-2deg-XYZ.cmf"));
const LAMPS = { A: "CIE-A", F2: "CIE-F2", F11: "CIE-F11", F12: "CIE-F12" };

/** A reflectance between two bands is on the line between them; beyond the ends it is that of the last band (as in ASTM E308). */
function weightsOf(file: string): number[][] {
  const lamp = tableOf(join(from as string, "illuminant", `${file}.sp`));
  const power = lamp.rows[0] ?? [];
  const weights = [0, 1, 2].map(() => new Array<number>(BANDS).fill(0));
  for (let nm = 360; nm <= 780; nm += 5) {
    const place = Math.min(BANDS - 1, Math.max(0, (nm - 380) / 10));
    const low = Math.min(BANDS - 2, Math.floor(place));
    const over = place - low;
    weights.forEach((row, axis) => {
      const seen = at(lamp, power, nm) * at(observer, observer.rows[axis] ?? [], nm);
      row[low] = (row[low] ?? 0) + seen * (1 - over);
      row[low + 1] = (row[low + 1] ?? 0) + seen * over;
    });
  }
  const white = weights[1]?.reduce((sum, weight) => sum + weight, 0) ?? 1;
  return weights.map((row) => row.map((weight) => Number((weight / white).toPrecision(7))));
}

const out = Object.fromEntries(Object.entries(LAMPS).map(([id, file]) => [id, weightsOf(file)]));
writeFileSync(
  "src/core/colour/lamp-weights.ts",
  `/**
 * Weights of the CIE 1931 2° observer under lamps, as {@link WEIGHTS} are under D65; a perfect white has Y = 1. Written by
 * scripts/lamp-weights.ts from the tables of CIE 15 at 5 nm.
 */
export const LAMP_WEIGHTS = ${JSON.stringify(out)} as const satisfies Record<string, readonly (readonly number[])[]>;
`,
);
