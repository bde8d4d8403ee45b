import type { Box } from "../../geometry/ring";

/** Which of many small things may lie at a place: squares of a grid, each with the numbers of those whose boxes it meets. */
export type Buckets = {
  box: Box;
  /** Side of a square, mm, and how many lie in a row. */
  sideMm: number;
  across: number;
  down: number;
  /** Square of a place; −1 where there is nothing. */
  square: (x: number, y: number) => number;
  /** The things of a square are `things[starts[square]]` to before `things[starts[square + 1]]`. */
  starts: Int32Array;
  things: Int32Array;
  /** Whether a box meets a square that has any. */
  meets: (box: Box) => boolean;
};

/** A grid for the kernel: where it begins, squares to a millimetre, across and down, and where the things of each begin. */
export const packedGrid = ({ box, sideMm, across, down, starts }: Buckets): (number | Int32Array)[] => [
  box.minX,
  box.minY,
  1 / sideMm,
  across,
  down,
  starts,
];

/** A grid has no more squares than this. */
const MOST_SQUARES = 250_000;

/**
 * @param many things
 * @param boxOf writes the box of one of them
 * @param sizeMm side of a square; made larger where there would be too many
 */
export function bucketsOf(many: number, boxOf: (thing: number, to: Box) => void, sizeMm: number): Buckets {
  const bounds: Box = { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  const edges = new Float64Array(many * 4);
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (let thing = 0; thing < many; thing += 1) {
    boxOf(thing, bounds);
    const { minX, minY, maxX, maxY } = bounds;
    if (minX < box.minX) box.minX = minX;
    if (minY < box.minY) box.minY = minY;
    if (maxX > box.maxX) box.maxX = maxX;
    if (maxY > box.maxY) box.maxY = maxY;
    edges[thing * 4] = minX;
    edges[thing * 4 + 1] = maxX;
    edges[thing * 4 + 2] = minY;
    edges[thing * 4 + 3] = maxY;
  }
  if (many === 0) Object.assign(box, bounds);
  const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
  const side = Math.max(sizeMm, Math.sqrt((width * height) / MOST_SQUARES));
  const across = Math.floor(width / side) + 1;
  const down = Math.floor(height / side) + 1;
  const perMm = 1 / side;
  const column = (x: number) => Math.min(across - 1, Math.max(0, Math.floor((x - box.minX) * perMm)));
  const row = (y: number) => Math.min(down - 1, Math.max(0, Math.floor((y - box.minY) * perMm)));
  const starts = new Int32Array(across * down + 1);
  // The squares of each thing, from and to.
  const spans = new Int32Array(many * 4);
  for (let thing = 0; thing < many; thing += 1) {
    const left = column(edges[thing * 4] as number);
    const right = column(edges[thing * 4 + 1] as number);
    const top = row(edges[thing * 4 + 2] as number);
    const low = row(edges[thing * 4 + 3] as number);
    spans[thing * 4] = left;
    spans[thing * 4 + 1] = right;
    spans[thing * 4 + 2] = top;
    spans[thing * 4 + 3] = low;
    for (let r = top; r <= low; r += 1)
      for (let at = r * across + left + 1; at <= r * across + right + 1; at += 1)
        starts[at] = (starts[at] as number) + 1;
  }
  for (let square = 0; square < across * down; square += 1)
    starts[square + 1] = (starts[square + 1] as number) + (starts[square] as number);
  const things = new Int32Array(starts[across * down] as number);
  const filled = starts.slice();
  for (let thing = 0; thing < many; thing += 1) {
    const right = spans[thing * 4 + 1] as number;
    for (let r = spans[thing * 4 + 2] as number; r <= (spans[thing * 4 + 3] as number); r += 1)
      for (
        let square = r * across + (spans[thing * 4] as number);
        square <= r * across + right;
        square += 1
      ) {
        const at = filled[square] as number;
        things[at] = thing;
        filled[square] = at + 1;
      }
  }
  return {
    box,
    sideMm: side,
    across,
    down,
    starts,
    things,
    square: (x, y) => {
      const c = (x - box.minX) * perMm;
      const r = (y - box.minY) * perMm;
      return c >= 0 && r >= 0 && c < across && r < down ? (r | 0) * across + (c | 0) : -1;
    },
    meets: ({ minX, minY, maxX, maxY }) => {
      if (minX > box.maxX || maxX < box.minX || minY > box.maxY || maxY < box.minY) return false;
      for (let r = row(minY); r <= row(maxY); r += 1) {
        const from = r * across;
        if ((starts[from + column(maxX) + 1] as number) > (starts[from + column(minX)] as number))
          return true;
      }
      return false;
    },
  };
}
