import { Text, View } from "@react-pdf/renderer";
import type { ZoneTableRow } from "@/core/geometry/zones/zone-table";
import type { UnitSystem } from "@/core/units/dimension";
import { ink, plain } from "@/ui/pdf-page";
import { borderWords, zoneFigures } from "./zone-words";

/** The zones of divided pieces on paper: sizes, and what stands on their borders. */
export function ZoneRows({ rows, system }: { rows: readonly ZoneTableRow[]; system: UnitSystem }) {
  return (
    <View>
      <Text style={ink.section}>Zones, for one of each piece</Text>
      {rows.map((row) => (
        <View key={`${row.pieceId} ${row.zone}`} style={ink.row} wrap={false}>
          <View style={{ flexGrow: 1, flexShrink: 1, paddingRight: 12 }}>
            <Text>{plain(`${row.zone}, ${row.piece}`)}</Text>
            <Text style={ink.small}>{plain(borderWords(row, system))}</Text>
          </View>
          <Text>{plain(zoneFigures(row, system))}</Text>
        </View>
      ))}
    </View>
  );
}
