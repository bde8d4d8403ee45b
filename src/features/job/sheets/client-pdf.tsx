import { Document, Image, Page, Text, View } from "@react-pdf/renderer";
import type { Paper } from "@/ui/pdf-page";

/** The client's sheet on one page, with room to sign. */
export function ClientPdf({ title, picture, paper }: { title: string; picture: Buffer; paper: Paper }) {
  const line = { borderBottomWidth: 1, flexGrow: 1, marginLeft: 6, height: 16 };
  return (
    <Document title={`${title}, for the client`} producer="Gaugebeam" creator="Gaugebeam">
      <Page size={paper} orientation="landscape" style={{ fontFamily: "Archivo", fontSize: 12, padding: 28 }}>
        {/* eslint-disable-next-line jsx-a11y/alt-text -- a PDF's image has no alternative text */}
        <Image
          src={{ data: picture, format: "png" }}
          style={{ width: "100%", height: 470, objectFit: "contain" }}
        />
        <View style={{ flexDirection: "row", marginTop: 16, gap: 28, alignItems: "flex-end" }}>
          <View style={{ flexDirection: "row", flexGrow: 2, alignItems: "flex-end" }}>
            <Text>Approved by</Text>
            <View style={line} />
          </View>
          <View style={{ flexDirection: "row", flexGrow: 1, alignItems: "flex-end" }}>
            <Text>on</Text>
            <View style={line} />
          </View>
        </View>
      </Page>
    </Document>
  );
}
