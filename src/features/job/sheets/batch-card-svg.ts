import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { scaleToHeight, vesselLines } from "@/ui/vessel-outline";
import type { SheetBatch } from "./batch-lines";

/** Breadth of a card, and of one cup's column, in its own units. */
const WIDE = 1200;
const MARGIN = 40;
const CUP_HIGH = 170;
const ROW = 46;

const escaped = (text: string) => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** One batch as a card to be looked at on a phone or printed as a picture: cups to size, black on white. */
export function batchCardSvg(job: string, batch: SheetBatch, system: UnitSystem): string {
  const parts: string[] = [];
  const text = (x: number, y: number, size: number, words: string, more = "") =>
    parts.push(
      `<text x="${x}" y="${y}" font-size="${size}" font-family="Archivo, Arial, sans-serif" ${more}>${escaped(words)}</text>`,
    );
  const bold = 'font-weight="700"';
  const line = (y: number, breadth: number) =>
    parts.push(
      `<line x1="${MARGIN}" x2="${WIDE - MARGIN}" y1="${y}" y2="${y}" stroke="#000" stroke-width="${breadth}"/>`,
    );
  const box = (x: number, y: number) =>
    parts.push(`<rect x="${x}" y="${y}" width="28" height="28" fill="none" stroke="#000" stroke-width="2"/>`);

  text(MARGIN, 62, 34, batch.coatName, bold);
  text(
    WIDE - MARGIN,
    62,
    34,
    `${quantityText(batch.mixMl, "volume", system)} · ${quantityText(batch.mixG, "mass", system)}`,
    `${bold} text-anchor="end"`,
  );
  text(
    MARGIN,
    96,
    20,
    [
      job,
      batch.of,
      batch.resinName,
      batch.mixAt && `mix ${batch.mixAt}`,
      batch.pourBy && `out of the pot by ${batch.pourBy}`,
    ]
      .filter(Boolean)
      .join(" · "),
  );
  if (batch.sections) text(MARGIN, 124, 20, batch.sections);
  line(140, 3);
  let y = 140;
  for (const weigh of batch.weigh) {
    box(MARGIN, y + 9);
    text(MARGIN + 46, y + 32, 24, weigh.label);
    if (weigh.count && !weigh.count.endsWith(" g")) text(WIDE / 2 + 60, y + 32, 20, weigh.count);
    text(WIDE - MARGIN, y + 33, 30, quantityText(weigh.grams, "mass", system), `${bold} text-anchor="end"`);
    y += ROW;
    line(y, 1);
  }
  const cups = batch.cups.length > 1 ? batch.cups : [];
  if (cups.length > 0) {
    const scale = Math.min(
      scaleToHeight(
        cups.map((cup) => cup.vessel),
        CUP_HIGH,
      ),
      (WIDE - 2 * MARGIN) / cups.length / (2.2 * Math.max(...cups.map((cup) => cup.vessel.topRadiusMm))),
    );
    const perRow = Math.min(6, cups.length);
    const column = (WIDE - 2 * MARGIN) / perRow;
    cups.forEach((cup, index) => {
      const x = MARGIN + (index % perRow) * column;
      const top = y + 24 + Math.floor(index / perRow) * (CUP_HIGH + 130);
      const drawn = vesselLines(cup.vessel, cup.ml, scale);
      parts.push(
        `<g transform="translate(${x} ${top + CUP_HIGH - drawn.height})"><path d="${drawn.fill}" fill="${cup.hex}"/><path d="${drawn.wall}" fill="none" stroke="#000" stroke-width="2.5"/><line x1="${drawn.fillFrom}" x2="${drawn.width + 14}" y1="${drawn.fillY}" y2="${drawn.fillY}" stroke="#000" stroke-width="2"/></g>`,
      );
      box(x, top + CUP_HIGH + 14);
      text(x + 38, top + CUP_HIGH + 36, 22, `${index + 1} ${cup.name}`);
      text(x, top + CUP_HIGH + 70, 28, quantityText(cup.toldMl, "volume", "metric"), bold);
      text(x, top + CUP_HIGH + 96, 20, quantityText(cup.toldMl, "volume", "us"));
    });
    y += 24 + Math.ceil(cups.length / perRow) * (CUP_HIGH + 130);
  }
  const high = y + 30;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="${high}" viewBox="0 0 ${WIDE} ${high}"><rect width="${WIDE}" height="${high}" fill="#fff"/>${parts.join("")}</svg>`;
}
