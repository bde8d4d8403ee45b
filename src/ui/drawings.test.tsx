import { renderToStaticMarkup } from "react-dom/server";
import { vesselFor, fillHeightMm } from "@/core/batch/vessel";
import { exactly, within } from "@/core/numerics/spread";
import type { StateStart } from "@/core/cure/film-states";
import { newPiece } from "@/core/geometry/new-piece";
import { Beam } from "./beam";
import { PieceDrawing } from "./piece-drawing";
import { VesselDrawing } from "./vessel-drawing";

const attributes = (markup: string, tag: string, name: string) =>
  [...markup.matchAll(new RegExp(`<${tag}[^>]* ${name}="([^"]*)"`, "g"))].map((match) => match[1] ?? "");

const life: StateStart[] = [
  { state: "runny", fromMin: exactly(0) },
  { state: "flowing", fromMin: within(60, 0.2) },
  { state: "heavy", fromMin: within(90, 0.2) },
  { state: "gummy", fromMin: within(120, 0.25) },
  { state: "set", fromMin: within(240, 0.25) },
  { state: "recoat", fromMin: within(240, 0.25) },
];

describe("the beam", () => {
  const markup = (nowMin: number | null) =>
    renderToStaticMarkup(<Beam life={life} nowMin={nowMin} untilMin={300} width={600} height={20} />);
  test("bars are as long as their states, to scale", () => {
    const bars = [
      ...markup(null).matchAll(/<rect x="([\d.]+)" y="20" width="([\d.]+)" height="20" fill="#/g),
    ].map((match) => [Number(match[1]), Number(match[2])]);
    expect(bars).toEqual([
      [0, 119],
      [120, 59],
      [180, 59],
      [240, 239],
      [480, 119],
    ]);
  });
  test("a film that may be recoated as soon as it is set says so in one name", () =>
    expect(markup(null)).toMatch(/set · recoat/));
  test("now stands at its minute and is told to readers in words", () => {
    const at90 = markup(95);
    expect(at90).toContain('aria-label="The film is heavy now"');
    expect(attributes(at90, "line", "x1")).toContain("190");
  });
  test("every state has a texture of its own, so that it survives grey printing", () => {
    const patterns = new Set(
      [...markup(null).matchAll(/<pattern[^>]*>(.*?)<\/pattern>/g)].map((match) => match[1]),
    );
    expect(patterns.size).toBeGreaterThanOrEqual(4);
  });
  test("the spread of each border is drawn", () =>
    expect(attributes(markup(null), "line", "x1").map(Number)).toEqual(
      expect.arrayContaining([96, 144, 180, 360]),
    ));
});

describe("a vessel", () => {
  test("the fill line stands at the height of the volume, to scale", () => {
    const vessel = vesselFor(400);
    const markup = renderToStaticMarkup(
      <VesselDrawing vessel={vessel} fillMl={400} hex="#102030" look="metallic" pxPerMm={1.5} label="cup" />,
    );
    const height = vessel.heightMm * 1.5;
    const line = attributes(markup, "line", "y1").map(Number).pop();
    expect(line).toBeCloseTo(height - fillHeightMm(vessel, 400) * 1.5, 6);
    expect(markup).toContain('fill="#102030"');
  });
  test("an empty one has no fill and no fill line", () => {
    const markup = renderToStaticMarkup(
      <VesselDrawing
        vessel={vesselFor(400)}
        fillMl={0}
        hex="#102030"
        look="opaque"
        pxPerMm={1}
        label="cup"
      />,
    );
    expect(markup).not.toContain("#102030");
  });
});

describe("a piece", () => {
  let made = 0;
  const piece = (kind: "straight" | "l-run" | "round") => newPiece(kind, "Bar", () => `id-${(made += 1)}`);
  const draw = (kind: "straight" | "l-run" | "round") =>
    renderToStaticMarkup(<PieceDrawing piece={piece(kind)} system="us" width={800} height={500} />);
  test("is drawn to scale", () => {
    const [, outline = ""] = /<path d="(M[^"]+Z)" fill="var\(--color-paper\)"/.exec(draw("straight")) ?? [];
    const corners = outline
      .slice(1, -1)
      .split("L")
      .map((pair) => pair.split(" ").map(Number) as [number, number]);
    const [a, b, c] = corners as [[number, number], [number, number], [number, number]];
    expect((b[0] - a[0]) / (c[1] - b[1])).toBeCloseTo(2400 / 635, 3);
  });
  test("dimensions stand in both systems", () => {
    const markup = draw("straight");
    expect(markup).toContain("94 1/2 in");
    expect(markup).toContain("2\u2009400 mm");
  });
  test("without a size it asks for one instead of drawing nonsense", () => {
    const none = { ...piece("straight"), shape: { kind: "straight", lengthMm: 0, depthMm: 5 } as const };
    expect(
      renderToStaticMarkup(<PieceDrawing piece={none} system="us" width={800} height={500} />),
    ).toContain("Type its size");
  });
});
