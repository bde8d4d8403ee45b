import sharp from "sharp";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { JobDocument } from "@/core/job/job";
import { CLOSE, evaluate } from "@/core/pattern/engine/evaluate";
import { compile } from "@/core/pattern/passes/compile";
import { derivePlan } from "@/core/plan/derive-plan";
import { litPieceOf } from "@/core/rehearsal/lit-piece";
import { sheetOf } from "@/core/rehearsal/judge-picture";
import { rehearsalOf } from "@/core/rehearsal/rehearse";

const WIDE_PX = 700;

/** The first piece of a job that has a pattern, rehearsed, as the client sees it: base64 of a PNG, clear outside its outline. */
export async function lookPicture(
  document: JobDocument,
  cards: readonly ResinCard[],
  colours: readonly ColourCard[],
): Promise<string | null> {
  const plan = derivePlan(document, cards, colours);
  for (const piece of plan.pieces) {
    const of = rehearsalOf(plan, document, piece);
    if (!of) continue;
    const { rehearsal, palette } = of;
    const sheet = sheetOf(rehearsal, palette.length, WIDE_PX);
    const shares = evaluate(compile(rehearsal).ops, sheet, { closeness: CLOSE });
    const rgba = litPieceOf(of, shares);
    const points = piece.outline.corners
      .map(({ x, y }) => `${(x - sheet.fromX) / sheet.pixelMm},${(y - sheet.fromY) / sheet.pixelMm}`)
      .join(" ");
    const { widthPx: width, heightPx: height } = sheet;
    const outline = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><polygon points="${points}"/></svg>`;
    const png = await sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } })
      .composite([{ input: Buffer.from(outline), blend: "dest-in" }])
      .png()
      .toBuffer();
    return png.toString("base64");
  }
  return null;
}
