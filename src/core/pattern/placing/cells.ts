import type { Box } from "../../geometry/ring";
import { lazily, type Op } from "../engine/op";
import { craters, type Craters } from "../ops/craters";
import { flecks } from "../ops/flecks";
import { areaOf, around, between, sourceOf, type Random } from "./random";

/** Median radius of the cells that a spray of alcohol opens, mm (assumed). */
export const CELL_MM = { mist: 0.7, small: 1.5, medium: 3, flicked: 7.5 } as const;
export type DropSize = keyof typeof CELL_MM;

/** Drops that a millilitre makes of each size (assumed: by the cube of their size, held to what can be followed). */
export const DROPS_PER_ML: Record<DropSize, number> = { mist: 9000, small: 2000, medium: 600, flicked: 60 };
/** Of the drops on a poured film so many open a cell that stays; on a skin of paint all do (assumed). */
export const STAYS = 0.1;
/** No cell reaches further than this, mm. */
const MOST_CELL_MM = 60;
/** More cells than these are not followed one by one. */
const MOST_CELLS = 48_000;
/** Drops of very unlike size: spread of the logarithm (assumed). */
const LOG_SPREAD = 0.42;
/** Film at which a drop opens its usual cell, mm: a thicker one closes it, a thinner one lets it open. */
const USUAL_FILM_MM = 1.8;

/** Of its usual size a drop opens so much in one colour alone, and so much more where another lies beside it (assumed). */
const UNLIKE = [0.25, 0.9] as const;

const normal = (random: Random) => (random() + random() + random() + random() - 2) * Math.sqrt(3);

/** How much of what lies within reach of a place is of another colour, 0 to 1. */
export type Unlike = (x: number, y: number) => number;

/**
 * Cells of alcohol. A drop opens a larger cell where unlike colours meet, and where the film is thin.
 * @param perM2 drops to a square metre
 */
export function cells(
  box: Box,
  {
    size,
    perM2,
    seed,
    unlike = () => () => 0.3,
    filmMm = USUAL_FILM_MM,
    flowLeft = 1,
  }: {
    size: DropSize;
    perM2: number;
    seed: number;
    /** Worked out when the cells are. */
    unlike?: () => Unlike;
    filmMm?: number;
    flowLeft?: number;
  },
): Op {
  const many = Math.min(MOST_CELLS, Math.round((perM2 * areaOf(box)) / 1e6));
  const thin = Math.min(1.5, Math.max(0.6, Math.sqrt(USUAL_FILM_MM / Math.max(0.1, filmMm))));
  // Early on, cells run shut again; late ones stay small in a film that hardly moves.
  const moves = 0.55 + 0.45 * Math.min(1, flowLeft * 2);
  const row = () => new Float64Array(many);
  const make = () => {
    const random = sourceOf(seed, 41);
    const unlikeAt = unlike();
    const list: Craters = { x: row(), y: row(), a: row(), b: row() };
    for (let n = 0; n < many; n += 1) {
      const x = between(random, box.minX, box.maxX);
      const y = between(random, box.minY, box.maxY);
      const a =
        CELL_MM[size] *
        Math.exp(LOG_SPREAD * normal(random)) *
        (UNLIKE[0] + UNLIKE[1] * Math.min(1, 2.2 * unlikeAt(x, y))) *
        thin *
        moves;
      list.x[n] = x;
      list.y[n] = y;
      list.a[n] = Math.min(a, MOST_CELL_MM / 2);
      list.b[n] = Math.min(MOST_CELL_MM, a * between(random, 1.35, 1.8));
    }
    return craters(list);
  };
  return lazily("craters", "nothing", around(box, MOST_CELL_MM), make);
}

/** Flecks of a colour: glitter, mica flicked in alcohol, drops of an accent, scattered or along a band. */
export function scattered(
  box: Box,
  {
    colour,
    perM2,
    radiusMm,
    hides,
    seed,
    band,
  }: {
    colour: number;
    perM2: number;
    radiusMm: number;
    hides: number;
    seed: number;
    /** Where they are dense, 0 to 1; everywhere when absent. */
    band?: (x: number, y: number) => number;
  },
): Op {
  const random = sourceOf(seed, 59);
  const many = Math.min(MOST_CELLS, Math.round((perM2 * areaOf(box)) / 1e6));
  const list = Array.from({ length: many }, () => ({
    x: between(random, box.minX, box.maxX),
    y: between(random, box.minY, box.maxY),
    radiusMm: radiusMm * Math.exp(0.45 * normal(random)),
    chance: random(),
  })).filter(({ x, y, chance }) => !band || chance < band(x, y));
  return flecks(list, colour, hides);
}
