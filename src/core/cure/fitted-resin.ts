import { byIdentity } from "../numerics/by-identity";
import { calibrate, type Calibration } from "./calibrate";
import type { ResinCard } from "./resin-card";

/** A resin card with what its numbers were fitted to: all that the cure, the pots and the windows ask of a resin. */
export type FittedResin = ResinCard & { fit: Calibration };

/** A card with its fit, computed once for each card object. */
export const fittedResin = byIdentity((card: ResinCard): FittedResin => ({ ...card, fit: calibrate(card) }));
