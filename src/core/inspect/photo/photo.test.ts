import fc from "fast-check";
import { decoded, encoded } from "../../colour/spaces";
import { normals, seeded } from "../../numerics/random";
import { compile } from "../../pattern/passes/compile";
import { CLOSE, evaluate } from "../../pattern/engine/evaluate";
import { onTop } from "../../pattern/engine/measures";
import { pictureOf } from "../../pattern/engine/picture";
import { emptyShares, type Sheet, type Shares } from "../../pattern/engine/sheet";
import { measurePiece, type Measured } from "../../geometry/measure";
import { newPiece } from "../../geometry/new-piece";
import { derivePlan } from "../../plan/derive-plan";
import { CARDS, colourCoat, job, newId } from "../../plan/testing/sample";
import { sheetOf } from "../../rehearsal/judge-picture";
import { rehearsalOf, type PaletteColour } from "../../rehearsal/rehearse";
import { withTechnique } from "../../job/techniques";
import type { TechniqueId } from "../../job/technique-list";
import { perspectiveOf, through, type At } from "./perspective";
import { balanceOf, straighten, type Photo } from "./straighten";
import { landmarksOf } from "./anchors";
import { boardLooks, boardShare } from "./board-share";
import { CELLS_OFF, IN_ONE_LINE, judgePhoto, SHARE_OFF } from "./judge-photo";
import { photoWords } from "./photo-words";
import { cellMm } from "./cells";
import { widthsOf } from "./widths";
import { readShares, sharesOnPiece } from "./read-shares";
import { looksApart } from "./alike";

const place = fc.record({
  x: fc.double({ min: 0, max: 100, noNaN: true }),
  y: fc.double({ min: 0, max: 100, noNaN: true }),
});
const SQUARE: At[] = [
  { x: 0, y: 0 },
  { x: 100, y: 0 },
  { x: 100, y: 100 },
  { x: 0, y: 100 },
];

test("a perspective takes its four places to the four others, keeps lines straight, and there and back is nothing", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -18, max: 18, noNaN: true }), { minLength: 8, maxLength: 8 }),
      place,
      place,
      (off, a, b) => {
        const to = SQUARE.map(({ x, y }, n) => ({ x: x + off[2 * n]!, y: y + off[2 * n + 1]! }));
        const map = perspectiveOf(SQUARE, to);
        SQUARE.forEach((from, n) => {
          expect(through(map, from).x).toBeCloseTo(to[n]!.x, 6);
          expect(through(map, from).y).toBeCloseTo(to[n]!.y, 6);
        });
        const [p, q, middle] = [a, b, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }].map((one) =>
          through(map, one),
        ) as [At, At, At];
        const long = Math.hypot(q.x - p.x, q.y - p.y);
        const off2 = Math.abs((q.x - p.x) * (middle.y - p.y) - (q.y - p.y) * (middle.x - p.x));
        expect(off2).toBeLessThan(1e-6 * (1 + long * long));
        const back = through(perspectiveOf(to, SQUARE), through(map, a));
        expect(Math.hypot(back.x - a.x, back.y - a.y)).toBeLessThan(1e-5);
      },
    ),
  );
  expect(() => perspectiveOf([SQUARE[0]!, SQUARE[0]!, SQUARE[0]!, SQUARE[0]!], SQUARE)).toThrow(/line/);
});

const TECHNIQUES: TechniqueId[] = ["palm-blend", "bucket-pour", "drizzle-blow", "layered-stone"];
const PHOTO = { width: 700, height: 500 };
const CARD = { x: 50, y: 455, radius: 16 };

/** Plain light of what is encoded. */
const LIGHT = Float32Array.from({ length: 256 }, (_, n) => decoded(n / 255));

/** Encoded for a screen, by the square root of the light in so many steps. */
const STEPS = 8192;
const ENCODED = Float32Array.from({ length: STEPS + 1 }, (_, n) => 255 * encoded((n / STEPS) ** 2));

/** The noise of a sensor: the same grains, begun elsewhere in each photo. */
const GRAINS = Float32Array.from({ length: 1 << 16 }, normals(seeded(77)));

/** A photo of a picture by known perspective, cast, blur and noise, with a grey card beside it. */
function photographed(
  picture: Uint8ClampedArray,
  sheet: Sheet,
  seed: number,
): { photo: Photo; corners: At[] } {
  const uniform = seeded(seed);
  const jitter = () => 36 * (uniform() - 0.5);
  const ratio = sheet.heightPx / sheet.widthPx;
  const wide = 580;
  const high = Math.min(370, wide * ratio);
  const corners = [
    { x: 60, y: 35 },
    { x: 60 + wide, y: 35 },
    { x: 60 + wide, y: 35 + high },
    { x: 60, y: 35 + high },
  ].map(({ x, y }) => ({ x: x + jitter(), y: y + jitter() }));
  const { widthPx, heightPx } = sheet;
  const back = perspectiveOf(corners, [
    { x: 0, y: 0 },
    { x: widthPx, y: 0 },
    { x: widthPx, y: heightPx },
    { x: 0, y: heightPx },
  ]);
  const cast = [0.85 + 0.3 * uniform(), 0.9, 0.75 + 0.3 * uniform()];
  const { width, height } = PHOTO;
  const light = new Float32Array(width * height * 3).fill(0.35);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = through(back, { x: x + 0.5, y: y + 0.5 });
      const [u, v] = [Math.floor(at.x), Math.floor(at.y)];
      const isCard = Math.hypot(x - CARD.x, y - CARD.y) < 26;
      for (let channel = 0; channel < 3; channel += 1) {
        const i = 3 * (y * width + x) + channel;
        if (isCard) light[i] = 0.18;
        else if (u >= 0 && v >= 0 && u < widthPx && v < heightPx)
          light[i] = LIGHT[picture[4 * (v * widthPx + u) + channel]!]!;
        light[i] = light[i]! * cast[channel]!;
      }
    }
  // The lens: over a pixel and its neighbours, across and then down.
  const blurred = [3, 3 * width].reduce((from, step) => {
    const to = from.slice();
    for (let i = step; i < from.length - step; i += 1)
      to[i] = (from[i]! + from[i - step]! + from[i + step]!) / 3;
    return to;
  }, light);
  const pixels = new Uint8ClampedArray(width * height * 4).fill(255);
  let grain = Math.floor(GRAINS.length * uniform());
  for (let i = 0; i < width * height; i += 1)
    for (let channel = 0; channel < 3; channel += 1) {
      const step = Math.round(STEPS * Math.sqrt(Math.min(1, blurred[3 * i + channel]!)));
      grain = (grain + 1) & (GRAINS.length - 1);
      pixels[4 * i + channel] = ENCODED[step]! + 2.5 * GRAINS[grain]!;
    }
  return { photo: { ...PHOTO, pixels }, corners };
}

/** A rehearsed picture and the truth of it. */
function rehearsed(seed: number): {
  shares: Shares;
  picture: Uint8ClampedArray;
  inks: PaletteColour[];
} {
  const document = job((draft) => {
    draft.pieces[0]!.shape = { kind: "straight", lengthMm: 900, depthMm: 560 };
    const at = draft.coats.findIndex(({ kind }) => kind === "colour");
    draft.coats[at] = withTechnique(colourCoat(draft), TECHNIQUES[seed % TECHNIQUES.length]!, newId);
    draft.rehearsal = { seed, angleDeg: 26 };
  });
  const plan = derivePlan(document, CARDS);
  const of = rehearsalOf(plan, document, plan.pieces[0]!)!;
  const sheet = sheetOf(of.rehearsal, of.palette.length, 360);
  const shares = evaluate(compile(of.rehearsal).ops, sheet, { closeness: CLOSE });
  return { shares, picture: pictureOf(shares, of.palette, seed), inks: of.palette };
}
/** The corners of a sheet on its piece, and in a photo. */
const anchorsOf = ({ widthPx, heightPx, pixelMm, fromX, fromY }: Sheet, corners: readonly At[]) =>
  [
    { x: 0, y: 0 },
    { x: widthPx, y: 0 },
    { x: widthPx, y: heightPx },
    { x: 0, y: heightPx },
  ].map(({ x, y }, n) => ({
    onPiece: { x: fromX + x * pixelMm, y: fromY + y * pixelMm },
    inPhoto: corners[n]!,
  }));

const SET = Array.from({ length: 40 }, (_, n) => n + 1);

/** What a photo says of a picture by the corners of its sheet: shares by look, and what was read. */
function readBack(picture: Uint8ClampedArray, sheet: Sheet, inks: readonly PaletteColour[], seed: number) {
  const { photo, corners } = photographed(picture, sheet, seed);
  const looks = looksApart(inks);
  const straight = straighten(photo, anchorsOf(sheet, corners), sheet, balanceOf(photo, CARD)!);
  const shares = readShares(
    straight,
    looks.map(({ ink }) => ink),
    () => true,
  );
  return { looks, shares };
}

test("forty rehearsed pictures, photographed askew in a cast, blurred and noisy: shares come back within two points, cells as wide", () => {
  const cells: number[] = [];
  for (const seed of SET) {
    const { shares, picture, inks } = rehearsed(seed);
    const { looks, shares: back } = readBack(picture, shares.sheet, inks, seed);
    const read = sharesOnPiece(back);
    const truth = onTop(shares);
    const many = shares.sheet.widthPx * shares.sheet.heightPx;
    looks.forEach(({ ink, members }, n) => {
      const share = members.reduce((sum, at) => sum + truth[at]!, 0);
      expect([seed, ink.name, Math.abs(read[n]! - share) < 0.02]).toEqual([seed, ink.name, true]);
      const weight = Float32Array.from({ length: many }, (_, i) =>
        members.reduce((sum, at) => sum + shares.weight[at * many + i]!, 0),
      );
      const [cell, seen] = [cellMm({ ...shares, weight }, 0), cellMm(back, n)];
      if (cell !== null && seen !== null) cells.push(seen / cell);
    });
  }
  // All within what is said of it, and eight in ten within 0.15.
  expect(cells.length).toBeGreaterThan(100);
  const off = cells.map((times) => Math.abs(times - 1)).sort((a, b) => a - b);
  expect(off.at(-1)!).toBeLessThan(CELLS_OFF);
  expect(off[Math.floor(0.8 * off.length)]!).toBeLessThan(0.15);
}, 300_000);

/** A white sheet with one winding line of a colour, so many mm wide. */
function veined(seed: number, widthMm: number): Shares {
  const uniform = seeded(seed);
  const sheet: Sheet = { widthPx: 560, heightPx: 350, pixelMm: 1.1, fromX: 0, fromY: 0, base: 0, colours: 2 };
  const shares = emptyShares(sheet);
  const many = sheet.widthPx * sheet.heightPx;
  const [phase, swing, tilt] = [6 * uniform(), 20 + 50 * uniform(), 0.3 * (uniform() - 0.5)];
  const f = (x: number) => 190 + tilt * (x - 300) + swing * Math.sin(x / 90 + phase);
  const slope = (x: number) => tilt + (swing / 90) * Math.cos(x / 90 + phase);
  const bend = (x: number) => (-swing / 8100) * Math.sin(x / 90 + phase);
  for (let i = 0; i < many; i += 1) {
    const at = { x: ((i % 560) + 0.5) * 1.1, y: (Math.floor(i / 560) + 0.5) * 1.1 };
    // The foot on the line, by Newton's steps; far from it the nearest one does not matter.
    let u = at.x;
    if (Math.abs(f(u) - at.y) < 60)
      for (let step = 0; step < 6; step += 1) {
        const off = f(u) - at.y;
        u -= (u - at.x + off * slope(u)) / Math.max(0.3, 1 + slope(u) ** 2 + off * bend(u));
      }
    const far = Math.hypot(u - at.x, f(u) - at.y);
    const share = Math.min(1, Math.max(0, (widthMm / 2 - far) / 1.1 + 0.5));
    shares.weight[i] = 1 - share;
    shares.weight[many + i] = share;
  }
  return shares;
}

test("veins of known width, photographed the same way: their widths come back within 1.5 mm", () => {
  const { inks } = rehearsed(1);
  const white = inks.find(({ name }) => name === "Bone white") ?? inks[0]!;
  const graphite = {
    ...white,
    name: "Graphite",
    hex: "#3a3d40",
    rgb: [0.042, 0.046, 0.051] as const,
    metallic: false,
  };
  for (const seed of SET) {
    const widthMm = 5 + (seed % 9) * 1.6;
    const truth = veined(seed, widthMm);
    const picture = pictureOf(truth, [white, graphite], seed);
    const { shares } = readBack(picture, truth.sheet, [white, graphite], seed);
    const told = widthsOf(shares, 1)!;
    expect([seed, Math.abs(told.likely - widthMm) < 1.5]).toEqual([seed, true]);
    expect(told.low).toBeLessThanOrEqual(told.likely);
    expect(told.lengthMm).toBeGreaterThan(100);
  }
  expect(widthsOf(veined(1, 0), 1)).toBeNull();
}, 120_000);

test("a board is read by two touched colours: the share of the one comes back within two points; what looks the same is told", () => {
  const { inks } = rehearsed(1);
  const white = inks.find(({ name }) => name === "Bone white") ?? inks[0]!;
  const blue = { ...white, name: "Blue", hex: "#1f4b8f", rgb: [0.014, 0.07, 0.27] as const, metallic: false };
  for (const seed of SET.slice(0, 12)) {
    const truth = veined(seed, 24 + 9 * seed);
    const { widthPx, heightPx } = truth.sheet;
    const many = widthPx * heightPx;
    const { photo, corners } = photographed(pictureOf(truth, [white, blue], seed), truth.sheet, seed);
    const toPhoto = perspectiveOf(
      [
        { x: 0, y: 0 },
        { x: widthPx, y: 0 },
        { x: widthPx, y: heightPx },
        { x: 0, y: heightPx },
      ],
      corners,
    );
    /** The middle of a column's run of a colour, in the photo. */
    const spot = (colour: number, column: number): At => {
      const rows = Array.from({ length: heightPx }, (_, row) => row).filter(
        (row) => truth.weight[colour * many + row * widthPx + column] === 1,
      );
      return through(toPhoto, { x: column, y: rows[rows.length >> 1]! });
    };
    const top = through(toPhoto, { x: 40, y: 12 });
    const asked = { photo, corners, card: CARD, radius: 4 };
    const read = boardShare({ ...asked, counted: [spot(1, 200), spot(1, 420)], others: [top] });
    const share = truth.weight.slice(many).reduce((sum, one) => sum + one, 0) / many;
    expect([seed, read.ok && Math.abs(read.share - share) < 0.02]).toEqual([seed, true]);
    // By the colours of a coat, nothing but the corners and the card touched.
    const looks = boardLooks({ ...asked, palette: [white, blue] });
    expect([seed, looks.ok && Math.abs(looks.shares[1]! - share) < 0.02]).toEqual([seed, true]);
    expect(boardShare({ ...asked, counted: [top], others: [{ x: top.x + 3, y: top.y + 2 }] })).toMatchObject({
      ok: false,
      reason: expect.stringContaining("look the same"),
    });
    expect(
      boardShare({ ...asked, corners: corners.map(() => top), counted: [spot(1, 200)], others: [top] }),
    ).toEqual({
      ok: false,
      reason: IN_ONE_LINE,
    });
    const burnt = { ...photo, pixels: new Uint8ClampedArray(photo.pixels.length).fill(255) };
    expect(boardShare({ ...asked, photo: burnt, counted: [top], others: [top] })).toMatchObject({
      ok: false,
    });
  }
}, 60_000);

test("a band of eleven samples is eleven wide, by hand", () => {
  const sheet: Sheet = { widthPx: 60, heightPx: 40, pixelMm: 2, fromX: 0, fromY: 0, base: 0, colours: 1 };
  const shares = emptyShares(sheet);
  for (let y = 12; y < 23; y += 1) for (let x = 0; x < 60; x += 1) shares.weight[y * 60 + x] = 1;
  expect(widthsOf(shares, 0)!.likely).toBeCloseTo(22, 0);
});

test("discs are as wide as they are: 4/π of their mean chord (Cauchy); half discs at an edge and other sizes beside", () => {
  const sheet: Sheet = { widthPx: 400, heightPx: 300, pixelMm: 0.5, fromX: 0, fromY: 0, base: 0, colours: 2 };
  const shares = emptyShares(sheet);
  const disc = (colour: number, acrossMm: number, x: number, y: number) => {
    for (let i = 0; i < 400 * 300; i += 1)
      if (Math.hypot((i % 400) + 0.5 - x, Math.floor(i / 400) + 0.5 - y) < acrossMm)
        shares.weight[colour * 120_000 + i] = 1;
  };
  for (const x of [60, 200, 340]) for (const y of [60, 180]) disc(0, 40, x, y);
  disc(1, 20, 130, 120);
  disc(1, 20, 270, 120);
  expect(cellMm(shares, 0)).toBeCloseTo(40, 0);
  expect(Math.abs(cellMm(shares, 1)! - 20)).toBeLessThan(0.6);
  expect(cellMm(emptyShares(sheet), 0)).toBeNull();
});

test("a card that is burnt out says nothing; colours that look the same are one", () => {
  const pixels = new Uint8ClampedArray(40 * 40 * 4).fill(255);
  expect(balanceOf({ width: 40, height: 40, pixels }, { x: 20, y: 20, radius: 5 })).toBeNull();
  pixels.fill(128);
  const balance = balanceOf({ width: 40, height: 40, pixels }, { x: 20, y: 20, radius: 5 })!;
  // 128 is 0.2159 of the light (IEC 61966-2-1): a card of 18 % is brought down to it.
  expect(balance[0]).toBeCloseTo(0.18 / 0.2159, 3);
  const { inks } = rehearsed(1);
  const twice = looksApart([...inks, ...inks]);
  expect(twice).toHaveLength(looksApart(inks).length);
  expect(twice.reduce((sum, { members }) => sum + members.length, 0)).toBe(2 * inks.length);
});

test("a piece is found in a photo by its four corners; a round one by the middles of its sides", () => {
  const measured = (kind: "rectangle" | "round" | "l-run") => {
    const found = measurePiece(newPiece(kind, "It", newId));
    if (!found.ok) throw new Error("not measured");
    return found.measured;
  };
  const plate = landmarksOf(measured("rectangle"));
  expect(plate.map(({ name }) => name)).toEqual([
    "back left corner",
    "back right corner",
    "front right corner",
    "front left corner",
  ]);
  expect(landmarksOf(measured("round")).map(({ name }) => name)[0]).toBe("middle of the back");
  const run = landmarksOf(measured("l-run"));
  expect(new Set(run.map(({ x, y }) => `${x} ${y}`)).size).toBe(4);
});

test("judged: what was photographed is told beside what was rehearsed, in words where it differs by more than a photo is off", () => {
  const document = job((draft) => {
    draft.pieces[0]!.shape = { kind: "straight", lengthMm: 900, depthMm: 560 };
  });
  const plan = derivePlan(document, CARDS);
  const [piece] = plan.pieces as [Measured];
  const of = rehearsalOf(plan, document, piece)!;
  const black = of.palette.findLastIndex(({ name }) => name === "Ink black");
  const white = of.palette.findIndex(({ name }) => name === "Bone white");
  const { widthMm, heightMm } = piece.outline;
  const sheet: Sheet = {
    widthPx: 300,
    heightPx: Math.round((300 * heightMm) / widthMm),
    pixelMm: widthMm / 300,
    fromX: 0,
    fromY: 0,
    base: 0,
    colours: of.palette.length,
  };
  // A piece that came out half black, the right of it, and white.
  const truth = emptyShares(sheet);
  const many = sheet.widthPx * sheet.heightPx;
  for (let i = 0; i < many; i += 1) truth.weight[(i % 300 < 150 ? white : black) * many + i] = 1;
  const { photo, corners } = photographed(pictureOf(truth, of.palette, 3), sheet, 3);
  const ask = (card: Parameters<typeof judgePhoto>[0]["card"], places = corners) =>
    judgePhoto({
      photo,
      anchors: landmarksOf(piece).map((onPiece, n) => ({ onPiece, inPhoto: places[n]! })),
      card,
      piece,
      of,
      lines: [],
    });
  const judged = ask(CARD);
  if (!judged.ok) throw new Error(judged.reason);
  const at = (name: string) => judged.looks.findIndex((look) => look.name === name);
  expect(judged.seen.onTop[at("Ink black")]).toBeCloseTo(0.5, 1);
  expect(judged.seen.leftRight[at("Ink black")]!).toBeLessThan(-0.9);
  const words = photoWords(judged, "metric");
  expect(words.join(" ")).toMatch(/Ink black 5\d %, rehearsed \d+ %\./);
  expect(words).toContain("The left third has no Ink black.");
  const other = at("Bone white");
  const alike = judged.looks.map((look, n) => ({
    ...look,
    nearly: n === at("Ink black") ? [other] : n === other ? [at("Ink black")] : [],
  }));
  expect(photoWords({ ...judged, looks: alike }, "metric").join(" ")).toMatch(/ together, rehearsed \d+ %\./);
  // Beside what was approved: told where it is further off than two photos are.
  const approved = judged.seen.onTop.map((share, n) => (n === at("Ink black") ? share - 0.1 : share));
  expect(photoWords(judged, "metric", approved).join(" ")).toMatch(
    /Ink black 5\d %, rehearsed \d+ %, approved 4\d %\./,
  );
  const wished = judged.rehearsed.onTop.map((share, n) => (n === at("Ink black") ? share + 0.1 : share));
  expect(photoWords({ ...judged, seen: judged.rehearsed }, "metric", wished)).toHaveLength(1);
  const wider = judged.rehearsed.cells.map((cell, n) => (n === at("Ink black") && cell ? 1.6 * cell : cell));
  expect(photoWords({ ...judged, seen: { ...judged.rehearsed, cells: wider } }, "metric")).toEqual([
    expect.stringMatching(
      /^Ink black lies in cells [\d.]+ mm wide, rehearsed [\d.]+ mm; a photo is off by up to 28 %\.$/,
    ),
  ]);
  expect(photoWords({ ...judged, seen: judged.rehearsed }, "metric")).toEqual([
    "It came out as it was rehearsed, as far as a photo tells.",
  ]);
  // Without a card, by a patch whose colour is known: the white half, in a cast, comes back as the same.
  const on = (x: number): At => ({
    x: (corners[0]!.x * (1 - x) + corners[1]!.x * x + corners[3]!.x * (1 - x) + corners[2]!.x * x) / 2,
    y: (corners[0]!.y + corners[1]!.y + corners[2]!.y + corners[3]!.y) / 4,
  });
  const byWhite = judgePhoto({
    photo,
    anchors: landmarksOf(piece).map((onPiece, n) => ({ onPiece, inPhoto: corners[n]! })),
    card: { ...on(0.25), radius: 12 },
    known: of.palette[white]!.rgb,
    piece,
    of,
    lines: [],
  });
  if (!byWhite.ok) throw new Error(byWhite.reason);
  byWhite.seen.onTop.forEach((share, n) =>
    expect(Math.abs(share - judged.seen.onTop[n]!)).toBeLessThan(SHARE_OFF / 100),
  );
  expect(ask({ x: 2, y: 2, radius: 0.4 })).toMatchObject({ ok: true });
  const beyond = corners.map(({ x, y }, n) => ({ x: n === 1 || n === 2 ? x + 300 : x, y }));
  expect(ask(CARD, beyond)).toMatchObject({
    ok: false,
    reason: expect.stringContaining("outside of the photo"),
  });
  const line = corners.map((_, n) => ({ x: n * 10, y: n * 10 }));
  expect(ask(CARD, line)).toMatchObject({ ok: false, reason: expect.stringContaining("one line") });
});
