import { ClipPath, Defs, G, Line, Page, Path, Rect, Svg, Text } from "@react-pdf/renderer";
import { OVERLAP_MM, templateSheets, type Template, type TemplateLine } from "@/core/drawing-files/template";
import type { Point } from "@/core/geometry/curves";
import { plain, type Paper } from "@/ui/pdf-page";

const PT_PER_MM = 72 / 25.4;
/** Sizes of the paper lying, mm, and what of it no printer reaches. */
const PAPER_MM: Record<Paper, { wide: number; high: number }> = {
  A4: { wide: 297, high: 210 },
  LETTER: { wide: 279.4, high: 215.9 },
};
const MARGIN_MM = { side: 10, top: 16, bottom: 10 };
/** By this line a print is checked. */
const CHECK_MM = 100;

const pathOf = (points: readonly Point[], close: boolean) =>
  `M${points.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L")}${close ? "Z" : ""}`;

const LOOK: Record<
  TemplateLine["layer"],
  { stroke: string; strokeWidth: number; fill: string; dash?: string }
> = {
  outline: { stroke: "#000", strokeWidth: 0.7, fill: "none" },
  "cut-out": { stroke: "#000", strokeWidth: 0.7, fill: "none" },
  face: { stroke: "#000", strokeWidth: 0.3, fill: "none", dash: "4 2" },
  vein: { stroke: "#000", strokeWidth: 0.3, fill: "none" },
  "vein-edge": { stroke: "none", strokeWidth: 0, fill: "#c8c8c8" },
  zone: { stroke: "#000", strokeWidth: 0.5, fill: "none" },
};
const ORDER: readonly TemplateLine["layer"][] = ["vein-edge", "face", "vein", "zone", "outline", "cut-out"];

/** Height of a name on a template, mm. */
const NAME_MM = 6;

/** A template in full scale, sheet by sheet, with crosses to lay the sheets over each other and a line to check the print by. */
export function TemplatePages({ name, template, paper }: { name: string; template: Template; paper: Paper }) {
  const size = PAPER_MM[paper];
  const wideMm = size.wide - 2 * MARGIN_MM.side;
  const highMm = size.high - MARGIN_MM.top - MARGIN_MM.bottom;
  const { lines, words } = template;
  const { sheets, columns, rows } = templateSheets(lines, { wideMm, highMm });
  const drawn = ORDER.flatMap((layer) => lines.filter((line) => line.layer === layer));
  return (
    <>
      {sheets.map(({ column, row, fromX, fromY }) => (
        <Page
          key={`${column} ${row}`}
          size={paper}
          orientation="landscape"
          style={{ fontFamily: "Archivo", fontSize: 9 }}
        >
          <Svg
            width={size.wide * PT_PER_MM}
            height={size.high * PT_PER_MM}
            viewBox={`0 0 ${size.wide} ${size.high}`}
          >
            <Defs>
              <ClipPath id="sheet">
                <Rect x={MARGIN_MM.side} y={MARGIN_MM.top} width={wideMm} height={highMm} />
              </ClipPath>
            </Defs>
            <G clipPath="url(#sheet)">
              <G transform={`translate(${MARGIN_MM.side - fromX}, ${MARGIN_MM.top - fromY})`}>
                {drawn.map(({ layer, points, closed }, at) => (
                  <Path
                    key={at}
                    d={pathOf(points, closed)}
                    stroke={LOOK[layer].stroke}
                    strokeWidth={LOOK[layer].strokeWidth}
                    fill={LOOK[layer].fill}
                    {...(LOOK[layer].dash ? { strokeDasharray: LOOK[layer].dash } : {})}
                  />
                ))}
                {words.map(({ at, words }, n) => (
                  <Text
                    key={n}
                    x={at.x}
                    y={at.y}
                    textAnchor="middle"
                    style={{ fontSize: NAME_MM, fontFamily: "Archivo" }}
                  >
                    {plain(words)}
                  </Text>
                ))}
              </G>
            </G>
            {[0, 1].flatMap((right) =>
              [0, 1].map((low) => {
                // Crosses on the middle of the overlap: two sheets lie right when theirs cover each other.
                const x = MARGIN_MM.side + (right ? wideMm - OVERLAP_MM / 2 : OVERLAP_MM / 2);
                const y = MARGIN_MM.top + (low ? highMm - OVERLAP_MM / 2 : OVERLAP_MM / 2);
                return (
                  <G key={`${right} ${low}`}>
                    <Line x1={x - 4} x2={x + 4} y1={y} y2={y} stroke="#000" strokeWidth={0.2} />
                    <Line x1={x} x2={x} y1={y - 4} y2={y + 4} stroke="#000" strokeWidth={0.2} />
                  </G>
                );
              }),
            )}
            <Line
              x1={size.wide - MARGIN_MM.side - CHECK_MM}
              x2={size.wide - MARGIN_MM.side}
              y1={10}
              y2={10}
              stroke="#000"
              strokeWidth={0.4}
            />
          </Svg>
          <Text
            style={{
              position: "absolute",
              top: 14,
              left: MARGIN_MM.side * PT_PER_MM,
              fontSize: 11,
              fontWeight: 700,
            }}
          >
            {plain(name)} · column {column} of {columns}, row {row} of {rows}
          </Text>
          <Text style={{ position: "absolute", top: 11, right: MARGIN_MM.side * PT_PER_MM }}>
            print at 100 %: this line is {CHECK_MM} mm
          </Text>
        </Page>
      ))}
    </>
  );
}
