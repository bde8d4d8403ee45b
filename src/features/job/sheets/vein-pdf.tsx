import { ClipPath, Defs, Document, G, Line, Page, Path, Rect, Svg, Text, View } from "@react-pdf/renderer";
import {
  OVERLAP_MM,
  templateLines,
  templateSheets,
  type TemplateLine,
} from "@/core/drawing-files/vein-template";
import type { Point } from "@/core/geometry/curves";
import type { Measured } from "@/core/geometry/measure";
import type { PieceVein } from "@/core/veins/tape";
import type { UnitSystem } from "@/core/units/dimension";
import { ink, plain, SheetPage, type Paper } from "./pdf-page";
import { stretchWords, toldStretches } from "./tape-rows";

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
};
const ORDER: readonly TemplateLine["layer"][] = ["vein-edge", "face", "vein", "outline", "cut-out"];

/** The veins of a piece: first the list for the tape, then the template in full scale, sheet by sheet. */
export function VeinPdf({
  title,
  piece,
  veins,
  paper,
  system,
}: {
  title: string;
  piece: Measured;
  veins: readonly PieceVein[];
  paper: Paper;
  system: UnitSystem;
}) {
  const size = PAPER_MM[paper];
  const wideMm = size.wide - 2 * MARGIN_MM.side;
  const highMm = size.high - MARGIN_MM.top - MARGIN_MM.bottom;
  const lines = templateLines(piece, veins);
  const { sheets, columns, rows } = templateSheets(lines, { wideMm, highMm });
  const drawn = ORDER.flatMap((layer) => lines.filter((line) => line.layer === layer));
  return (
    <Document title={`${title}, veins of ${piece.name}`} producer="Gaugebeam" creator="Gaugebeam">
      <SheetPage title={title} kind={`veins, ${plain(piece.name)}`} paper={paper}>
        {veins.map((vein) => (
          <View key={vein.veinId} style={{ marginBottom: 6 }}>
            <Text style={ink.section}>
              Vein {vein.number}, {plain(vein.name)}
            </Text>
            {toldStretches(vein).map((stretch, at) => (
              <View key={at} style={ink.row} wrap={false}>
                <View style={ink.box} />
                <Text style={{ flexShrink: 1 }}>{plain(stretchWords(stretch, system))}</Text>
              </View>
            ))}
          </View>
        ))}
        {veins.length === 0 && <Text>No vein of the map comes over this piece.</Text>}
      </SheetPage>
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
            {plain(piece.name)} · column {column} of {columns}, row {row} of {rows}
          </Text>
          <Text style={{ position: "absolute", top: 11, right: MARGIN_MM.side * PT_PER_MM }}>
            print at 100 %: this line is {CHECK_MM} mm
          </Text>
        </Page>
      ))}
    </Document>
  );
}
