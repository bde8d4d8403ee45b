import type { ColourCard, Optics } from "@/core/colour/colour-card";
import { together } from "@/core/colour/film-optics";
import { labEndless } from "@/core/colour/hiding";
import { mixLook } from "@/core/colour/mix-look";
import { PIGMENTS } from "@/core/colour/pigments";
import { hexOfLab } from "@/core/colour/spaces";
import { even } from "@/core/colour/spectrum";

const BLACK = even(0.02);
const WHITE = even(0.8);
/** Share of the colourant, by dry pigment of white beside it, from full strength to a breath. */
export const LADDER = [1, 0.5, 0.2, 0.1, 0.03, 0.01] as const;
const USUAL: Partial<Record<ColourCard["kind"], number>> = {
  mica: 2,
  glitter: 10,
  dye: 0.2,
  "alcohol-ink": 0.3,
};
const PASTE_G = 3;

/** How a colourant looks: let down with white step by step, and as a film of 1 mm over black and over white. */
export function cardLook(kind: ColourCard["kind"], optics: Optics) {
  const part = [{ id: "own", gPer100G: USUAL[kind] ?? PASTE_G, optics }];
  const [overBlack, overWhite] = [mixLook(part, 1, BLACK), mixLook(part, 1, WHITE)];
  const scatters = optics.matter.S.some((value) => value > 0);
  return {
    gPer100G: USUAL[kind] ?? PASTE_G,
    overBlack: overBlack.swatch,
    overWhite: overWhite.swatch,
    ladder:
      scatters && !optics.flake
        ? LADDER.map((share) =>
            hexOfLab(
              labEndless(
                together([
                  { ...optics.matter, load: share },
                  { ...PIGMENTS.white, load: 1 - share },
                ]),
              ),
            ),
          )
        : null,
  };
}
