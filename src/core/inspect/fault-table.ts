import table from "./faults.json";

/**
 * How a link between a cause and what is found is known: `s` a published source for the mechanism (from memory), `p` common practice without a
 * source, `g` judgement. No number of the table is measured.
 */
export type Grade = "s" | "p" | "g";

/** Something that can be found out about a pour and its piece. */
export type Evidence = {
  id: string;
  /** Items of one group say nearly the same: only one of them counts. */
  group: string;
  /** How often it is so among pours without this fault, 0 to 1. */
  base: number;
  /** What is measured, its unit, and where it is surely absent and surely there; null for what is yes or no. */
  quantity: string | null;
  unit: string | null;
  absentAt: number | null;
  presentAt: number | null;
  /** 1 known from the log or at a glance, 2 a look or a test at the piece, 3 more work. */
  effort: number;
  ask: string;
};

export type Cause = {
  id: string;
  name: string;
  /** Share of such faults that it is behind, before anything is known. */
  prior: number;
  repair: string;
  nextTime: string;
  /** What is found with it, and how often. */
  evidence: readonly { id: string; p: number; grade: Grade }[];
};

export type Fault = { id: string; name: string; otherPrior: number; causes: readonly Cause[] };

export const FAULTS = table.faults as readonly Fault[];
export const EVIDENCE: ReadonlyMap<string, Evidence> = new Map(
  (table.evidence as readonly Evidence[]).map((item) => [item.id, item]),
);
/** What to do now, by the name of a repair. */
export const REPAIRS: Readonly<Record<string, string>> = table.repairs;

/**
 * How far something is so, 0 to 1, by what was measured of it: between where it is surely absent and surely there, straight.
 * @throws for what is yes or no
 */
export function presence({ id, absentAt, presentAt }: Evidence, measured: number): number {
  if (absentAt === null || presentAt === null) throw new Error(`${id} is not measured.`);
  return Math.min(1, Math.max(0, (measured - absentAt) / (presentAt - absentAt)));
}
