import { summedOver } from "../numerics/fft";

/** A place on a piece, mm, and how far it lies from the nearest edge. */
export type Place = { x: number; y: number; edgeMm: number };

/** What a comb said at a place: the last tooth that was wetted and the first that was not, µm; null for none and for all of them. */
export type CombReading = Place & { lo: number | null; hi: number | null };

/** A piece cut in equal cells, by their rows and columns on one grid. */
export type Cells = { sideMm: number; places: readonly (Place & { column: number; row: number })[] };

/** How the film may vary: by what share, and over what distance as a share of √area. */
export type FilmScale = { sf: number; ell: number };
export const USUAL_SCALE: FilmScale = { sf: 0.15, ell: 0.25 };

/** The width of a comb's step, µm; null at its ends. */
export const widthOf = ({ lo, hi }: CombReading) => (lo === null || hi === null ? null : hi - lo);

const LEVEL = 0.15;
const AT_EDGE = 0.2;
const EDGE_MM = 30;
const TILT = 0.08;
/** A comb read twice at one place differs by so much: of the film, and µm (judgement). */
const NUGGET_SHARE = 0.05;
const NUGGET_UM = 10;
export const nuggetUm = (meanUm: number) => Math.hypot(NUGGET_SHARE * meanUm, NUGGET_UM);

const middleOf = (places: readonly Place[]) => ({
  x: places.reduce((sum, { x }) => sum + x, 0) / places.length,
  y: places.reduce((sum, { y }) => sum + y, 0) / places.length,
});

/** How the film at two places goes together before anything is read, µm². */
export function kernelOf(meanUm: number, { sideMm, places }: Cells, { sf, ell }: FilmScale) {
  const root = Math.sqrt(places.length) * sideMm;
  const middle = middleOf(places);
  const per = Math.sqrt(3) / (ell * root);
  const [rough, level, edge, tilt] = [
    (sf * meanUm) ** 2,
    (LEVEL * meanUm) ** 2,
    (AT_EDGE * meanUm) ** 2,
    ((TILT * meanUm) / (root / 2)) ** 2,
  ];
  /** Matérn's with 3/2, by the distance. */
  const matern = (dx: number, dy: number) => {
    const r = per * Math.sqrt(dx * dx + dy * dy);
    return rough * (1 + r) * Math.exp(-r);
  };
  /** What the film varies by on the whole: level, edge and tilt, each a number at a place. */
  const basis = ({ x, y, edgeMm }: Place): readonly [number, number, number, number] => [
    Math.sqrt(level),
    Math.sqrt(edge) * Math.exp(-edgeMm / EDGE_MM),
    Math.sqrt(tilt) * (x - middle.x),
    Math.sqrt(tilt) * (y - middle.y),
  ];
  const dot = (a: readonly number[], b: readonly number[]) =>
    (a[0] as number) * (b[0] as number) +
    (a[1] as number) * (b[1] as number) +
    (a[2] as number) * (b[2] as number) +
    (a[3] as number) * (b[3] as number);
  return {
    matern,
    basis,
    dot,
    between: (a: Place, b: Place) => matern(a.x - b.x, a.y - b.y) + dot(basis(a), basis(b)),
  };
}
type Kernel = ReturnType<typeof kernelOf>;

/** Σ weight_i·k(i, c) over all cells, for every cell c. */
export function sumsOf(kernel: Kernel, { sideMm, places }: Cells): (weights: Float64Array) => Float64Array {
  const wide = 1 + places.reduce((most, { column }) => Math.max(most, column), 0);
  const high = 1 + places.reduce((most, { row }) => Math.max(most, row), 0);
  const summed = summedOver((columns, rows) => kernel.matern(columns * sideMm, rows * sideMm), wide, high);
  const bases = places.map(kernel.basis);
  return (weights) => {
    const grid = new Float64Array(wide * high);
    const whole: [number, number, number, number] = [0, 0, 0, 0];
    places.forEach(({ column, row }, i) => {
      const weight = weights[i] as number;
      grid[row * wide + column] = weight;
      (bases[i] as readonly number[]).forEach((value, k) => {
        whole[k] = (whole[k] as number) + value * weight;
      });
    });
    const sums = summed(grid);
    return Float64Array.from(
      places,
      ({ column, row }, c) =>
        (sums[row * wide + column] as number) + kernel.dot(whole, bases[c] as readonly number[]),
    );
  };
}
