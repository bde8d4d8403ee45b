import { Document, Text, View } from "@react-pdf/renderer";
import { veinTemplate } from "@/core/drawing-files/vein-template";
import type { Measured } from "@/core/geometry/measure";
import type { PieceVein } from "@/core/veins/tape";
import type { UnitSystem } from "@/core/units/dimension";
import { ink, plain, SheetPage, type Paper } from "@/ui/pdf-page";
import { stretchWords, toldStretches } from "@/core/veins/tape-words";
import { TemplatePages } from "./template-pages";

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
      <TemplatePages name={piece.name} template={veinTemplate(piece, veins)} paper={paper} />
    </Document>
  );
}
