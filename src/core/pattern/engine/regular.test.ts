import { evaluate } from "./evaluate";
import { emptyShares, type Sheet } from "./sheet";
import { drop } from "../ops/drop";
import { cover } from "../ops/cover";
import { regularity, TOO_REGULAR } from "./regular";
import { puddles } from "../placing/pours";

const sheet: Sheet = {
  widthPx: 256,
  heightPx: 256,
  pixelMm: 4,
  fromX: 0,
  fromY: 0,
  base: 0,
  colours: 2,
};
const LIGHT = [0.9, 0.1];
const drawn = (dark: (x: number, y: number) => number) => {
  const shares = emptyShares(sheet);
  const samples = sheet.widthPx * sheet.heightPx;
  for (let i = 0; i < samples; i += 1) {
    const own = dark(i % sheet.widthPx, Math.floor(i / sheet.widthPx));
    shares.weight[i] = 1 - own;
    shares.weight[samples + i] = own;
  }
  return shares;
};

test("even stripes and rows of equal puddles are too regular; scattered ones are not (an eye's judgement, no source)", () => {
  const stripes = regularity(
    drawn((x, y) => (Math.sin((x + 0.5 * y) / 4) > 0 ? 1 : 0)),
    LIGHT,
  );
  const rows = regularity(
    evaluate(
      [
        cover(0),
        ...Array.from({ length: 64 }, (_, n) =>
          drop({
            x: 64 + (n % 8) * 128,
            y: 64 + Math.floor(n / 8) * 128,
            a: 40,
            b: 40,
            angle: 0,
            colour: 1,
            uneven: 0.05,
            seed: n,
          }),
        ),
      ],
      sheet,
    ),
    LIGHT,
  );
  const scattered = [1, 2, 3].map((seed) =>
    regularity(
      evaluate(
        [
          cover(0),
          ...puddles(
            { minX: 0, minY: 0, maxX: 1024, maxY: 1024 },
            { colour: 1, cover: 0.4, radiusMm: 70, seed, stretch: 2, along: 0.4 },
          ),
        ],
        sheet,
      ),
      LIGHT,
    ),
  );
  expect(stripes).toBeGreaterThan(2);
  expect(rows).toBeGreaterThan(TOO_REGULAR);
  for (const own of scattered) expect(own).toBeLessThan(TOO_REGULAR);
});

test("one colour alone is not regular", () => {
  expect(
    regularity(
      drawn(() => 0),
      LIGHT,
    ),
  ).toBeLessThan(0.2);
});
