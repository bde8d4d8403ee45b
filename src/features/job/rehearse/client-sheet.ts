import type { Measured } from "@/core/geometry/measure";
import { CHARACTER_WORDS } from "@/core/rehearsal/character-words";
import { drawPiece, seenSize } from "@/pictures/piece-picture";

/** What a client is shown: the picture, its colours, the tile that was wanted, and that it is no promise. */
export type ClientSheet = {
  title: string;
  piece: Measured;
  picture: HTMLCanvasElement;
  colours: readonly { name: string; hex: string; share: number | null }[];
  /** The whole from some steps back, and what was wanted beside it. */
  whole: string;
  target: { name: string; hex: string; words: string } | null;
  foot: string;
  /** How the piece is divided, in a line; null where it is all of one. */
  zones: string | null;
};

/** Size of the sheet, px: A4 lying. */
const WIDE = 1754;
const HIGH = 1240;
const EDGE = 88;
const INK = "#1e2124";
const SOFT = "#55544f";
const FONT = "'Archivo Variable', Archivo, sans-serif";
const PICTURE_HIGH = 640;

/** Draws the sheet, black on white. */
export function drawClientSheet(canvas: HTMLCanvasElement, sheet: ClientSheet): void {
  canvas.width = WIDE;
  canvas.height = HIGH;
  const drawing = canvas.getContext("2d");
  if (!drawing) return;
  const text = (words: string, x: number, y: number, size: number, weight = 400, colour = INK) => {
    drawing.font = `${weight} ${size}px ${FONT}`;
    drawing.fillStyle = colour;
    drawing.fillText(words, x, y);
  };
  drawing.fillStyle = "#ffffff";
  drawing.fillRect(0, 0, WIDE, HIGH);
  text(sheet.title, EDGE, EDGE + 34, 46, 700);
  text(sheet.piece.name, EDGE, EDGE + 74, 28, 400, SOFT);
  // The piece, as large as the sheet lets it be.
  const { widthMm, heightMm } = seenSize(sheet.piece);
  const room = WIDE - 2 * EDGE;
  const wide = Math.round(Math.min(room, (PICTURE_HIGH * widthMm) / heightMm));
  const image = document.createElement("canvas");
  drawPiece(image, sheet.picture, sheet.piece, wide);
  const top = EDGE + 104;
  drawing.drawImage(image, EDGE + (room - wide) / 2, top + (PICTURE_HIGH - image.height) / 2);
  // Its colours, with what share of the pour each is.
  const chips = top + PICTURE_HIGH + 34;
  const step = Math.min(210, (room - 420) / Math.max(1, sheet.colours.length));
  sheet.colours.forEach(({ name, hex, share }, n) => {
    const x = EDGE + n * step;
    drawing.fillStyle = hex;
    drawing.fillRect(x, chips, step - 24, 74);
    drawing.strokeStyle = SOFT;
    drawing.lineWidth = 1;
    drawing.strokeRect(x + 0.5, chips + 0.5, step - 25, 73);
    text(name, x, chips + 104, 22, 600);
    if (share !== null) text(`${Math.round(share * 100)} %`, x, chips + 132, 20, 400, SOFT);
  });
  const tiles = WIDE - EDGE - 380;
  const tile = (x: number, hex: string, words: string) => {
    drawing.fillStyle = hex;
    drawing.fillRect(x, chips, 180, 110);
    text(words, x, chips + 138, 20, 400, SOFT);
  };
  tile(tiles, sheet.whole, "from some steps back");
  if (sheet.target) {
    tile(tiles + 200, sheet.target.hex, sheet.target.name || "wanted");
    text(sheet.target.words, tiles, chips + 166, 20, 400, SOFT);
  }
  if (sheet.zones) text(sheet.zones, EDGE, HIGH - EDGE - 84, 20, 400, SOFT);
  drawing.fillStyle = INK;
  drawing.fillRect(EDGE, HIGH - EDGE - 66, room, 2);
  text(CHARACTER_WORDS, EDGE, HIGH - EDGE - 30, 22);
  text(sheet.foot, EDGE, HIGH - EDGE + 4, 20, 400, SOFT);
}
