import { Text, View } from "@react-pdf/renderer";
import { quantityText } from "@/core/units/format-quantity";
import type { UnitSystem } from "@/core/units/dimension";
import type { SheetBatch } from "./batch-lines";
import { ink, plain, SheetPdf, type Paper } from "./pdf-page";

/** The batch sheet on paper. */
export function BatchPdf({
  title,
  batches,
  paper,
  system,
}: {
  title: string;
  batches: readonly SheetBatch[];
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
                  </View>
                  <Text style={ink.figure}>{mass(line.grams)}</Text>
                </View>
              ))}
            </View>
            {batch.cups.length > 1 ? (
              <View style={{ flexGrow: 1, flexBasis: 0 }}>
                {batch.cups.map((cup, index) => (
                  <View key={cup.name + index} style={ink.row}>
                    <View style={ink.box} />
                    <View
                      style={{
                        width: 14,
                        height: 14,
                        borderWidth: 0.8,
                        backgroundColor: cup.hex,
                        marginRight: 7,
                      }}
                    />
                    <Text style={{ flexGrow: 1, flexShrink: 1 }}>
                      {index + 1} {cup.name}
                    </Text>
                    <View style={{ alignItems: "flex-end" }}>
                      <Text style={ink.figure}>{volume(cup.ml)}</Text>
                      <Text style={ink.small}>{mass(cup.g)}</Text>
                    </View>
                  </View>
                ))}
              </View>
            ) : null}
          </View>
        </View>
      ))}
    </SheetPdf>
  );
}
