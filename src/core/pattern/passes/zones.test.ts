import { evaluate } from "../engine/evaluate";
import { zoneFields } from "../engine/zone-field";
import { compile } from "./compile";
import { behindBarriers } from "./barriers";
import type { Rehearsal, RehearsedZone } from "./rehearsal";
import type { PractisedStroke } from "./work";
import { practisedStroke } from "../placing/practised";

const rectangle = (minX: number, minY: number, maxX: number, maxY: number) => [
  { x: minX, y: minY },
  { x: maxX, y: minY },
  { x: maxX, y: maxY },
  { x: minX, y: maxY },
];
const circle = (x: number, y: number, radius: number) =>
  Array.from({ length: 200 }, (_, n) => ({
    x: x + radius * Math.cos((n * Math.PI) / 100),
    y: y + radius * Math.sin((n * Math.PI) / 100),
  }));
const BOX = { minX: 0, minY: 0, maxX: 600, maxY: 400 };

describe("how far inside a zone a place lies", () => {
  test("of a circle and what is around it: the distance to the circle", () => {
    const ring = circle(300, 200, 100);
    const [round, rest] = zoneFields([[ring], [rectangle(0, 0, 600, 400), ring]], BOX);
    for (const [x, y] of [
      [300, 200],
      [330, 240],
      [395, 205],
      [450, 200],
      [250, 90],
    ] as const) {
      const inside = 100 - Math.hypot(x - 300, y - 200);
      // The rest ends at the edge of the piece too: far from the circle the nearer of both.
      if (inside > -60) expect(Math.abs((round?.(x, y) ?? NaN) - inside)).toBeLessThan(2);
      expect(Math.sign(rest?.(x, y) ?? NaN)).toBe(-Math.sign(inside));
    }
  });
  test("beyond the piece a place belongs to the zone that is nearest", () => {
    const [left, right] = zoneFields([[rectangle(0, 0, 300, 400)], [rectangle(300, 0, 600, 400)]], {
      minX: -50,
      minY: -50,
      maxX: 650,
      maxY: 450,
    });
    expect(left?.(100, -30)).toBeGreaterThan(0);
    expect(right?.(100, -30)).toBeLessThan(0);
    expect(right?.(640, 430)).toBeGreaterThan(0);
  });
});

const colour = (at: number) => ({ at, share: 1, hides: 1 });
const zones = (held: boolean): RehearsedZone[] => [
  { at: 0, colours: [colour(1)], held },
  { at: 1, colours: [colour(2)], held },
];
const rehearsal = (held: boolean, drawn: PractisedStroke[] = []): Rehearsal => ({
  box: BOX,
  topMm: { wide: 600, high: 400 },
  aroundMm: null,
  base: 0,
  angle: 0,
  seed: 3,
  zoneRings: [[rectangle(0, 0, 300, 400)], [rectangle(300, 0, 600, 400)]],
  coats: [
    {
      id: "c",
      vein: false,
      filmMm: 2,
      colours: [colour(1), colour(2)].map((one) => ({ ...one, share: 0.5 })),
      veins: null,
      zones: zones(held),
      passes: (["lay", "palm"] as const).map((kind) => ({
        id: kind,
        kind,
        tool: "hand",
        rounds: 1,
        mlPerM2: null,
        flowLeft: 1,
        paint: null,
        work: kind === "palm" && drawn.length > 0 ? { strokes: drawn } : {},
      })),
    },
  ],
});
const SHEET = { widthPx: 60, heightPx: 40, pixelMm: 10, fromX: 0, fromY: 0, base: 0, colours: 3 };
/** Share of a colour in each column of the picture, from the left. */
function columns(held: boolean, at: number, drawn: PractisedStroke[] = []): number[] {
  const { weight } = evaluate(compile(rehearsal(held, drawn)).ops, SHEET);
  return Array.from({ length: 60 }, (_, column) => {
    let sum = 0;
    for (let row = 0; row < 40; row += 1) sum += weight[at * 2400 + row * 60 + column] ?? NaN;
    return sum / 40;
  });
}

describe("a coat in zones", () => {
  test("behind a barrier no colour crosses the border, however it is worked", () => {
    const right = columns(true, 2);
    for (const share of right.slice(0, 29)) expect(share).toBeLessThan(0.02);
    for (const share of right.slice(31)) expect(share).toBeGreaterThan(0.98);
  });
  test("where nothing stands on it the border is drawn out by the hand, and far from it each zone keeps its own", () => {
    const mixed = (held: boolean) => columns(held, 2).filter((share) => share > 0.02 && share < 0.98).length;
    const right = columns(false, 2);
    expect(mixed(false)).toBeGreaterThan(mixed(true));
    expect(Math.max(...right.slice(0, 10))).toBeLessThan(0.05);
    expect(Math.min(...right.slice(50))).toBeGreaterThan(0.95);
  });
  test("both zones together show as much of each colour as they are of the piece", () => {
    for (const held of [true, false])
      for (const at of [1, 2]) {
        const mean = columns(held, at).reduce((sum, share) => sum + share, 0) / 60;
        expect(Math.abs(mean - 0.5)).toBeLessThan(held ? 0.01 : 0.04);
      }
  });
});

const ACROSS: PractisedStroke = {
  tool: "hand",
  pressure: 0.8,
  points: Array.from({ length: 21 }, (_, n) => [100 + 20 * n, 200] as const),
};

describe("a pull that was drawn across the border", () => {
  test("stops at a barrier and crosses where there is none", () => {
    expect(Math.max(...columns(true, 2, [ACROSS]).slice(0, 29))).toBeLessThan(0.02);
    const crossed = columns(false, 2, [ACROSS]);
    // Drawn to the right it carries the left colour over.
    expect(Math.min(...crossed.slice(32, 40))).toBeLessThan(0.97);
  });
  test("is done once, however many zones are poured together", () => {
    const ops = practisedStroke(ACROSS, 1, 1);
    const [coat] = rehearsal(false).coats;
    expect(behindBarriers(rehearsal(false), coat!, ops)).toEqual(ops);
    const held = rehearsal(true);
    const apart = behindBarriers(held, held.coats[0]!, ops);
    expect(apart.filter(({ press }) => press).length).toBe(ops.length);
    // On both sides only where it comes near the border.
    expect(apart.length).toBeGreaterThan(ops.length);
    expect(apart.length).toBeLessThan(2 * ops.length);
  });
});
