import fc from "fast-check";
import { ringAreaMm2 } from "./ring";
import { throughPoints } from "./through-points";

const onCircle = (count: number, radius: number) =>
  Array.from({ length: count }, (_, index) => {
    const turn = (2 * Math.PI * index) / count;
    return { x: radius * Math.cos(turn), y: radius * Math.sin(turn) };
  });

/** Barry and Goldman's pyramid for one stretch, written from the definition: another way to the same curve. */
function pyramid(p: readonly { x: number; y: number }[], share: number): { x: number; y: number } {
  const knots = [0];
  for (let i = 1; i < 4; i += 1)
    knots.push(knots[i - 1]! + Math.sqrt(Math.hypot(p[i]!.x - p[i - 1]!.x, p[i]!.y - p[i - 1]!.y)));
  const t = knots[1]! + share * (knots[2]! - knots[1]!);
  let row = [...p];
  for (let level = 1; level <= 3; level += 1)
    row = row.slice(1).map((to, i) => {
      const [low, high] = level === 3 ? [knots[1]!, knots[2]!] : [knots[i]!, knots[i + level]!];
      const mix = (t - low) / (high - low);
      return { x: row[i]!.x * (1 - mix) + to.x * mix, y: row[i]!.y * (1 - mix) + to.y * mix };
    });
  return row[0]!;
}

const distanceTo = (line: readonly { x: number; y: number }[], point: { x: number; y: number }) =>
  Math.min(
    ...line.slice(1).map((b, index) => {
      const a = line[index]!;
      const along =
        ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) /
        Math.hypot(b.x - a.x, b.y - a.y) ** 2;
      const held = Math.max(0, Math.min(1, along || 0));
      return Math.hypot(point.x - a.x - held * (b.x - a.x), point.y - a.y - held * (b.y - a.y));
    }),
  );

test("twelve clicks around a round top give its area to half a percent, and go through each of them", () => {
  const clicks = onCircle(12, 400);
  const line = throughPoints(clicks, true);
  expect(Math.abs(ringAreaMm2(line) / (Math.PI * 400 ** 2) - 1)).toBeLessThan(0.005);
  for (const click of clicks)
    expect(Math.min(...line.map(({ x, y }) => Math.hypot(x - click.x, y - click.y)))).toBeLessThan(1e-9);
});

test("it is the curve of its definition (Catmull-Rom by Barry and Goldman's pyramid), to the flatness", () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ x: fc.integer({ min: 0, max: 3000 }), y: fc.integer({ min: 0, max: 900 }) }), {
        minLength: 4,
        maxLength: 4,
      }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (points, share) => {
        fc.pre(
          points.every((p, i) => i === 0 || Math.hypot(p.x - points[i - 1]!.x, p.y - points[i - 1]!.y) > 1),
        );
        expect(distanceTo(throughPoints(points, false), pyramid(points, share))).toBeLessThan(0.06);
      },
    ),
    { numRuns: 300 },
  );
});

test("points on a straight stay straight; two are a line", () => {
  const line = throughPoints(
    [0, 10, 400, 500].map((x) => ({ x, y: x / 2 })),
    false,
  );
  for (const { x, y } of line) expect(y).toBeCloseTo(x / 2, 9);
  expect(
    throughPoints(
      [
        { x: 0, y: 0 },
        { x: 5, y: 5 },
      ],
      false,
    ),
  ).toHaveLength(2);
});
