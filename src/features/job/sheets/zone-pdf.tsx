import { Document, Text } from "@react-pdf/renderer";
import { zoneTemplate } from "@/core/drawing-files/zone-template";
import type { Measured } from "@/core/geometry/measure";
import { zoneTable } from "@/core/geometry/zones/zone-table";
import type { UnitSystem } from "@/core/units/dimension";
import { plain, SheetPage, type Paper } from "@/ui/pdf-page";
import { TemplatePages } from "./template-pages";
import { ZoneRows } from "./zone-rows";

/** The zone map of a piece: first the table, then the template in full scale, sheet by sheet. */
export function ZonePdf({
  title,
  piece,
  paper,
  system,
}: {
  title: string;
  piece: Measured;
  paper: Paper;
  system: UnitSystem;
}) {
  return (
    <Document title={`${title}, zones of ${piece.name}`} producer="Gaugebeam" creator="Gaugebeam">
      <SheetPage title={title} kind={`zones, ${plain(piece.name)}`} paper={paper}>
        {piece.zones.length > 0 ? (
          <ZoneRows rows={zoneTable([piece])} system={system} />
        ) : (
          <Text>This piece is not divided.</Text>
        )}
      </SheetPage>
      {piece.zones.length > 0 && (
        <TemplatePages name={piece.name} template={zoneTemplate(piece)} paper={paper} />
      )}
    </Document>
  );
}
