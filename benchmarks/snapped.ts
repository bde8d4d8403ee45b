import { derivePlan } from "@/core/plan/derive-plan";
import { landmarksOf } from "@/core/inspect/photo/anchors";
import type { Photo } from "@/core/inspect/photo/straighten";
import type { judgePhoto } from "@/core/inspect/photo/judge-photo";
import type { Measured } from "@/core/geometry/measure";
import { rehearsalOf, type PieceRehearsal } from "@/core/rehearsal/rehearse";
import { cards } from "./kitchen";
import { sampleJob } from "@/core/job/sample-job";

/** A photo of 12 megapixels of a counter: three colours that wind through each other, and the grain of a camera. */
const [WIDE, HIGH] = [4000, 3000];

function photo(): Photo {
  const pixels = new Uint8ClampedArray(WIDE * HIGH * 4).fill(255);
  const colours = [
    [233, 228, 214],
    [140, 145, 148],
    [27, 28, 30],
  ] as const;
  for (let y = 0; y < HIGH; y += 1)
    for (let x = 0; x < WIDE; x += 1) {
      const wave = Math.sin(x / 260 + 3 * Math.sin(y / 400)) + Math.sin(y / 210);
      const [r, g, b] = colours[wave > 1.1 ? 2 : wave < -1 ? 1 : 0] as (typeof colours)[number];
      const grain = ((x * 7919 + y * 104_729) % 11) - 5;
      const at = 4 * (y * WIDE + x);
      pixels[at] = r + grain;
      pixels[at + 1] = g + grain;
      pixels[at + 2] = b + grain;
    }
  return { width: WIDE, height: HIGH, pixels };
}

let made = 0;
const document = sampleJob(cards, () => `snapped-${(made += 1)}`);
const plan = derivePlan(document, cards);
const piece = plan.pieces[0] as Measured;
const of = rehearsalOf(plan, document, piece) as PieceRehearsal;

/** All that a photo is read with; its vein colours too, whose widths are taken on a finer sheet. */
export const snapped = (): Parameters<typeof judgePhoto>[0] => ({
  photo: photo(),
  anchors: landmarksOf(piece).map((onPiece, n) => ({
    onPiece,
    inPhoto: [
      { x: 150, y: 900 },
      { x: 3880, y: 960 },
      { x: 3820, y: 2100 },
      { x: 180, y: 2040 },
    ][n] as { x: number; y: number },
  })),
  card: null,
  piece,
  of,
  lines: [of.palette.length - 1],
});
