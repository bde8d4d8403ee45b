import type { ColourCard, Optics } from "@/core/colour/colour-card";
import { together } from "@/core/colour/film-optics";
import { labEndless } from "@/core/colour/hiding";
import { mixLook, type MixLook } from "@/core/colour/mix-look";
import { PIGMENTS } from "@/core/colour/pigments";
import { hexOfLab } from "@/core/colour/spaces";
import { even, type Band } from "@/core/colour/spectrum";

const BLACK = even(0.02);
export const WHITE = even(0.8);
/** Share of the colourant, by dry pigment of white beside it, from full strength to a breath. */
export const LADDER = [1, 0.5, 0.2, 0.1, 0.03, 0.01] as const;
/** Loads in which colourants are shown as a film of 1 mm, g in 100 g. */
const SHOWN_G: Record<ColourCard["kind"], number> = {
  paste: 3,
  acrylic: 3,
  "spray-paint": 3,
  mica: 2,
  glitter: 10,
  dye: 0.2,
  "alcohol-ink": 0.3,
};
const SHOWN_MM = 1;

/** A colourant alone as a film over a ground. */
export const asFilm = (kind: ColourCard["kind"], optics: Optics, ground: Band): MixLook =>
  mixLook([{ id: "own", gPer100G: SHOWN_G[kind], optics }], SHOWN_MM, ground);

/** Whether a colourant has a colour of its own at full strength; flakes and dyes have one only as a film. */
export const hasMasstone = ({ flake, matter }: Optics): boolean =>
  !flake && matter.S.some((value) => value > 0);

/** How a colourant looks: let down with white step by step, and as a film of 1 mm over black and over white. */
export function cardLook({ kind, appearance }: Pick<ColourCard, "kind" | "appearance">, optics: Optics) {
  // Optics count what is weighed; the ladder counts dry pigment on both sides.
  const dryShare = "dryShare" in appearance ? appearance.dryShare : 1;
  return {
    gPer100G: SHOWN_G[kind],
    overBlack: asFilm(kind, optics, BLACK).swatch,
    overWhite: asFilm(kind, optics, WHITE).swatch,
    ladder: hasMasstone(optics)
      ? LADDER.map((share) =>
          hexOfLab(
            labEndless(
              together([
                { ...optics.matter, load: share / dryShare },
                { ...PIGMENTS.white, load: 1 - share },
              ]),
            ),
          ),
        )
      : null,
  };
}
