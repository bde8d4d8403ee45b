import { Document, Font, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { join } from "node:path";
import type { ReactNode } from "react";
import { GENERAL_CAUTION } from "@/core/advice/pass-rules";

export type Paper = "A4" | "LETTER";

export const paperOf = (word: string | null): Paper => (word?.toLowerCase() === "letter" ? "LETTER" : "A4");

const fontFile = (weight: number) =>
  join(process.cwd(), "node_modules/@fontsource/archivo/files", `archivo-latin-${weight}-normal.woff`);

Font.register({
  family: "Archivo",
  fonts: [400, 600, 700].map((fontWeight) => ({ src: fontFile(fontWeight), fontWeight })),
});
Font.registerHyphenationCallback((word) => [word]);

/** Black on white, nothing under 9 pt, lines that survive a wet thumb. */
export const ink = StyleSheet.create({
  page: {
    fontFamily: "Archivo",
    fontSize: 11,
    color: "#000",
    paddingTop: 34,
    paddingBottom: 46,
    paddingHorizontal: 40,
  },
  head: {
    flexDirection: "row",
    alignItems: "flex-end",
    borderBottomWidth: 2,
    paddingBottom: 5,
    marginBottom: 12,
  },
  title: { fontSize: 20, fontWeight: 700, flexGrow: 1, flexShrink: 1 },
  section: {
    fontSize: 14,
    fontWeight: 700,
    borderBottomWidth: 1,
    paddingBottom: 2,
    marginTop: 12,
    marginBottom: 2,
  },
  row: {
    flexDirection: "row",
    alignItems: "center",
    borderBottomWidth: 0.5,
    borderBottomColor: "#555",
    paddingVertical: 5,
  },
  box: { width: 17, height: 17, borderWidth: 1.3, marginRight: 10, flexShrink: 0 },
  figure: { fontSize: 15, fontWeight: 700 },
  small: { fontSize: 9 },
  caution: { borderLeftWidth: 3, paddingLeft: 6, marginTop: 3, fontWeight: 600, fontSize: 10 },
  foot: {
    position: "absolute",
    bottom: 20,
    left: 40,
    right: 40,
    fontSize: 9,
    flexDirection: "row",
    justifyContent: "space-between",
  },
});

/** Thin spaces are not in every PDF reader's fonts; a no-break space is. */
export const plain = (text: string): string => text.replace(/[\u2009\u202f]/g, "\u00a0");

type Sheet = { title: string; kind: string; paper: Paper; children: ReactNode };

/** One flow of pages with the sheet's head and foot and the general caution. */
export function SheetPage({ title, kind, paper, children }: Sheet) {
  return (
    <Page size={paper} style={ink.page}>
      <View style={ink.head}>
        <Text style={ink.title}>{title}</Text>
        <Text>{kind}</Text>
      </View>
      {children}
      <Text style={[ink.small, { borderTopWidth: 1, paddingTop: 4, marginTop: 14 }]}>{GENERAL_CAUTION}</Text>
      <View style={ink.foot} fixed>
        <Text>{title}</Text>
        <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
      </View>
    </Page>
  );
}

export function SheetPdf(sheet: Sheet) {
  return (
    <Document title={`${sheet.title}, ${sheet.kind}`} producer="Gaugebeam" creator="Gaugebeam">
      <SheetPage {...sheet} />
    </Document>
  );
}
