import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { seeded } from "../../numerics/random";
import { air } from "../ops/air";
import { cover } from "../ops/cover";
import { craters, cratersOf } from "../ops/craters";
import { drop } from "../ops/drop";
import { field } from "../ops/field";
import { flecks } from "../ops/flecks";
import { fog } from "../ops/fog";
import { inZone } from "../ops/in-zone";
import { lay } from "../ops/lay";
import { lines } from "../ops/line";
import { mask } from "../ops/mask";
import { touchProfile, type Touch } from "../ops/profile";
import { slit } from "../ops/slit";
import { stroke } from "../ops/stroke";
import { tilt } from "../ops/tilt";
import { wobble } from "../ops/wobble";
import { CLOSE, EACH, evaluate, tilesOf } from "./evaluate";
import { GROUP, openKernel, type Taken } from "./kernel";
import { meets, type Op } from "./op";
import { closed } from "./seam";
import { emptyShares, type Sheet } from "./sheet";
import { newTile, resetTile, settle, weightAt } from "./tile";
import { zoneFields } from "./zone-field";

const kernel = openKernel();
const COLOURS = 3;
const WIDE = 600;
const HIGH = 400;

test("what runs is what stands in /kernel", () => {
  const said = execFileSync("node", ["scripts/build-kernel.mjs", "--check"], {
    cwd: join(__dirname, "../../../.."),
    encoding: "utf8",
  });
  expect(said).toContain("is what stands in");
}, 60_000);

type Draw = () => number;
const place = (random: Draw) => ({ x: WIDE * random(), y: HIGH * random() });
const TOUCHES: Touch[] = ["hand", "roller", "fingers", "stick", "skim", "comb", "squeegee", "foam-brush"];
const seedOf = (random: Draw) => Math.floor(1e6 * random());
const box = { minX: 0, minY: 0, maxX: WIDE, maxY: HIGH };
const many = <One>(count: number, make: () => One): One[] => Array.from({ length: count }, make);

/** Any operation of a kind; around a tumbler where it is told once around, mm. */
const ANY: Record<Op["kind"], (random: Draw, aroundMm: number | null) => Op> = {
  cover: (random) => cover(1, random()),
  drop: (random) =>
    drop({
      ...place(random),
      a: 20 + 90 * random(),
      b: 20 + 90 * random(),
      angle: 6 * random(),
      colour: 1,
      uneven: 0.3 * random(),
      seed: seedOf(random),
      ...(random() < 0.3 ? { pushes: 1, reach: Infinity } : { pushes: random(), reach: 1.5 + random() }),
      edgeMm: 0.2 + 3 * random(),
      hides: random(),
    }),
  line: (random) =>
    lines({
      ways: many(1 + Math.floor(3 * random()), () => {
        let { x, y } = place(random);
        return many(2 + Math.floor(30 * random()), () => {
          x += 40 * (random() - 0.4);
          y += 40 * (random() - 0.5);
          return { x, y, halfMm: 12 * random() };
        });
      }),
      colour: 2,
      edgeMm: 0.2 + 8 * random(),
      hides: random(),
    }),
  stroke: (random) =>
    stroke({
      ...place(random),
      angle: 6 * random(),
      halfMm: 60 + 200 * random(),
      dragMm: 120 * (random() - 0.5),
      profile: touchProfile(TOUCHES[Math.floor(8 * random())]!, seedOf(random), random()),
      smear: 0.1 * random(),
      ...(random() < 0.4
        ? { wave: { heightMm: 25 * random(), lengthMm: 60 + 200 * random(), phase: 6 * random() } }
        : {}),
      ...(random() < 0.4 ? { arcMm: (random() < 0.5 ? -1 : 1) * (150 + 900 * random()) } : {}),
    }),
  wobble: (random, aroundMm) =>
    wobble({
      heightMm: 14 * random(),
      coarseMm: 150 + 300 * random(),
      fineMm: 40,
      shears: 1 + Math.floor(8 * random()),
      seed: seedOf(random),
      aroundMm,
    }),
  lay: (random) =>
    lay({
      ...place(random),
      angle: 6 * random(),
      halfMm: 60 + 150 * random(),
      widthMm: 80 + 200 * random(),
      dragMm: 60 * random(),
      seed: seedOf(random),
    }),
  craters: (random) =>
    craters(
      cratersOf(
        many(400, () => {
          const a = 0.5 + 5 * random();
          return { ...place(random), a, b: a * (1.3 + random()) };
        }),
      ),
    ),
  air: (random) =>
    air({
      ...place(random),
      angle: 6 * random(),
      reachMm: 40 + 120 * random(),
      spread: 0.3 + 0.6 * random(),
      seed: seedOf(random),
    }),
  slit: (random) =>
    slit({
      ...place(random),
      angle: 6 * random(),
      halfMm: 40 + 120 * random(),
      openMm: 0.5 + 4 * random(),
      reachMm: 14,
      seed: seedOf(random),
    }),
  fog: (random, aroundMm) =>
    fog({ box, colour: 2, cover: random(), sizeMm: 20 + 200 * random(), seed: seedOf(random), aroundMm }),
  tilt: (random, aroundMm) =>
    tilt({
      ...place(random),
      angle: 6 * random(),
      lengthMm: 100 + 300 * random(),
      widthMm: 100 + 600 * random(),
      share: 0.4 * random(),
      seed: seedOf(random),
      aroundMm,
    }),
  flecks: (random) =>
    flecks(
      many(300, () => ({ ...place(random), radiusMm: 0.3 + 4 * random() })),
      1,
      random(),
    ),
  field: (random, aroundMm) =>
    field({
      ...place(random),
      angle: 6 * random(),
      wanderMm: 40 * random(),
      lengthMm: 60 + 200 * random(),
      ...(random() < 0.5 ? { wideMm: 30 + 200 * random() } : {}),
      colour: 1,
      edgeMm: 0.5 + 20 * random(),
      hides: random(),
      seed: seedOf(random),
      aroundMm,
    }),
  mask: (random, aroundMm) =>
    mask({
      box,
      sizeMm: 30 + 80 * random(),
      jointMm: 2 + 5 * random(),
      colour: 1,
      seed: seedOf(random),
      aroundMm,
    }),
};
const KINDS = Object.keys(ANY) as Op["kind"][];

/** Samples by the definition: `back` of each operation, the last first. */
function defined(ops: readonly Op[], points: readonly [number, number][]): Taken[] {
  const tile = newTile(COLOURS);
  points.forEach(([x, y], at) => {
    tile.x[at] = x;
    tile.y[at] = y;
  });
  resetTile(tile, points.length, 1, 0);
  tile.sxx.fill(1, 0, points.length);
  tile.syy.fill(1, 0, points.length);
  for (const op of [...ops].reverse()) {
    if (!meets(op.box, tile.box)) continue;
    op.back(tile);
    if (op.preserves === "nothing") settle(tile);
  }
  return points.map((_, i) => ({
    x: tile.x[i]!,
    y: tile.y[i]!,
    sxx: tile.sxx[i]!,
    sxy: tile.sxy[i]!,
    syy: tile.syy[i]!,
    clear: tile.clear[i]!,
    deep: tile.deep[i]!,
    shear: [tile.shear2x[i]!, tile.shear2y[i]!],
    weight: Array.from({ length: COLOURS }, (_share, colour) => tile.weight[weightAt(colour, i)]!),
  }));
}

/** How many of all samples are further off than numbers of 24 bits explain: where a border falls between both ways, one may be. */
function offBy(
  kind: Op["kind"],
  wrap: (op: Op) => Op,
  aroundMm: number | null,
): { off: number; touched: number; all: number } {
  const random = seeded(KINDS.indexOf(kind) + 11);
  let [off, touched, all] = [0, 0, 0];
  for (let round = 0; round < 40; round += 1) {
    const op = wrap(ANY[kind](random, aroundMm));
    const points = many(GROUP, (): [number, number] => [WIDE * random(), HIGH * random()]);
    const [one, other] = [defined([op], points), kernel.back([op], points, COLOURS)!];
    one.forEach((sample, n) => {
      const their = other[n]!;
      const [x, y] = points[n]!;
      const near = (a: number, b: number, by: number) => Math.abs(a - b) <= by * (1 + Math.abs(a));
      const same =
        Math.hypot(sample.x - their.x, sample.y - their.y) < 0.003 &&
        [sample.sxx - their.sxx, sample.sxy - their.sxy, sample.syy - their.syy].every(
          (difference) => Math.abs(difference) < 0.01 * (sample.sxx + sample.syy),
        ) &&
        near(sample.clear, their.clear, 1e-3) &&
        near(sample.deep, their.deep, 1e-3) &&
        sample.shear.every((turn, at) => near(turn, their.shear[at]!, 5e-3)) &&
        sample.weight.every((share, at) => near(share, their.weight[at]!, 1e-3));
      if (!same) off += 1;
      if (sample.x !== x || sample.y !== y || sample.clear < 1 || sample.deep > 0) touched += 1;
      all += 1;
    });
  }
  return { off, touched, all };
}

describe("the kernel and the definition agree on where samples come from, their footprints and shares", () => {
  test.each(KINDS)("%s", (kind) => {
    const { off, touched, all } = offBy(kind, (op) => op, null);
    expect(touched).toBeGreaterThan(all / 100);
    expect(off).toBeLessThanOrEqual(all / 1000);
  });
  test.each(KINDS)("%s around a tumbler", (kind) => {
    const { off } = offBy(kind, (op) => closed(op, 283), 283);
    expect(off).toBeLessThanOrEqual(3);
  });
  test.each(KINDS)("%s in one zone alone", (kind) => {
    const ring = [
      [50, 30],
      [420, 90],
      [380, 350],
      [120, 300],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    const outer = [
      [0, 0],
      [WIDE, 0],
      [WIDE, HIGH],
      [0, HIGH],
    ].map(([x, y]) => ({ x: x!, y: y! }));
    const [inside] = zoneFields([[ring], [outer, ring]], box);
    const { off } = offBy(kind, (op) => inZone(op, inside!), null);
    expect(off).toBeLessThanOrEqual(5);
  });
});

const SHEET: Sheet = {
  widthPx: 130,
  heightPx: 90,
  pixelMm: 4,
  fromX: 0,
  fromY: 0,
  base: 0,
  colours: COLOURS,
};
const some = (seed: number, kinds = KINDS) => {
  const random = seeded(seed);
  return kinds.map((kind) => ANY[kind](random, null));
};
const farthest = (one: Float32Array, other: Float32Array) =>
  one.reduce((most, share, at) => Math.max(most, Math.abs(share - other[at]!)), 0);

test("over a picture that lies under all it is as the definition", () => {
  const under = evaluate(some(5), SHEET, { kernel: null });
  const ops = some(6, ["stroke", "wobble", "lay"]);
  const [one, other] = [null, kernel].map((by) => evaluate(ops, SHEET, { under, kernel: by }).weight);
  expect(farthest(one!, other!)).toBeLessThan(2e-3);
});

test("what it keeps is given up when it is too much: what is drawn before and after is the same", () => {
  const ops = some(7);
  const before = evaluate(ops, SHEET, { kernel });
  const random = seeded(8);
  for (let n = 0; n < 4; n += 1) {
    const much = flecks(
      many(400_000, () => ({ ...place(random), radiusMm: 0.2 })),
      1,
      1,
    );
    evaluate([much], { ...SHEET, widthPx: 8, heightPx: 8 }, { kernel });
    expect(evaluate(ops, SHEET, { kernel })).toEqual(before);
  }
});

test("what cannot be told in numbers, or has too many colours, the definition draws", () => {
  const ops = some(9);
  const how = { tiles: tilesOf(SHEET), side: 48, skipping: true, under: null, closeness: EACH };
  const untold = ops.map((op, n) => (n === 3 ? { ...op, packed: () => null } : op));
  const into = emptyShares(SHEET);
  expect(kernel.draw(untold, into, how)).toBe(false);
  expect(into).toEqual(emptyShares(SHEET));
  expect(kernel.draw(ops, emptyShares({ ...SHEET, colours: 65 }), how)).toBe(false);
  expect(evaluate(untold, SHEET, { kernel })).toEqual(evaluate(untold, SHEET, { kernel: null }));
});

test("where there is no WebAssembly, or it may not be compiled, the definition draws", async () => {
  const assembly = Object.getOwnPropertyDescriptor(globalThis, "WebAssembly")!;
  const forbidden = class {
    constructor() {
      throw new EvalError("refused by the page's policy");
    }
  };
  for (const value of [undefined, { Module: forbidden, Instance: forbidden }]) {
    Object.defineProperty(globalThis, "WebAssembly", { ...assembly, value });
    try {
      await jest.isolateModulesAsync(async () => {
        const [{ kernelHere }, { evaluate: drawn }] = [await import("./kernel"), await import("./evaluate")];
        expect(kernelHere()).toBeNull();
        const ops = some(15, ["drop", "line", "stroke"]);
        expect(drawn(ops, SHEET).weight).toEqual(evaluate(ops, SHEET, { kernel: null }).weight);
      });
    } finally {
      Object.defineProperty(globalThis, "WebAssembly", assembly);
    }
  }
});

/** How far two pictures of the same operations are apart in any share, by the definition and by the kernel. */
const apartBy = (ops: readonly Op[], sheet: Sheet, closeness = EACH) => {
  const [one, other] = [null, kernel].map((by) => evaluate(ops, sheet, { closeness, kernel: by }).weight);
  return farthest(one!, other!);
};

test("a line of more segments than are looked at together is covered by the nearest of them all", () => {
  const random = seeded(12);
  // Ten thousand short segments over a hand's breadth, as a drizzle that went to and fro.
  let [x, y] = [60, 60];
  const points = many(10_000, () => {
    x = Math.min(110, Math.max(10, x + 8 * (random() - 0.5)));
    y = Math.min(110, Math.max(10, y + 8 * (random() - 0.5)));
    return { x, y, halfMm: 0.05 + 0.1 * random() };
  });
  const drizzle = lines({ ways: [points], colour: 1, edgeMm: 0.2, hides: 1 });
  const sheet = { ...SHEET, widthPx: 60, heightPx: 60, pixelMm: 2 };
  expect(apartBy([drizzle], sheet)).toBeLessThan(2e-3);
  const covered = evaluate([drizzle], sheet, { kernel }).weight.slice(3600, 7200);
  expect(covered.some((share) => share > 0.05)).toBe(true);
});

test.each([1, 2, 4, 5, 8, 11, 64])(
  "with %i colours each has its own share, and all of them are the whole",
  (colours) => {
    const random = seeded(colours);
    const sheet = { ...SHEET, widthPx: 61, heightPx: 50, colours };
    const ops = many(30, (): Op =>
      drop({
        ...place(random),
        a: 30,
        b: 24,
        angle: random(),
        colour: Math.floor(random() * colours),
        uneven: 0.1,
        seed: seedOf(random),
      }),
    );
    expect(apartBy(ops, sheet)).toBeLessThan(2e-3);
    const { weight } = evaluate(ops, sheet, { kernel });
    const samples = sheet.widthPx * sheet.heightPx;
    for (let i = 0; i < samples; i += 1) {
      let sum = 0;
      for (let colour = 0; colour < colours; colour += 1) sum += weight[colour * samples + i]!;
      expect(Math.abs(1 - sum)).toBeLessThan(0.01);
    }
  },
);

test.each([
  [1, 1],
  [2, 1],
  [3, 7],
  [48, 48],
  [49, 47],
  [97, 3],
])("a picture of %i by %i samples is whole, drawn closely or each", (widthPx, heightPx) => {
  const ops = some(13, ["drop", "line", "stroke", "fog"]);
  for (const closeness of [EACH, CLOSE])
    expect(apartBy(ops, { ...SHEET, widthPx, heightPx }, closeness)).toBeLessThan(0.02);
});

test("only some tiles of a picture: the others stay as they were", () => {
  const ops = some(14);
  const whole = evaluate(ops, SHEET, { kernel });
  const into = emptyShares(SHEET);
  const chosen: [number, number][] = [
    [0, 0],
    [2, 0],
    [1, 1],
  ];
  evaluate(ops, SHEET, { kernel, into, tiles: chosen });
  const samples = SHEET.widthPx * SHEET.heightPx;
  for (let i = 0; i < samples; i += 1) {
    const [column, row] = [Math.floor((i % SHEET.widthPx) / 48), Math.floor(i / SHEET.widthPx / 48)];
    const drawn = chosen.some(([one, other]) => one === column && other === row);
    for (let colour = 0; colour < COLOURS; colour += 1) {
      const at = colour * samples + i;
      expect(into.weight[at]).toBe(drawn ? whole.weight[at] : 0);
    }
  }
});
