import { G, Line, Path, Svg, Text, View } from "@react-pdf/renderer";
import type { Point } from "@/core/geometry/curves";
import { cutOutRing } from "@/core/geometry/cut-out";
import { dimensionsOf } from "@/core/geometry/dimensions";
import { measurePiece } from "@/core/geometry/measure";
import { outlineOf, type Outline } from "@/core/geometry/outline";
import { edgeOf, edgeWords, TREATMENT_WORDS, type Piece } from "@/core/geometry/piece";
import type { UnitSystem } from "@/core/units/dimension";
import { otherSystem, quantityText } from "@/core/units/format-quantity";
import { ink, plain, SheetPdf, type Paper } from "@/ui/pdf-page";

/** Room of the drawing on the page, pt. */
const STAGE = { width: 515, height: 420, room: 62 };
const OFF = 24;

const pathOf = (points: readonly Point[], close = true) =>
  `M${points.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L")}${close ? "Z" : ""}`;

/** Scales at which people draw. */
const SCALES = [1, 2, 5, 10, 20, 25, 50, 100, 200, 500, 1000];
const PT_PER_MM = 72 / 25.4;

/** How small a piece is drawn to fit the sheet: 1 to so much. */
function scaleOf({ widthMm, heightMm }: Outline): number {
  const most = Math.max(widthMm / (STAGE.width - 2 * STAGE.room), heightMm / (STAGE.height - 2 * STAGE.room));
  return SCALES.find((scale) => scale / PT_PER_MM >= most) ?? Math.ceil(most * PT_PER_MM);
}

/** The outline with its sizes. */
function Drawn({
  piece,
  scale,
  text,
}: {
  piece: Piece;
  scale: number;
  text: (mm: number, prefix?: string) => string;
}) {
  const outline = outlineOf(piece);
  const pt = PT_PER_MM / scale;
  const left = (STAGE.width - outline.widthMm * pt) / 2;
  const top = (STAGE.height - outline.heightMm * pt) / 2;
  const at = ({ x, y }: Point): Point => ({ x: left + x * pt, y: top + y * pt });
  return (
    <Svg width={STAGE.width} height={STAGE.height} viewBox={`0 0 ${STAGE.width} ${STAGE.height}`}>
      <Path d={pathOf(outline.corners.map(at))} stroke="#000" strokeWidth={1.2} fill="none" />
      {outline.joints.map((joint, index) => (
        <Path
          key={index}
          d={pathOf(joint.map(at), false)}
          stroke="#000"
          strokeWidth={0.7}
          strokeDasharray="6 3"
          fill="none"
        />
      ))}
      {piece.cutOuts.map((cutOut) => (
        <Path
          key={cutOut.id}
          d={pathOf(cutOutRing(cutOut, outline).map(at))}
          stroke="#000"
          strokeWidth={0.9}
          fill="none"
        />
      ))}
      {dimensionsOf(piece).map(({ from, to, side, mm, prefix }, index) => {
        const [a, b] = [at(from), at(to)];
        const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
        const [nx, ny] = [((b.y - a.y) / long) * side, (-(b.x - a.x) / long) * side];
        const out = (point: Point, by: number) => ({ x: point.x + nx * by, y: point.y + ny * by });
        const [c, d] = [out(a, OFF), out(b, OFF)];
        const words = out({ x: (c.x + d.x) / 2, y: (c.y + d.y) / 2 }, 6);
        return (
          <G key={index}>
            <Line x1={c.x} y1={c.y} x2={d.x} y2={d.y} stroke="#000" strokeWidth={0.6} />
            {[a, b].map((end, which) => {
              const [a, b] = [out(end, 4), out(end, OFF + 4)];
              return <Line key={which} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#000" strokeWidth={0.6} />;
            })}
            <Text
              x={words.x}
              y={words.y + (ny > 0.5 ? 7 : 3)}
              style={{ fontSize: 9, fontFamily: "Archivo" }}
              textAnchor={Math.abs(nx) > 0.5 ? (nx < 0 ? "end" : "start") : "middle"}
            >
              {text(mm, prefix)}
            </Text>
          </G>
        );
      })}
    </Svg>
  );
}

/** A piece on paper at a round scale, with its sizes and its edges. */
export function PiecePdf({
  title,
  piece,
  paper,
  system,
}: {
  title: string;
  piece: Piece;
  paper: Paper;
  system: UnitSystem;
}) {
  const measurement = measurePiece(piece);
  const scale = measurement.ok ? scaleOf(measurement.measured.outline) : 1;
  const text = (mm: number, prefix = "") =>
    plain(
      `${prefix}${quantityText(mm, "length", system)} (${quantityText(mm, "length", otherSystem(system))})`,
    );
  return (
    <SheetPdf title={title} kind={`drawing, 1 : ${scale}`} paper={paper}>
      <Text style={{ fontSize: 14, fontWeight: 700 }}>
        {piece.name}
        {piece.count > 1 ? ` × ${piece.count}` : ""}
      </Text>
      {measurement.ok && <Drawn piece={piece} {...{ scale, text }} />}
      {measurement.ok ? (
        <View>
          <View style={ink.row}>
            <Text style={{ flexGrow: 1 }}>Top, one piece</Text>
            <Text style={ink.figure}>
              {plain(quantityText(measurement.measured.topAreaMm2, "area", "metric"))} ·{" "}
              {plain(quantityText(measurement.measured.topAreaMm2, "area", "us"))}
            </Text>
          </View>
          {measurement.measured.edges.slice(0, 16).map((edge) => (
            <View key={edge.name} style={ink.row}>
              <Text style={{ flexGrow: 1 }}>
                {edgeWords(edge.name)}, {TREATMENT_WORDS[edge.treatment]}
                {edge.faceAreaMm2 > 0
                  ? plain(`, ${quantityText(edgeOf(piece, edge.name).heightMm, "length", system)} high`)
                  : ""}
              </Text>
              <Text>{text(edge.lengthMm)}</Text>
            </View>
          ))}
          {piece.cutOuts.map((cutOut) => (
            <View key={cutOut.id} style={ink.row}>
              <Text style={{ flexGrow: 1 }}>{cutOut.name}, its centre</Text>
              <Text>
                {text(cutOut.fromLeftMm)} from the left, {text(cutOut.fromFrontMm)} from the front
              </Text>
            </View>
          ))}
        </View>
      ) : (
        <Text style={ink.caution}>{measurement.faults[0]?.message ?? ""}</Text>
      )}
    </SheetPdf>
  );
}
