import { renderToBuffer } from "@react-pdf/renderer";
import { format, parseISO } from "date-fns";
import sharp from "sharp";
import type { KeptQuote } from "@/contracts/quotes";
import { paperOf } from "@/ui/pdf-page";
import { QuotePdf } from "./quote-pdf";

export type QuoteFileAsked = {
  kept: KeptQuote;
  shopName: string;
  /** The WebP of each look, in their order. */
  pictures: readonly (Uint8Array | null)[];
  /** The shop's day on which it was given. */
  day: string;
  paper: string | null;
};

/** A day that nobody reads the wrong way round. */
const inWords = (day: string): string => format(parseISO(day), "d MMM yyyy");

/** A quote as a PDF file. */
export async function makeQuoteFile({
  kept,
  shopName,
  pictures,
  day,
  paper,
}: QuoteFileAsked): Promise<Uint8Array> {
  // Kept small as WebP; a PDF holds PNG.
  const png = await Promise.all(pictures.map((webp) => (webp ? sharp(webp).png().toBuffer() : null)));
  return new Uint8Array(
    await renderToBuffer(
      <QuotePdf
        kept={kept}
        shopName={shopName}
        pictures={png}
        givenOn={inWords(day)}
        until={inWords(kept.quote.validUntil)}
        paper={paperOf(paper)}
      />,
    ),
  );
}
