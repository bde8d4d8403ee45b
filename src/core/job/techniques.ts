import { colourantNamed, colourFrom } from "../colour/starter-colours";
import type { Coat } from "../schedule/coat";
import { usualPass } from "../schedule/pass";
import type { NewId } from "../geometry/new-piece";
import { TECHNIQUES, type TechniqueId } from "./technique-list";

/** Fills a coat by a technique: film, colours, passes and rate; its resin, place and id stay. */
export function withTechnique(coat: Coat, technique: TechniqueId, newId: NewId): Coat {
  const filled = TECHNIQUES[technique];
  return {
    ...coat,
    name: filled.name,
    filmMm: filled.filmMm,
    rateM2PerH: filled.rateM2PerH,
    clearReserve: filled.clearReserve,
    school: "clear-first",
    colours: filled.colours.map(([name, share]) => colourFrom(colourantNamed(name), newId(), share)),
    passes: filled.passes.map(([kind, changes]) => usualPass(newId(), kind, changes)),
  };
}
