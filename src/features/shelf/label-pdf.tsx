import { Document, Page, Path, StyleSheet, Svg, Text, View } from "@react-pdf/renderer";
import type { Paper } from "@/ui/pdf-page";
import { qrPath, type ShelfLabel } from "./label-sheet";

const MM = 72 / 25.4;
/** Labels of 63.5 × 38.1 mm, three across, seven down: margins by paper, mm. */
const SIZE = { widthMm: 63.5, heightMm: 38.1, gapMm: 2.5 };
const MARGIN: Record<Paper, { topMm: number; leftMm: number }> = {
  A4: { topMm: 15.1, leftMm: 7.2 },
  LETTER: { topMm: 6.3, leftMm: 10.2 },
};
const PER_PAGE = 21;

const look = StyleSheet.create({
  page: { fontFamily: "Archivo", color: "#000" },
  sheet: { flexDirection: "row", flexWrap: "wrap", columnGap: SIZE.gapMm * MM },
  label: {
    width: SIZE.widthMm * MM,
    height: SIZE.heightMm * MM,
    padding: 2.2 * MM,
    flexDirection: "row",
    gap: 2 * MM,
    overflow: "hidden",
  },
  code: { fontSize: 17, fontWeight: 700 },
  name: { fontSize: 10, fontWeight: 600, maxLines: 2, textOverflow: "ellipsis" },
  small: { fontSize: 9 },
  hazards: { fontSize: 8, marginTop: 2, maxLines: 3, textOverflow: "ellipsis" },
  part: { fontSize: 22, fontWeight: 700, textAlign: "center", marginTop: 1 },
});

/** Labels for bottles, on sheets of three by seven. */
export function LabelPdf({
  labels,
  paper,
  title,
}: {
  labels: readonly ShelfLabel[];
  paper: Paper;
  title: string;
}) {
  const { topMm, leftMm } = MARGIN[paper];
  const pages = Array.from({ length: Math.max(1, Math.ceil(labels.length / PER_PAGE)) }, (_, n) =>
    labels.slice(n * PER_PAGE, (n + 1) * PER_PAGE),
  );
  return (
    <Document title={title} producer="Gaugebeam" creator="Gaugebeam">
      {pages.map((onPage, n) => (
        <Page key={n} size={paper} style={[look.page, { paddingTop: topMm * MM, paddingLeft: leftMm * MM }]}>
          <View style={look.sheet}>
            {onPage.map((label) => (
              <Label key={label.code} label={label} />
            ))}
          </View>
        </Page>
      ))}
    </Document>
  );
}

function Label({ label }: { label: ShelfLabel }) {
  const { code, name, part, number, bestBefore, hazards, qr } = label;
  return (
    <View style={look.label}>
      <View style={{ width: 23 * MM }}>
        <Svg width={23 * MM} height={23 * MM} viewBox={`0 0 ${qr.length} ${qr.length}`}>
          <Path d={qrPath(qr)} fill="#000" />
        </Svg>
        {part !== "whole" && <Text style={look.part}>{part}</Text>}
      </View>
      <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: 0 }}>
        <Text style={look.code}>{code}</Text>
        <Text style={look.name}>{name}</Text>
        {number !== "" && <Text style={look.small}>lot {number}</Text>}
        {bestBefore !== null && <Text style={look.small}>best before {bestBefore}</Text>}
        {hazards !== "" && <Text style={look.hazards}>{hazards}</Text>}
      </View>
    </View>
  );
}
