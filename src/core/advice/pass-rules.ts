import { PASS } from "../passes/facts";
import { FLASH_OFF_MIN, putsVapour } from "../schedule/pass";
import type { Advice, Rule } from "./advice";
import { alcoholTooEarly as fogEarly, flameAfterVapour as lights } from "./words";

/** Shown once at the head of every sheet. */
export const GENERAL_CAUTION =
  "Nitrile gloves, sleeves and eye protection: uncured resin sensitises skin. Air the room. Never close a hot cup; spread leftovers out. The product's data and safety sheets and local rules come before this sheet.";

/** A flame planned sooner than the flash-off after alcohol or spray paint. */
export const flameAfterVapour: Rule = ({ coats }) =>
  coats.flatMap(({ coat }) => {
    const found: Advice[] = [];
    coat.passes.forEach((pass, index) => {
      if (PASS[pass.kind].fire !== "lights") return;
      const vapour = coat.passes.slice(0, index).findLast(putsVapour);
      if (!vapour) return;
      const gap = pass.fromMin !== null && vapour.fromMin !== null ? pass.fromMin - vapour.fromMin : 0;
      if (gap >= FLASH_OFF_MIN) return;
      found.push({
        rule: "flame-after-vapour",
        coatId: coat.id,
        at: pass.id,
        ...lights(PASS[pass.kind].words, PASS[vapour.kind].words, gap, vapour.fromMin ?? 0),
      });
    });
    return found;
  });

/** Alcohol laid while the film is still thin lets cells run (common practice, no source). */
export const alcoholTooEarly: Rule = ({ coats, tempC }) =>
  coats.flatMap(({ coat }) =>
    coat.passes
      .filter((pass) => pass.kind === "fog" && pass.fromMin !== null && pass.fromMin < 15 && tempC < 24)
      .map((pass): Advice => ({
        rule: "alcohol-too-early",
        coatId: coat.id,
        at: pass.id,
        ...fogEarly(pass.fromMin ?? 0),
      })),
  );
