import type { Box, Ring } from "../../geometry/ring";
import type { PatternPass } from "../../passes/facts";
import type { SoftPlace } from "../../geometry/weights";
import type { Fleck } from "../ops/flecks";
import type { Vein, VeinManner } from "./vein";
import type { PassWork, WorkTool } from "./work";

/** A pass as it is rehearsed. */
export type RehearsedPass = {
  id: string;
  kind: PatternPass;
  tool: WorkTool;
  rounds: number;
  mlPerM2: number | null;
  /** Flow left at its minute, 1 fresh, 0 set: a late stroke moves less. */
  flowLeft: number;
  /** Place in the palette of what it sprays, dabs or paints, where it is not one of the coat's colours. */
  paint: number | null;
  /** Places in the palette of those of its coat's colours that it uses; all when absent. */
  uses?: readonly number[];
  /** Places among the zones of those that it is done in; all of its coat's when absent. */
  zones?: readonly number[];
  work: PassWork;
};

/** A vein of the map, as it lies on this piece. */
export type PlannedVeins = { veins: readonly Vein[]; manner: VeinManner; at: number };

/** A zone of a divided piece that a coat is poured in: its place among the zones, its own colours, and whether a barrier stands on its borders. */
export type RehearsedZone = { at: number; colours: RehearsedCoat["colours"]; held: boolean };

/** Stones set into a coat, as they lie: the place of their colour in the palette, and each of them, mm. */
export type RehearsedStones = { at: number; places: readonly Fleck[] };

/** A coat as it is rehearsed: its colours by their places in the palette, with their shares. */
export type RehearsedCoat = {
  id: string;
  vein: boolean;
  filmMm: number;
  /** `hides`: how much of what lies under it a film of it covers, 0 to 1. `soft`: where there shall be more or less of it. */
  colours: readonly { at: number; share: number; hides: number; soft?: readonly SoftPlace[] }[];
  passes: readonly RehearsedPass[];
  /** Where it is poured and worked one stretch after the other, as a floor is, in that order; absent where it is all of a piece. */
  strips?: readonly Box[];
  /** Where it differs by zone, or a barrier stands between them: the zones that it is poured in; absent where it lies alike on all of the piece. */
  zones?: readonly RehearsedZone[];
  /** What is set into it when it has been worked. */
  stones?: readonly RehearsedStones[];
  /** Veins of the vein map, in place of what chance would do; null where there is no map. */
  veins: readonly PlannedVeins[] | null;
};

/** All that a picture hangs on: plain data, the same picture for the same. */
export type Rehearsal = {
  /** What is seen, mm: the top from 0, 0, and the faces unfolded around it. */
  box: Box;
  /** The top alone, mm from 0, 0. */
  topMm: { wide: number; high: number };
  /** Once around, mm, for a tumbler's wall: what leaves on one side comes in on the other; null for what is flat. */
  aroundMm: number | null;
  /** Place in the palette of what lies under everything. */
  base: number;
  coats: readonly RehearsedCoat[];
  /** Closed lines of the zones of a divided piece, mm; absent where it is all of one. */
  zoneRings?: readonly (readonly Ring[])[];
  /** Main direction, rad. */
  angle: number;
  seed: number;
};
