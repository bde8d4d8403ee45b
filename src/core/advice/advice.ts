import type { BatchedCoat } from "../batch/batch-coat";
import type { CoatColour } from "../batch/coat-colour";
import type { ColourCard } from "../colour/colour-card";
import type { MixLook, MixPart } from "../colour/mix-look";
import type { Spread } from "../numerics/spread";
import type { Lab } from "../colour/spaces";
import type { Band } from "../colour/spectrum";
import type { FittedResin } from "../cure/fitted-resin";
import type { Coat } from "../schedule/coat";
import type { CoatWindows } from "../schedule/coat-windows";
import type { Trouble } from "../schedule/troubles";

/** Why a piece of advice is given. Danger is drawn in the danger colour; all else is calm. */
export type AdviceKind = "physics" | "data sheet" | "common practice" | "safety";

export type Advice = {
  rule: string;
  /** The coat it speaks of, and the line in it: a pass or colour id, or a field name. */
  coatId: string | null;
  at: string | null;
  what: string;
  soWhat: string;
  kind: AdviceKind;
  why: string;
};

/** The line of a colourant in a colour. */
export const partAt = (colourId: string, cardId: string): string => `${colourId} ${cardId}`;

/** By what advice is set aside and found again. */
export const adviceKey = ({ rule, coatId, at }: Pick<Advice, "rule" | "coatId" | "at">): string =>
  [rule, coatId ?? "", at ?? ""].join(" ");

/** What harms people is not set aside. */
export const canSetAside = (advice: Advice): boolean => advice.kind !== "safety";

/** A colour as it is foretold to look in its film over its ground. */
export type SeenColour = {
  colour: CoatColour;
  parts: readonly MixPart[];
  lab: Lab;
  /** Null for a colour that is only typed. */
  look: MixLook | null;
};

/** The colours of a coat as they are foretold, and what lies under them. */
export type SeenCoat = { under: { internal: Band; hex: string }; colours: readonly SeenColour[] };

/** A step between two zones under a coat, or one that stays as it is. */
export type StepUnder = {
  low: string;
  high: string;
  stepMm: number;
  /** The last coat over both and its film on the lower one; null where none lies over both. */
  coat: string | null;
  filmMm: number | null;
  /** What there is left of the step when it has set. */
  leavesMm: Spread;
};

/** A zone that was finished before a coat comes to lie beside it: by which coat, how long the border is, and whether something stands on it. */
export type FinishedZone = { name: string; coat: string; lengthMm: number; barrier: boolean };

/** One coat with all that is known of it, as the rules see it. */
export type AdvisedCoat = {
  coat: Coat;
  below: Coat | null;
  belowWet: boolean;
  batched: BatchedCoat | null;
  resin: FittedResin | null;
  /** When it is mixed and worked; null where it cannot be. */
  windows: CoatWindows | null;
  /** Depth of its deepest pour, for one that fills, mm. */
  pourDepthMm: number | null;
  /** Its zones that lie behind a tape, by name. */
  taped: readonly string[];
  /** Steps between zones that it is the last to lie over, and zones that were finished beside it. */
  steps: readonly StepUnder[];
  beside: readonly FinishedZone[];
  /** Depth of all that reacts together with it, mm. */
  reactingMm: number;
  seen: SeenCoat;
};

export type AdviceContext = {
  /** From the ground upward. */
  coats: readonly AdvisedCoat[];
  /** The hour of the first mix, minutes after midnight. */
  startMin: number;
  /** What is wrong with the days as they are planned. */
  troubles: readonly Trouble[];
  tempC: number;
  /** Coldest that the room gets, °C. */
  coldestC: number;
  /** Relative humidity, %; null when not known. */
  humidityPct: number | null;
  /** The shop's colourants, by id. */
  colourants: ReadonlyMap<string, ColourCard>;
};

/** A rule looks at the whole plan and says what it has to say. */
export type Rule = (context: AdviceContext) => Advice[];
