import { factorSpread, type FactorId } from "../batch/factors";
import { scaled, type Spread } from "../numerics/spread";
import { PASS } from "../passes/facts";
import { type Pass } from "./pass";

/** What one pass sprays: how much must leave the can or bottle, how many of them, and the powder shaken in. */
export type SprayNeed = {
  passId: string;
  words: string;
  ml: Spread;
  containers: number;
  containerMl: number;
  container: "can" | "bottle";
  powderG: Spread | null;
};

/** Contents of a usual can of spray paint and spray bottle, ml (common practice, no source). */
const CAN_ML = 400;
const BOTTLE_ML = 500;

/** A can's volume is half propellant: this share is paint (from memory, no source). */
const PAINT_IN_CAN = 0.5;

/** Powder shaken into alcohol for flicking, g per 100 ml (common practice, no source). */
export const USUAL_POWDER_G_PER_100_ML = 4;

/** Sprays of a coat over an area. What lands is asked for by the pass; what leaves the nozzle is more. */
export function spraysOf(
  passes: readonly Pass[],
  areaMm2: number,
  factors: Partial<Record<FactorId, number>>,
): SprayNeed[] {
  const lands = factorSpread("sprayOnPiece", factors);
  return passes.flatMap((pass): SprayNeed[] => {
    if (pass.mlPerM2 === null || (pass.tool !== "spray-can" && pass.tool !== "spray-bottle")) return [];
    const onPieceMl = (areaMm2 / 1e6) * pass.mlPerM2 * pass.rounds;
    const share = (pct: number) => onPieceMl / (Math.min(100, Math.max(1, pct)) / 100);
    const ml: Spread = { low: share(lands.high), likely: share(lands.likely), high: share(lands.low) };
    const can = pass.tool === "spray-can";
    const containerMl = can ? CAN_ML : BOTTLE_ML;
    const perContainerMl = can ? CAN_ML * PAINT_IN_CAN : BOTTLE_ML;
    const powder = pass.gPer100Ml ?? (pass.kind === "mica-alcohol" ? USUAL_POWDER_G_PER_100_ML : 0);
    return [
      {
        passId: pass.id,
        words: PASS[pass.kind].words,
        ml,
        containers: Math.ceil(ml.high / perContainerMl - 1e-9),
        containerMl,
        container: can ? "can" : "bottle",
        powderG: powder > 0 ? scaled(ml, powder / 100) : null,
      },
    ];
  });
}
