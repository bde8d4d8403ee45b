import type { Crossing, VeinStretch } from "./tape";
import { endWords, stretchWords, toldStretches, turnWords, widthText } from "./tape-words";

const end = (changes: Partial<Crossing>): Crossing => ({
  edge: "left",
  words: "left end",
  from: "the back",
  alongMm: 312,
  widthMm: 6,
  point: { x: 0, y: 312 },
  lowerAlongMm: null,
  ...changes,
});
const stretch = (changes: Partial<VeinStretch> = {}): VeinStretch => ({
  kind: "main",
  enters: end({}),
  leaves: end({ edge: "front", words: "front", from: "the left", alongMm: 845, lowerAlongMm: 880 }),
  turns: [],
  turnsFrom: ["the left", "the back"],
  widestMm: 9,
  line: [],
  ...changes,
});

test("a stretch is told edge by edge in both unit systems, the person's own first", () => {
  expect(stretchWords(stretch(), "metric")).toBe(
    "enters left end at 312 mm (12 5/16 in) from the back; leaves front at 845 mm (33 1/4 in) from the left, at the foot of the face 880 mm (34 5/8 in); 6 mm (1/4 in) wide there, at most 9 mm",
  );
  expect(endWords(end({}), "enters", "us")).toBe("enters left end at 12 5/16 in (312 mm) from the back");
  expect(endWords(null, "enters", "us")).toBe("begins on the piece");
  expect(endWords(null, "leaves", "us")).toBe("ends on the piece");
});

test("turns say what they are measured from: on a tumbler its seam and its rim", () => {
  const turns = [{ xMm: 40, yMm: 60, widthMm: 3 }];
  expect(turnWords(stretch({ turns, turnsFrom: ["the seam", "the rim"] }), "metric")).toBe(
    "over 40 mm · 60 mm (from the seam · from the rim)",
  );
  expect(turnWords(stretch(), "metric")).toBeNull();
});

test("a hair has a width: under the finest that is told, never nothing", () => {
  expect(widthText(0.5, "us")).toBe("under 1/16 in");
  expect(widthText(0.5, "metric")).toBe("0.5 mm");
  expect(widthText(0.02, "metric")).toBe("under 0.1 mm");
  expect(widthText(1.6, "us")).toBe("1/16 in");
  for (let mm = 0.01; mm < 4; mm += 0.01)
    for (const system of ["us", "metric"] as const) expect(widthText(mm, system)).not.toMatch(/^0 /);
});

test("hairs, and branches that stay on the piece, are drawn and not told", () => {
  const told = toldStretches({
    setId: "s",
    veinId: "v",
    name: "Graphite",
    number: 1,
    stretches: [
      stretch(),
      stretch({ kind: "hair" }),
      stretch({ kind: "branch", enters: null, leaves: null }),
      stretch({ kind: "branch", enters: null }),
    ],
  });
  expect(told.map(({ kind }) => kind)).toEqual(["main", "branch"]);
});
