import { Document, Image, Page, Text, View } from "@react-pdf/renderer";
import type { KeptQuote } from "@/contracts/quotes";
import { moneyText } from "@/core/money/money";
import { quantityWords } from "@/core/money/price";
import { lookPrice, quoteNumber, type QuotedLook } from "@/core/money/quote";
import { CHARACTER_WORDS } from "@/core/rehearsal/character-words";
import { ink, plain, type Paper } from "@/ui/pdf-page";

/** How high a picture stands, pt, by how many looks share the page's width. */
const PICTURE_HIGH = [0, 250, 150, 104];
const SOFT = "#44433f";

type Given = {
  kept: KeptQuote;
  shopName: string;
  /** PNG of each look, in their order. */
  pictures: readonly (Buffer | null)[];
  /** Given on this day, and until when it stands, in words. */
  givenOn: string;
  until: string;
  paper: Paper;
};

/** A quote on paper: its looks side by side with their pictures and prices, the terms, and room to sign. */
export function QuotePdf({ kept, shopName, pictures, givenOn, until, paper }: Given) {
  const { quote } = kept;
  const { looks, rules } = quote;
  const number = quoteNumber(kept);
  const few = looks.length === 1;
  return (
    <Document
      title={`Quote ${number}, ${quote.jobName}`}
      author={shopName}
      producer="Gaugebeam"
      creator="Gaugebeam"
    >
      <Page size={paper} style={ink.page}>
        <View
          style={{ flexDirection: "row", alignItems: "flex-end", borderBottomWidth: 2, paddingBottom: 8 }}
        >
          <Text style={{ fontSize: 21, fontWeight: 700, flexGrow: 1, flexShrink: 1 }}>{shopName}</Text>
          <View style={{ alignItems: "flex-end" }}>
            <Text style={{ fontSize: 9, color: SOFT }}>Quote</Text>
            <Text style={{ fontSize: 21, fontWeight: 700 }}>{number}</Text>
          </View>
        </View>
        <View style={{ flexDirection: "row", marginTop: 10, marginBottom: 16 }}>
          <Fact label="For" words={quote.client || "\u2013"} grow={2} />
          <Fact label="Work" words={quote.jobName} grow={2} />
          <Fact label="Given on" words={givenOn} grow={1} />
          <Fact label="Stands until" words={until} grow={1} />
        </View>
        <View style={{ flexDirection: "row", gap: 18 }}>
          {looks.map((look, n) => (
            <View
              key={look.id}
              style={{
                flexGrow: 1,
                flexShrink: 1,
                flexBasis: 0,
                borderTopWidth: 1,
                paddingTop: 6,
              }}
            >
              <Text style={{ fontSize: few ? 18 : 14, fontWeight: 700 }}>
                {looks.length > 1 ? `${String.fromCharCode(65 + n)}  ` : ""}
                {plain(look.name)}
              </Text>
              <Picture png={pictures[n] ?? null} high={PICTURE_HIGH[looks.length] ?? 104} />
              {look.words !== "" && (
                <Text style={{ fontSize: 9.5, marginBottom: 6, lineHeight: 1.35 }}>{plain(look.words)}</Text>
              )}
              <LookPrice look={look} quote={quote} />
            </View>
          ))}
        </View>
        <Text style={{ fontSize: 9, color: SOFT, marginTop: 16, lineHeight: 1.35 }}>{CHARACTER_WORDS}</Text>
        {quote.terms !== "" && (
          <View style={{ marginTop: 12 }} wrap={quote.terms.length > 900}>
            <Text style={{ fontSize: 11, fontWeight: 700, marginBottom: 3 }}>Terms</Text>
            <Text style={{ fontSize: 9.5, lineHeight: 1.4 }}>{plain(quote.terms)}</Text>
          </View>
        )}
        <View style={{ marginTop: 26 }} wrap={false}>
          {looks.length > 1 && (
            <View style={{ flexDirection: "row", gap: 22, marginBottom: 20, alignItems: "center" }}>
              <Text>Ordered:</Text>
              {looks.map(({ id, name }, n) => (
                <View key={id} style={{ flexDirection: "row", alignItems: "center", flexShrink: 1 }}>
                  <View style={{ ...ink.box, width: 13, height: 13, marginRight: 6 }} />
                  <Text>
                    {String.fromCharCode(65 + n)} {plain(name)}
                  </Text>
                </View>
              ))}
            </View>
          )}
          <View style={{ flexDirection: "row", gap: 28, alignItems: "flex-end" }}>
            <Line words={looks.length > 1 ? "Signed" : "Ordered, signed"} grow={2} />
            <Line words="on" grow={1} />
          </View>
        </View>
        <View style={ink.foot} fixed>
          <Text>
            {shopName}, quote {number}, in {rules.currency}
          </Text>
          <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
        </View>
      </Page>
    </Document>
  );
}

function Fact({ label, words, grow }: { label: string; words: string; grow: number }) {
  return (
    <View style={{ flexGrow: grow, flexShrink: 1, flexBasis: 0, paddingRight: 10 }}>
      <Text style={{ fontSize: 9, color: SOFT }}>{label}</Text>
      <Text style={{ fontSize: 11, fontWeight: 600 }}>{plain(words)}</Text>
    </View>
  );
}

function Picture({ png, high }: { png: Buffer | null; high: number }) {
  if (!png) return <View style={{ height: 6 }} />;
  return (
    <View style={{ height: high, marginVertical: 7, justifyContent: "center" }}>
      {/* eslint-disable-next-line jsx-a11y/alt-text -- a PDF's image has no alternative text */}
      <Image src={{ data: png, format: "png" }} style={{ maxHeight: high, objectFit: "contain" }} />
    </View>
  );
}

function LookPrice({ look, quote: { rules, taxName } }: { look: QuotedLook; quote: KeptQuote["quote"] }) {
  const price = lookPrice(rules, look);
  const money = (amount: number) => plain(moneyText(amount, rules.currency));
  const row = { flexDirection: "row", justifyContent: "space-between", gap: 8 } as const;
  return (
    <View>
      {price.lines.map((line, n) => (
        <View
          key={n}
          style={{ ...row, borderTopWidth: 0.5, borderTopColor: "#888", paddingVertical: 3 }}
          wrap={false}
        >
          <View style={{ flexShrink: 1 }}>
            <Text style={{ fontSize: 9.5 }}>{plain(line.words)}</Text>
            {quantityWords(line, rules.currency) && (
              <Text style={{ fontSize: 9, color: SOFT }}>
                {plain(quantityWords(line, rules.currency) ?? "")}
              </Text>
            )}
          </View>
          <Text style={{ fontSize: 9.5 }}>{money(line.amount)}</Text>
        </View>
      ))}
      {rules.taxPct > 0 && (
        <View style={{ ...row, borderTopWidth: 0.5, borderTopColor: "#888", paddingVertical: 3 }}>
          <Text style={{ fontSize: 9.5 }}>
            {plain(taxName)}, {rules.taxPct} %
          </Text>
          <Text style={{ fontSize: 9.5 }}>{money(price.tax)}</Text>
        </View>
      )}
      <View style={{ ...row, borderTopWidth: 1.5, paddingTop: 4, alignItems: "flex-end" }}>
        <Text style={{ fontSize: 11, fontWeight: 600 }}>Total</Text>
        <Text style={{ fontSize: 17, fontWeight: 700 }}>{money(price.total)}</Text>
      </View>
    </View>
  );
}

function Line({ words, grow }: { words: string; grow: number }) {
  return (
    <View style={{ flexDirection: "row", flexGrow: grow, alignItems: "flex-end" }}>
      <Text>{words}</Text>
      <View style={{ borderBottomWidth: 1, flexGrow: 1, marginLeft: 6, height: 16 }} />
    </View>
  );
}
