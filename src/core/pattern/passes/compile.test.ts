import { compile, coloursIn, opsAfter } from "./compile";
import { PATTERN_PASSES, type PatternPass } from "../../passes/facts";
import type { Rehearsal } from "./rehearsal";
import { cover } from "../ops/cover";
import { drop } from "../ops/drop";
import { evaluate } from "../engine/evaluate";
import { emptyShares, type Sheet } from "../engine/sheet";
import { onTop, segregation } from "../engine/measures";
import { pictureOf, type Ink } from "../engine/picture";
import { CELL_MM, cells } from "../placing/cells";
import { puddleRadiusMm } from "../placing/pours";
import { spread } from "../placing/random";
import type { PassWork } from "./work";
import { seeded } from "../../numerics/random";

const rehearsal = (
  kinds: PatternPass[],
  changes: Partial<Rehearsal> & { flowLeft?: number; rounds?: number; filmMm?: number; work?: PassWork } = {},
): Rehearsal => {
  const { flowLeft = 0.8, rounds = 1, filmMm = 1, work = {}, ...rest } = changes;
  return {
    box: { minX: 0, minY: 0, maxX: 1200, maxY: 600 },
    topMm: { wide: 1200, high: 600 },
    aroundMm: null,
    base: 0,
    angle: 0.4,
    seed: 3,
    coats: [
      {
        id: "colour",
        vein: false,
        filmMm,
        veins: null,
        colours: [
          { at: 1, share: 0.6, hides: 1 },
          { at: 2, share: 0.25, hides: 1 },
          { at: 3, share: 0.15, hides: 1 },
        ],
        passes: kinds.map((kind, n) => ({
          id: `${n}`,
          kind,
          tool: kind === "skim" ? "blade" : "hand",
          rounds,
          mlPerM2: 9,
          flowLeft,
          paint: kind === "fog" || kind === "mask" ? 3 : null,
          work,
        })),
      },
    ],
    ...rest,
  };
};
/** Small, since each picture is worked out in full; twice as wide as high. */
const PX = 56;
const sheetOf = (of: Rehearsal, widthPx = PX): Sheet => ({
  widthPx,
  heightPx: Math.round((widthPx * of.box.maxY) / of.box.maxX),
  pixelMm: of.box.maxX / widthPx,
  fromX: 0,
  fromY: 0,
  base: of.base,
  colours: coloursIn(of),
});
const shown = (of: Rehearsal) => evaluate(compile(of).ops, sheetOf(of));

test("the same plan is the same picture; another seed is a sister, another pattern of about the same shares", () => {
  const of = rehearsal(["lay", "palm"]);
  const [shares, again, sister] = [shown(of), shown(of), shown({ ...of, seed: 4 })];
  expect(again.weight).toEqual(shares.weight);
  expect(sister.weight).not.toEqual(shares.weight);
  onTop(sister).forEach((share, colour) =>
    expect(Math.abs(share - onTop(shares)[colour]!)).toBeLessThan(0.2),
  );
});

describe("a change of a late pass", () => {
  const of = rehearsal(["lay", "palm", "alcohol", "blow"]);
  const [coat] = of.coats;
  const late: Rehearsal = {
    ...of,
    coats: [{ ...coat!, passes: coat!.passes.map((pass, n) => (n === 3 ? { ...pass, rounds: 3 } : pass)) }],
  };
  const before = compile(of);
  const changed = compile(late, before);
  test("takes the passes before it as they were, and is what it would have been without them", () => {
    const same = opsAfter(before, 3);
    expect(same).toBeGreaterThan(10);
    changed.ops.slice(0, same).forEach((op, n) => expect(op).toBe(before.ops[n]));
    expect(changed.ops.length).toBeGreaterThan(before.ops.length);
    expect(evaluate(changed.ops, sheetOf(late)).weight).toEqual(shown(late).weight);
  });
  test("drawn over what is kept of those before it, it is nearly the whole picture", () => {
    const same = opsAfter(before, 3);
    const under = evaluate(before.ops.slice(0, same), sheetOf(late, 4 * PX));
    const over = evaluate(changed.ops.slice(same), sheetOf(late, 2 * PX), { under });
    const whole = evaluate(changed.ops, sheetOf(late, 2 * PX));
    onTop(over).forEach((share, colour) => expect(share).toBeCloseTo(onTop(whole)[colour]!, 1));
  });
  test.each([
    ["another seed", { ...of, seed: 9 }],
    ["another base", { ...of, base: 2 }],
    [
      "a coat more before it, so that its chances are others",
      { ...of, coats: [{ ...coat!, id: "before", passes: [] }, coat!] },
    ],
    ["a first pass worked otherwise", rehearsal(["lay", "palm", "alcohol", "blow"], { rounds: 2 })],
  ])("but %s takes nothing over", (_what, other) => {
    const anew = compile(other, before);
    expect(anew.ops.filter((op) => before.ops.includes(op))).toEqual([]);
    expect(evaluate(anew.ops, sheetOf(other)).weight).toEqual(shown(other).weight);
  });
});

test("pulls practised on one piece are drawn out to the size of another", () => {
  const strokes = [
    {
      tool: "hand" as const,
      pressure: 0.5,
      points: [
        [100, 300],
        [600, 300],
        [1100, 300],
      ] as const,
    },
  ];
  const on = (strokesOnMm?: readonly [number, number]) =>
    compile(
      rehearsal(["lay", "palm"], { work: strokesOnMm ? { strokes, strokesOnMm } : { strokes } }),
    ).ops.filter(({ press }) => press);
  const middle = (ops: ReturnType<typeof on>) =>
    ops.reduce((sum, { press }) => sum + press!.x, 0) / Math.max(1, ops.length);
  const high = (ops: ReturnType<typeof on>) => ops[0]!.press!.y;
  // As they are on the piece they were drawn on, and where nothing says which that was.
  expect(on([1200, 600]).map(({ press }) => press)).toEqual(on().map(({ press }) => press));
  // Drawn on half of its width and height they reach over all of it, along its middle too.
  const [operations, out] = [on(), on([2400, 1200])];
  expect(middle(out) / middle(operations)).toBeCloseTo(0.5, 1);
  expect(high(out)).toBeCloseTo(150, 6);
});

test("fields drift into each other whichever way they run: their shadows lie about where they do", () => {
  const pale = { at: 1, share: 0.5, hides: 1 };
  const dark = { at: 2, share: 0.5, hides: 1 };
  for (const angle of [0, Math.PI / 2, Math.PI, -Math.PI / 2, 0.4]) {
    const plain = rehearsal(["lay"], { angle, work: { pour: "fields" } });
    const { ops } = compile({
      ...plain,
      coats: plain.coats.map((coat) => ({ ...coat, colours: [pale, dark] })),
    });
    const border = ops.findIndex(({ kind }) => kind === "field");
    const drifts = [ops.slice(0, border), ops.slice(border)].map((ops) =>
      ops.filter(({ kind }) => kind === "line"),
    );
    drifts.forEach((drift, n) => {
      expect(drift.length).toBeGreaterThan(3);
      // On their own side of the middle, along the way that the fields run.
      const middle = (at: (box: (typeof drift)[number]["box"]) => number) =>
        drift.reduce((sum, { box }) => sum + at(box), 0) / drift.length;
      const [x, y] = [
        middle(({ minX, maxX }) => (minX + maxX) / 2) - 600,
        middle(({ minY, maxY }) => (minY + maxY) / 2) - 300,
      ];
      const along = x * Math.cos(angle) + y * Math.sin(angle);
      expect(n === 0 ? -along : along).toBeGreaterThan(40);
    });
  }
});

test("what was poured most lies most on top, and nothing of the base is seen through a laid coat", () => {
  const [base, first, second, third] = onTop(shown(rehearsal(["lay"])));
  expect(base).toBeLessThan(0.001);
  expect(first!).toBeGreaterThan(second!);
  expect(second!).toBeGreaterThan(0.05);
  expect(third!).toBeGreaterThan(0.02);
});

test("each pass adds its own, in order; a pass taken out leaves those before it as they were", () => {
  const kinds: PatternPass[] = ["lay", "drizzle", "palm", "alcohol", "chop"];
  const { ops, steps } = compile(rehearsal(kinds));
  expect(steps.map(({ passId }) => passId)).toEqual(["0", "1", "2", "3", "4"]);
  steps.slice(1).forEach(({ ops: after }, n) => expect(after).toBeGreaterThan(steps[n]!.ops));
  expect(steps.at(-1)!.ops).toBe(ops.length);
  const shorter = compile(rehearsal(kinds.slice(0, 3)));
  const sheet = sheetOf(rehearsal(kinds));
  expect(evaluate(shorter.ops, sheet).weight).toEqual(evaluate(ops.slice(0, steps[2]!.ops), sheet).weight);
});

const laidOnly = shown(rehearsal(["lay"]));
test.each(PATTERN_PASSES.filter((kind) => kind !== "lay"))("%s changes the picture", (kind) => {
  const after = shown(rehearsal(["lay", kind]));
  const moved = after.weight.reduce((sum, share, i) => sum + Math.abs(share - laidOnly.weight[i]!), 0);
  // Of two shares for each sample that changed its colour.
  expect(moved / 2 / ((PX * PX) / 2)).toBeGreaterThan(0.0005);
});

test("a stroke while the film is fresh moves more than a late one (common practice, no source)", () => {
  const laid = shown(rehearsal(["lay"], { flowLeft: 1 }));
  const moved = (flowLeft: number) => {
    const of = rehearsal(["lay", "palm"], { flowLeft: 1 });
    const [coat] = of.coats;
    const late = {
      ...of,
      coats: [
        {
          ...coat!,
          passes: coat!.passes.map((pass) => (pass.kind === "palm" ? { ...pass, flowLeft } : pass)),
        },
      ],
    };
    return shown(late).weight.reduce((sum, share, i) => sum + Math.abs(share - laid.weight[i]!), 0);
  };
  expect(moved(1)).toBeGreaterThan(moved(0.2));
  expect(moved(0.2)).toBeGreaterThan(moved(0.01));
});

test("more rounds bring the colours nearer to each other, seen from two steps back (common practice, no source)", () => {
  const apart = (rounds: number) => segregation(shown(rehearsal(["lay", "palm"], { rounds })), 7);
  expect(apart(3)).toBeLessThan(apart(1));
});

test("a small piece and a long one are rehearsed too, with no more operations than can be followed", () => {
  for (const [widthMm, heightMm] of [
    [60, 60],
    [150, 40],
    [6000, 2500],
  ] as const) {
    const of = rehearsal([...PATTERN_PASSES], {
      box: { minX: 0, minY: 0, maxX: widthMm, maxY: heightMm },
    });
    const { ops } = compile(of);
    // What a counter takes at most, and three times that on the largest.
    expect(ops.length).toBeLessThan(widthMm > 2500 ? 3 * 700 : 700);
    const sum = onTop(evaluate(ops, sheetOf(of, 60))).reduce((total, share) => total + share, 0);
    expect(sum).toBeGreaterThan(0.98);
    expect(sum).toBeLessThan(1.0001);
  }
});

describe("how a pass is worked", () => {
  const moved = (kind: PatternPass, work: PassWork) => {
    const before = shown(rehearsal(["lay"]));
    return shown({
      ...rehearsal(["lay", kind]),
      coats: rehearsal(["lay", kind]).coats.map((coat) => ({
        ...coat,
        passes: coat.passes.map((pass) => (pass.kind === kind ? { ...pass, work } : pass)),
      })),
    }).weight.reduce((sum, share, i) => sum + Math.abs(share - before.weight[i]!), 0);
  };
  test("a firmer hand moves more, more pulls move more; another direction, way or chance is another picture", () => {
    expect(moved("palm", { pressure: 0.9 })).toBeGreaterThan(moved("palm", { pressure: 0.1 }));
    expect(moved("palm", { many: 2 })).toBeGreaterThan(moved("palm", { many: 0.4 }));
    const usual = moved("palm", {});
    for (const work of [{ turnDeg: 90 }, { way: "straight" }, { seed: 5 }] as const)
      expect(moved("palm", work)).not.toBe(usual);
  });
  test("what was practised takes the place of chance: one pull moves only what lies by it", () => {
    const strokes = [
      {
        tool: "hand" as const,
        points: [
          [300, 300],
          [420, 310],
          [540, 300],
        ] as const,
        pressure: 0.6,
      },
    ];
    const of = rehearsal(["lay", "palm"]);
    const coats = of.coats.map((coat) => ({
      ...coat,
      passes: coat.passes.map((pass) => (pass.kind === "palm" ? { ...pass, work: { strokes } } : pass)),
    }));
    const [before, after] = [shown(rehearsal(["lay"])), shown({ ...of, coats })];
    const samples = (PX * PX) / 2;
    for (let i = 0; i < samples; i += 1) {
      const [x, y] = [((i % PX) + 0.5) * (1200 / PX), (Math.floor(i / PX) + 0.5) * (1200 / PX)];
      if (x > 150 && x < 700 && y > 150 && y < 450) continue;
      expect(after.weight[samples + i]).toBe(before.weight[samples + i]);
    }
    expect(after.weight).not.toEqual(before.weight);
  });
});

test("alcohol opens more where the film is thin, and where unlike colours meet (common practice, no source)", () => {
  const open = (filmMm: number) => {
    const of = rehearsal(["lay", "alcohol"], { filmMm });
    const before = shown(rehearsal(["lay"]));
    return shown(of).weight.reduce((sum, share, i) => sum + Math.abs(share - before.weight[i]!), 0);
  };
  expect(open(0.8)).toBeGreaterThan(open(4));
  const box = { minX: 0, minY: 0, maxX: 400, maxY: 400 };
  const sheet: Sheet = { widthPx: 400, heightPx: 400, pixelMm: 1, fromX: 0, fromY: 0, base: 0, colours: 2 };
  const holes = (unlike: number) =>
    onTop(
      evaluate(
        [cover(0), puddle, cells(box, { size: "medium", perM2: 3000, seed: 2, unlike: () => () => unlike })],
        sheet,
      ),
    )[0]!;
  const puddle = drop({ x: 200, y: 200, a: 900, b: 900, angle: 0, colour: 1, uneven: 0, seed: 1 });
  expect(holes(0.6)).toBeGreaterThan(holes(0));
});

test("a late vein keeps its width, an early one is wider and paler (common practice, no source)", () => {
  const vein = (flowLeft: number) => {
    const of = rehearsal(["lay", "veins"], { flowLeft });
    return evaluate(compile(of).ops, sheetOf(of, 160)).weight;
  };
  expect(vein(0.9)).not.toEqual(vein(0.05));
});

test("a flood of alcohol moves the whole pattern, a dose of it does not", () => {
  const shifted = (mlPerM2: number) => {
    const of = rehearsal(["lay", "alcohol"]);
    const coats = of.coats.map((coat) => ({
      ...coat,
      passes: coat.passes.map((pass) => ({ ...pass, mlPerM2 })),
    }));
    const { ops } = compile({ ...of, coats });
    const [x, y] = ops.at(-1)!.forward(500, 300);
    return Math.hypot(x - 500, y - 300);
  };
  expect(shifted(60)).toBeGreaterThan(4 * shifted(9));
});

test("a puddle of 80 ml runs to 121 mm in a minute, four times the volume 1.68 times as far (Huppert, JFM 1982)", () => {
  expect(puddleRadiusMm(80)).toBeCloseTo(121, 0);
  expect(puddleRadiusMm(320) / puddleRadiusMm(80)).toBeCloseTo(4 ** (3 / 8), 9);
  expect(puddleRadiusMm(80, 60 * 256) / puddleRadiusMm(80)).toBeCloseTo(2, 9);
});

test("places are spread: as many as asked for, within their box, no two in one spot", () => {
  const box = { minX: 10, minY: 20, maxX: 1010, maxY: 320 };
  for (const many of [1, 7, 40]) {
    const places = spread(box, many, seeded(many));
    expect(places.length).toBe(many);
    for (const { x, y } of places) {
      expect(x).toBeGreaterThanOrEqual(box.minX);
      expect(x).toBeLessThanOrEqual(box.maxX);
      expect(y).toBeGreaterThanOrEqual(box.minY);
      expect(y).toBeLessThanOrEqual(box.maxY);
    }
    expect(new Set(places.map(({ x, y }) => `${x} ${y}`)).size).toBe(many);
  }
});

test("larger drops of alcohol open larger cells (assumed sizes, in their order)", () => {
  const sizes = Object.keys(CELL_MM) as (keyof typeof CELL_MM)[];
  const open = sizes.map((size) => {
    const of = rehearsal(["lay"]);
    const { ops } = compile(of);
    const op = cells({ minX: 0, minY: 0, maxX: 1200, maxY: 600 }, { size, perM2: 300, seed: 2 });
    return onTop(evaluate([...ops, op], sheetOf(of, 240)))[0]!;
  });
  expect(open).toEqual([...open].sort((a, b) => a - b));
});

describe("ink on the screen", () => {
  const inks: Ink[] = [
    { rgb: [1, 1, 1], metallic: false },
    { rgb: [0, 0, 0], metallic: false },
  ];
  const sheet: Sheet = { widthPx: 2, heightPx: 1, pixelMm: 1, fromX: 0, fromY: 0, base: 0, colours: 2 };
  test("white is white, black is black, and half of each is the grey of half the light", () => {
    const shares = emptyShares(sheet);
    shares.weight.set([1, 0.5, 0, 0.5]);
    const [white, , , , grey] = pictureOf(shares, inks, 1);
    expect(white).toBeGreaterThan(248);
    // Half of linear light is 188 of 255 in sRGB (IEC 61966-2-1); pigment varies by a few per cent.
    expect(Math.abs(grey! - 188)).toBeLessThan(6);
    shares.weight.set([0, 0, 1, 1]);
    expect(pictureOf(shares, inks, 1)[0]).toBe(0);
  });
  test("a metallic sheared towards the light shows its face, away from it its flop, of the same share", () => {
    const one: Sheet = { ...sheet, widthPx: 1, colours: 1 };
    const copper: Ink = {
      rgb: [0.4, 0.2, 0.1],
      metallic: true,
      face: [0.9, 0.5, 0.3],
      flop: [0.1, 0.05, 0.02],
    };
    const red = (turn: number) => {
      const shares = emptyShares(one);
      shares.weight[0] = 1;
      // The light comes from 0.6 rad; twice the angle tells the way of a shear.
      shares.shear2x[0] = Math.cos(2 * turn);
      shares.shear2y[0] = Math.sin(2 * turn);
      return pictureOf(shares, [copper], 1)[0]!;
    };
    expect(red(0.6)).toBeGreaterThan(red(0.6 + Math.PI / 2) + 20);
  });
});

describe("strip by strip", () => {
  const half = (n: number) => ({ minX: 600 * n, maxX: 600 * (n + 1), minY: 0, maxY: 600 });
  const inStrips = (kinds: PatternPass[], strips: Rehearsal["coats"][number]["strips"], work?: PassWork) => {
    const of = rehearsal(kinds, { work });
    return { ...of, coats: of.coats.map((coat) => ({ ...coat, strips })) };
  };
  test("one strip that is the whole is what no strips are", () => {
    const whole = inStrips(["lay", "palm"], [{ minX: 0, maxX: 1200, minY: 0, maxY: 600 }]);
    expect(shown(whole).weight).toEqual(shown(rehearsal(["lay", "palm"])).weight);
  });
  test("each strip has its own pulls, none of which is set down far beyond its wet edge", () => {
    const { ops, steps } = compile(inStrips(["lay", "palm"], [half(0), half(1)]));
    const pulls = ops.slice(steps[0]!.ops).flatMap(({ press }) => (press ? [press.x] : []));
    const first = pulls.slice(0, pulls.length / 2);
    expect(Math.max(...first)).toBeLessThan(600 + 30);
    expect(Math.min(...pulls.slice(pulls.length / 2))).toBeGreaterThan(600 - 30);
  });
  test("the ground is laid once under all, and what flows flows once over all", () => {
    const { ops } = compile(inStrips(["lay"], [half(0), half(1)]));
    expect(ops.filter(({ kind }) => kind === "cover").length).toBe(1);
    expect(ops.filter(({ kind }) => kind === "wobble").length).toBe(1);
    expect(ops[0]!.kind).toBe("cover");
    expect(ops.at(-1)!.kind).toBe("wobble");
  });
  test("what lies over the whole piece is not cut: fields, fog, veins, and strokes of one's own", () => {
    for (const [kinds, work] of [
      [["lay"], { pour: "fields" }],
      [["fog"], {}],
      [["veins"], {}],
    ] as const)
      expect(shown(inStrips([...kinds], [half(0), half(1)], work)).weight).toEqual(
        shown(rehearsal([...kinds], { work })).weight,
      );
  });
  test("both strips end with about the shares that are poured of them", () => {
    const of = inStrips(["lay", "palm"], [half(0), half(1)]);
    const { ops } = compile(of);
    const [left, right] = [0, 1].map((n) =>
      onTop(evaluate(ops, { ...sheetOf(of, PX), widthPx: PX / 2, fromX: 600 * n })),
    );
    left!.forEach((share, colour) => expect(Math.abs(share - right![colour]!)).toBeLessThan(0.2));
  });
});

test("a large piece is worked as densely as a counter of a square metre and a half", () => {
  const pullsPerM2 = (wide: number, high: number) => {
    const of = rehearsal(["lay", "palm"], {
      box: { minX: 0, minY: 0, maxX: wide, maxY: high },
      topMm: { wide, high },
    });
    const { ops, steps } = compile(of);
    return ops.slice(steps[0]!.ops).filter(({ press }) => press).length / ((wide * high) / 1e6);
  };
  const counter = pullsPerM2(2400, 625);
  expect(pullsPerM2(2250, 2000) / counter).toBeCloseTo(1, 1);
  // Beyond three such counters no more is done than can be followed.
  expect(pullsPerM2(6000, 2500) / counter).toBeCloseTo(0.3, 1);
});
