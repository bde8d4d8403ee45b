import { mixDensityGPerMl } from "../batch/parts";
import type { FactorId } from "../batch/factors";
import { overSheet } from "../cure/own-tests";
import { PASS, type PassKind } from "../passes/facts";
import type { PlannedCoat } from "../plan/timed";
import type { CoatOutcome } from "../pour/outcome";
import type { PouredCoat } from "../pour/poured-days";
import type { LossPart, PhotoLook } from "../pour/inspect-events";
import type { PourEvent } from "../pour/pour-events";
import { covers } from "../schedule/coat";
import { doneAgainst, type DoneAgainst } from "../schedule/done-against";
import { startOf } from "../schedule/coat-windows";
import type { LoggedPour } from "../inspect/logged-pour";
import type { Term } from "./fit";
import { readingOfUse } from "./predict";
import { termsOf, workKindOf, type WorkKind } from "./volume-factors";

/** What was seen over what is usual or planned, as a logarithm, and whose hands it was. */
export type Over = { y: number; people: string[] };

/** What a coat of a pour teaches; plain values, so that it can be handed on. Volumes in ml, times in minutes. */
export type CoatTeaches = {
  coatId: string;
  name: string;
  kind: WorkKind;
  /** The pass that makes its look. */
  technique: PassKind | null;
  mixMl: number;
  areaM2: number;
  /** What it takes at the usual values, what of it is lost, and what nothing is learnt of. */
  terms: Term[];
  lossTerms: Term[];
  fixedMl: number;
  /** What was used; null where the log does not tell. */
  use: { y: number; sigma: number } | null;
  /** Losses weighed by themselves, over the usual. */
  direct: { part: LossPart; y: number }[];
  /** The film by comb over the planned one, of so many readings. */
  comb: { y: number; many: number } | null;
  time: { tookMin: number; plannedMin: number; people: string[] } | null;
  /** The alcohol that went on over what was planned for the coat's passes. */
  alcohol: Over | null;
  /** The minutes from one weighed line to the next, over the usual. */
  weighing: Over | null;
  /** When a film was seen to be so, over when its data sheet says it is. */
  speed: { word: "string" | "gummy" | "dam"; y: number; resin: string; lot: string | null }[];
  resinName: string;
  /** Passes that were done, against their windows. */
  windows: { kind: PassKind; against: DoneAgainst }[];
};

export type PourTeaches = {
  pourId: string;
  jobId: string;
  jobName: string;
  startedAt: string;
  coats: CoatTeaches[];
  /** The technique that made the look, and what a photo of each piece said of it last. */
  photos: { technique: PassKind | null; looks: readonly PhotoLook[] }[];
};

/** The pass that makes a coat's look: the last of those that work colours into each other, else the first that lays. */
function techniqueOf({ coat }: PlannedCoat): PassKind | null {
  const laying = coat.passes.filter(({ kind }) => PASS[kind].phase === "laying");
  return (laying.findLast(({ kind }) => PASS[kind].blends) ?? laying[0])?.kind ?? null;
}

/** Who did the acts of a coat, the most of them first. */
function handsOf(log: LoggedPour, coatId: string): string[] {
  const many = new Map<string, number>();
  for (const [subject, event] of log.state.inForce) {
    if (event.kind !== "tick" || event.by === undefined || !subject.startsWith(`act ${coatId}:`)) continue;
    many.set(event.by, (many.get(event.by) ?? 0) + 1);
  }
  return [...many].sort((a, b) => b[1] - a[1]).map(([name]) => name);
}

/** One of what is weighed, as it is usual: g of what stays on it. Null where the coat has none of it. */
export function usualPartG(planned: PlannedCoat, part: LossPart, terms: readonly Term[]): number | null {
  const { batched, resin } = planned;
  if (!batched || !resin) return null;
  const ml = terms.find(({ coefs }) => coefs[part] !== undefined)?.ml ?? 0;
  const many = batched.losses.reduce((count, loss) => {
    if (part === "cup" && loss.id === "cups") return loss.cups;
    if (part === "bucket" && loss.id === "buckets") return loss.buckets;
    if (part === "stick" && loss.id === "sticks") return loss.sticks;
    if (part === "tool" && loss.id === "tools") return loss.tools.length;
    return count;
  }, 1);
  return ml > 0 && many > 0 ? (ml * mixDensityGPerMl(resin)) / many : null;
}

function directOf(
  events: readonly PourEvent[],
  planned: PlannedCoat,
  lossTerms: readonly Term[],
): CoatTeaches["direct"] {
  return events.flatMap((event) => {
    if (event.kind !== "loss-weighed" || event.coatId !== planned.coat.id || !(event.grams > 0)) return [];
    const usual = usualPartG(planned, event.loss, lossTerms);
    return usual === null ? [] : [{ part: event.loss, y: Math.log(event.grams / event.many / usual) }];
  });
}

/** Of isopropanol at 20 °C, g/ml (CRC Handbook, from memory); ethanol 0.789. */
const ALCOHOL_G_PER_ML = 0.786;
const ALCOHOL: ReadonlySet<PassKind> = new Set<PassKind>(["alcohol", "mica-alcohol"]);

/** The alcohol that a coat's passes are planned to take, g; null where it has none. */
export function plannedAlcoholG({ coat, batched }: PlannedCoat): number | null {
  const mlPerM2 = coat.passes
    .filter(({ kind }) => ALCOHOL.has(kind))
    .reduce((sum, { mlPerM2: ml }) => sum + (ml ?? 0), 0);
  return batched && mlPerM2 > 0 ? (mlPerM2 * batched.topAreaMm2 * ALCOHOL_G_PER_ML) / 1e6 : null;
}

function alcoholOf(events: readonly PourEvent[], log: LoggedPour, planned: PlannedCoat): Over | null {
  const plannedG = plannedAlcoholG(planned);
  // The last word counts, in whatever order entries arrive.
  const [last] = events
    .filter(
      (event) => event.kind === "alcohol-weighed" && event.coatId === planned.coat.id && event.grams > 0,
    )
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at));
  if (plannedG === null || last?.kind !== "alcohol-weighed") return null;
  return { y: Math.log(last.grams / plannedG), people: handsOf(log, planned.coat.id).slice(0, 2) };
}

/** From one line on the scale to the next, min (assumed: no source; the plan has no minutes for it). */
export const USUAL_WEIGHING_MIN = 1;
/** Longer between two lines is no weighing any more. */
const WEIGHING_AT_MOST_MIN = 15;

function weighingOf(events: readonly PourEvent[], log: LoggedPour, coatId: string): Over | null {
  const lines = events
    .flatMap((event) =>
      event.kind === "weighed" && event.stepId.startsWith(`${coatId}:`) ? [log.minuteOf(event.at)] : [],
    )
    .sort((a, b) => a - b);
  const gaps = lines
    .slice(1)
    .map((minute, n) => minute - (lines[n] as number))
    .filter((min) => min > 0 && min <= WEIGHING_AT_MOST_MIN);
  if (gaps.length === 0) return null;
  const mean = gaps.reduce((sum, min) => sum + min, 0) / gaps.length;
  return { y: Math.log(mean / USUAL_WEIGHING_MIN), people: handsOf(log, coatId).slice(0, 2) };
}

function combOf({ inspection }: LoggedPour, { coat }: PlannedCoat): CoatTeaches["comb"] {
  const films = inspection.combs
    .filter(({ coatId }) => coatId === coat.id)
    .flatMap(({ wetMm, dryMm }) => (wetMm === null || dryMm === null ? [] : [(wetMm + dryMm) / 2]));
  const planned = coat.filmMm * coat.coverShare;
  if (films.length === 0 || !(planned > 0)) return null;
  const mean = films.reduce((sum, film) => sum + film, 0) / films.length;
  return { y: Math.log(mean / planned), many: films.length };
}

function speedOf(
  events: readonly PourEvent[],
  log: LoggedPour,
  { windows, of }: PouredCoat,
  lot: string | null,
): CoatTeaches["speed"] {
  // Over the data sheet: what was learnt of the card's own tests is not learnt twice.
  const own = overSheet(of.resin);
  const put = (word: "string" | "gummy" | "dam", seenMin: number, cardMin: number) =>
    seenMin > 0 && Number.isFinite(cardMin) && cardMin > 0
      ? [{ word, y: Math.log((seenMin / cardMin) * own), resin: of.resin.id, lot }]
      : [];
  const card = (word: "string" | "gummy") => startOf(windows.life, word === "gummy" ? "gummy" : "set").likely;
  const seen = events.flatMap((event) =>
    event.kind === "film-seen" && event.coatId === windows.coatId
      ? put(event.word, log.minuteOf(event.at) - windows.mixedAtMin, card(event.word))
      : [],
  );
  const dams = windows.windows
    .filter(({ pass, done }) => done && pass.kind === "dam-pull")
    .flatMap(({ untilMin, from }) =>
      put("dam", untilMin - windows.mixedAtMin, from.likely - windows.mixedAtMin),
    );
  return [...seen, ...dams];
}

function coatTeaches(
  log: LoggedPour,
  events: readonly PourEvent[],
  poured: PouredCoat,
  outcome: CoatOutcome,
  factors: Partial<Record<FactorId, number>>,
): CoatTeaches | null {
  const planned = log.plan.coats.find(({ coat }) => coat.id === outcome.coatId);
  if (!planned?.batched || !planned.resin || planned.resin.kind === "paint") return null;
  const { batched, coat, resin } = planned;
  const pieces = log.plan.pieces.filter(({ id }) => covers(coat, id));
  const kind = workKindOf(pieces);
  const { terms, lossTerms, fixedMl } = termsOf(batched, kind, factors);
  const { mixedMl, leftMl, shortMl, tookMin } = outcome;
  const sum = (list: readonly Term[]) => list.reduce((all, { ml }) => all + ml, 0);
  const [lot = null] = [...log.state.lots]
    .filter(([key]) => key.startsWith(`${coat.id}:`))
    .map(([, text]) => text);
  return {
    coatId: coat.id,
    name: coat.name,
    kind,
    technique: techniqueOf(planned),
    mixMl: mixedMl,
    areaM2: (batched.topAreaMm2 * coat.coverShare) / 1e6,
    terms,
    lossTerms,
    fixedMl,
    use: readingOfUse({ mixedMl, leftMl, shortMl, needMl: sum(terms) + fixedMl, lossesMl: sum(lossTerms) }),
    direct: directOf(events, planned, lossTerms),
    alcohol: alcoholOf(events, log, planned),
    weighing: weighingOf(events, log, coat.id),
    comb: combOf(log, planned),
    time:
      tookMin !== null && tookMin > 0 && batched.workMin.likely > 0
        ? {
            tookMin,
            plannedMin:
              batched.workMin.likely / (factors.workTimes ?? 1) + batched.mixingMin * batched.batches.length,
            people: handsOf(log, coat.id).slice(0, 2),
          }
        : null,
    speed: speedOf(events, log, poured, lot),
    resinName: resin.name,
    windows: poured.windows.windows
      .filter(({ done, pass }) => done && PASS[pass.kind].hands !== false)
      .map(({ pass, untilMin, from, to }) => ({ kind: pass.kind, against: doneAgainst(untilMin, from, to) })),
  };
}

/** What the last photo of each piece said. */
function photosOf({ plan, inspection }: LoggedPour): PourTeaches["photos"] {
  const last = new Map(inspection.photos.map(({ pieceId, looks }) => [pieceId, looks]));
  return [...last].map(([pieceId, looks]) => {
    const of = plan.coats.filter(({ coat }) => covers(coat, pieceId));
    const blended = of.findLast(({ coat }) => coat.passes.some(({ kind }) => PASS[kind].blends));
    const made = blended ?? of.at(-1);
    return { technique: made ? techniqueOf(made) : null, looks };
  });
}

/** What a pour teaches; nothing of one that was called off: it was no whole pour. */
export function pourTeaches(
  head: Omit<PourTeaches, "coats" | "photos">,
  log: LoggedPour,
  events: readonly PourEvent[],
): PourTeaches {
  const coats =
    log.state.calledOff !== null
      ? []
      : log.poured.flatMap((poured) => {
          const outcome = log.outcomes.find(({ coatId }) => coatId === poured.of.coat.id);
          const teaches = outcome && coatTeaches(log, events, poured, outcome, log.document.factors);
          return teaches ? [teaches] : [];
        });
  return { ...head, coats, photos: log.state.calledOff === null ? photosOf(log) : [] };
}
