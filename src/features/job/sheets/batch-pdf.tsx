import { Line, Path, Svg, Text, View } from "@react-pdf/renderer";
import type { ZoneTableRow } from "@/core/geometry/zones/zone-table";
import { otherSystem, quantityText } from "@/core/units/format-quantity";
import type { UnitSystem } from "@/core/units/dimension";
import { scaleToHeight, vesselLines } from "@/ui/vessel-outline";
import type { SheetBatch } from "./batch-lines";
import { ink, plain, SheetPdf, type Paper } from "@/ui/pdf-page";
import { ZoneRows } from "./zone-rows";

/** The batch sheet on paper. */
export function BatchPdf({
  title,
  batches,
  zones,
  paper,
  system,
}: {
  title: string;
  batches: readonly SheetBatch[];
  zones: readonly ZoneTableRow[];
  paper: Paper;
  system: UnitSystem;
}) {
  const volume = (ml: number) => plain(quantityText(ml, "volume", system));
  const mass = (g: number) => plain(quantityText(g, "mass", system));
  return (
    <SheetPdf title={title} kind="batch sheet" paper={paper}>
      {batches.map((batch) => (
        <View key={batch.key} wrap={false}>
          <View style={[ink.section, { flexDirection: "row", alignItems: "flex-end" }]}>
            <Text style={{ flexGrow: 1, flexShrink: 1 }}>
              {batch.coatName}
              <Text style={{ fontSize: 10, fontWeight: 400 }}>
                {"   "}
                {batch.of} · {batch.resinName}
              </Text>
            </Text>
            <Text>
              {volume(batch.mixMl)} · {mass(batch.mixG)}
            </Text>
          </View>
          <Text style={{ fontSize: 10, marginBottom: 2 }}>
            {`mix ${batch.mixAt}`}
            {batch.pourBy ? `, out of the pot by ${batch.pourBy}` : ""}
            {batch.sections ? plain(` · ${batch.sections}`) : ""}
          </Text>
          <View style={{ flexDirection: "row", gap: 22 }}>
            <View style={{ flexGrow: 1, flexBasis: 0 }}>
              {batch.weigh.map((line) => (
                <View key={line.line} style={ink.row}>
                  <View style={ink.box} />
                  <View style={{ flexGrow: 1, flexShrink: 1 }}>
                    <Text>{line.label}</Text>
                    {line.count && !line.count.endsWith(" g") ? (
                      <Text style={ink.small}>{line.count}</Text>
                    ) : null}
                    {line.how ? <Text style={ink.small}>{line.how}</Text> : null}
                  </View>
                  <Text style={ink.figure}>{plain(`${line.shown} g`)}</Text>
                </View>
              ))}
            </View>
            {batch.cups.length > 1 ? <Cups batch={batch} system={system} /> : null}
          </View>
        </View>
      ))}
      {zones.length > 0 && <ZoneRows rows={zones} system={system} />}
    </SheetPdf>
  );
}

const CUP_PT = 58;

/** The cups to size with their fill lines, in pouring order. */
function Cups({ batch, system }: { batch: SheetBatch; system: UnitSystem }) {
  const scale = scaleToHeight(
    batch.cups.map((cup) => cup.vessel),
    CUP_PT,
  );
  return (
    <View
      style={{ flexGrow: 1, flexBasis: 0, flexDirection: "row", flexWrap: "wrap", gap: 10, paddingTop: 6 }}
    >
      {batch.cups.map((cup, index) => {
        const drawn = vesselLines(cup.vessel, cup.ml, scale);
        return (
          <View key={cup.name + index} style={{ width: 70, justifyContent: "flex-end" }}>
            <Svg
              width={drawn.width + 10}
              height={drawn.height + 2}
              viewBox={`-1 -1 ${drawn.width + 10} ${drawn.height + 2}`}
            >
              <Path d={drawn.fill} fill={cup.hex} />
              <Path d={drawn.wall} stroke="#000" strokeWidth={1.1} fill="none" />
              <Line
                x1={drawn.fillFrom}
                x2={drawn.width + 7}
                y1={drawn.fillY}
                y2={drawn.fillY}
                stroke="#000"
                strokeWidth={1}
              />
            </Svg>
            <View style={{ flexDirection: "row", alignItems: "center", marginTop: 3 }}>
              <View style={[ink.box, { marginRight: 5 }]} />
              <Text style={{ flexShrink: 1, fontSize: 10 }}>
                {index + 1} {cup.name}
              </Text>
            </View>
            <Text style={ink.figure}>{plain(quantityText(cup.toldMl, "volume", system))}</Text>
            <Text style={ink.small}>
              {plain(
                `${quantityText(cup.toldMl, "volume", otherSystem(system))} · ${quantityText(cup.g, "mass", system)}`,
              )}
            </Text>
          </View>
        );
      })}
    </View>
  );
}
