import type { BatchedCoat } from "../batch/batch-coat";
import type { Calibration } from "../cure/calibrate";
import { filmLifeIn, likelyLifeIn } from "../cure/film-in-room";
import type { FilmState, StateStart } from "../cure/film-life";
import type { ResinCard } from "../cure/resin-card";
import type { Room } from "../cure/room";
import { exactly, type Spread } from "../numerics/spread";
import type { Coat } from "./coat";
import { PRIMER_TACK_MIN, READY } from "./timetable";
import { FLASH_OFF_MIN, PASS, type Pass, type PassKind } from "./pass";

const DAY_MIN = 24 * 60;

/** When somebody works, and when nobody is woken; minutes of the day. */
export type Hours = { openMin: number; closeMin: number; sleepFromMin: number; sleepToMin: number };
export const USUAL_HOURS: Hours = {
  openMin: 8 * 60,
  closeMin: 18 * 60,
  sleepFromMin: 22 * 60,
  sleepToMin: 6 * 60,
};

/** Between which states of the film a pass is right (common practice, no source). */
const RIGHT: Record<PassKind, { from: FilmState; to: FilmState | null }> = {
  roll: { from: "runny", to: "flowing" },
  lay: { from: "runny", to: "flowing" },
  spread: { from: "runny", to: "flowing" },
  palm: { from: "runny", to: "flowing" },
  skim: { from: "runny", to: "flowing" },
  "roller-cut": { from: "runny", to: "flowing" },
  "bucket-pour": { from: "runny", to: "flowing" },
  drizzle: { from: "runny", to: "flowing" },
  blow: { from: "runny", to: "flowing" },
  flood: { from: "runny", to: "flowing" },
  flame: { from: "runny", to: "heavy" },
  alcohol: { from: "runny", to: "heavy" },
  fog: { from: "runny", to: "heavy" },
  "mica-alcohol": { from: "runny", to: "heavy" },
  veins: { from: "runny", to: "gummy" },
  chop: { from: "runny", to: "gummy" },
  accents: { from: "runny", to: "gummy" },
  glitter: { from: "runny", to: "gummy" },
  stones: { from: "runny", to: "gummy" },
  faces: { from: "runny", to: "gummy" },
  "dam-pull": { from: "gummy", to: "set" },
  "drip-scrape": { from: "heavy", to: "set" },
  sand: { from: "sandable", to: null },
  check: { from: "runny", to: null },
};

/** Alcohol, in whatever it is sprayed. */
const VAPOUR: readonly PassKind[] = ["alcohol", "mica-alcohol", "fog"];
/** Passes on the coat below, before this one is mixed. */
const BEFORE: readonly PassKind[] = ["sand"];

/** The resin of a coat and what is known of its batches: all that its windows hang on. */
export type WindowCoat = { coat: Coat; card: ResinCard; calibration: Calibration; batched: BatchedCoat };

export type PassWindow = {
  pass: Pass;
  words: string;
  /** From when and until when it is right, minutes from midnight of the first day; `to` null where it stays right. */
  from: Spread;
  to: Spread | null;
  /** When it is done, by hands that do one thing after the other. */
  atMin: number;
  untilMin: number;
};

export type CoatWindows = {
  coatId: string;
  name: string;
  /** First and last batch, mixed. */
  mixedAtMin: number;
  lastMixedAtMin: number;
  /** Life of the film of its first batch, minutes after mixing. */
  life: StateStart[];
  windows: PassWindow[];
  /** The last act on it. */
  handsOffMin: number;
};

export type Trouble = {
  kind: "night" | "after hours" | "late" | "may be late" | "never" | "sand first" | "past";
  coatId: string;
  passId: string | null;
  words: string;
};

/** A trouble in few words. */
export const TROUBLE_WORDS: Record<Trouble["kind"], string> = {
  night: "in the night",
  "after hours": "after hours",
  late: "when the window is over",
  "may be late": "when the window may be over",
  never: "never",
  "sand first": "after the recoat window: sand first",
  past: "in the past",
};

export type Settings = {
  room: Room;
  hours: Hours;
  people: number;
  /** Now, in minutes from midnight of the first day; null when no day is set. */
  nowMin: number | null;
  /** Windows without their spread, as for looking through many starts. */
  quick?: boolean;
};

export type DayPlan = { coats: CoatWindows[]; troubles: Trouble[]; endMin: number };

const startOf = (life: readonly StateStart[], state: FilmState): Spread =>
  life.find((one) => one.state === state)?.fromMin ?? exactly(Infinity);

const plus = (spread: Spread, minutes: number): Spread => ({
  low: spread.low + minutes,
  likely: spread.likely + minutes,
  high: spread.high + minutes,
});
const atLeast = (spread: Spread, minutes: number): Spread => ({
  low: Math.max(spread.low, minutes),
  likely: Math.max(spread.likely, minutes),
  high: Math.max(spread.high, minutes),
});

const minuteOfDay = (atMin: number) => ((atMin % DAY_MIN) + DAY_MIN) % DAY_MIN;
const isIn = (atMin: number, fromMin: number, toMin: number) => {
  const at = minuteOfDay(atMin);
  return fromMin <= toMin ? at >= fromMin && at < toMin : at >= fromMin || at < toMin;
};
export const isOpen = (atMin: number, hours: Hours) => isIn(atMin, hours.openMin, hours.closeMin);
export const isNight = (atMin: number, hours: Hours) => isIn(atMin, hours.sleepFromMin, hours.sleepToMin);

/** The next minute at which the shop is open, from a minute on. */
export function nextOpen(atMin: number, hours: Hours): number {
  if (isOpen(atMin, hours)) return atMin;
  const day = Math.floor(atMin / DAY_MIN) * DAY_MIN;
  return minuteOfDay(atMin) < hours.openMin ? day + hours.openMin : day + DAY_MIN + hours.openMin;
}

/** When a coat may be mixed, seen from the one below; in working hours where it can wait for them. */
function startAfter(
  coat: Coat,
  below: { laid: CoatWindows; card: ResinCard } | null,
  startMin: number,
  hours: Hours,
) {
  if (!below) return startMin;
  const { laid, card } = below;
  const free = laid.windows.reduce(
    (latest, { pass, untilMin }) => (isLate(pass.kind) ? latest : Math.max(latest, untilMin)),
    laid.lastMixedAtMin,
  );
  if (coat.startsAfter === "wet") return free;
  if (card.kind === "paint" && coat.startsAfter !== "next-day")
    return Math.max(free, laid.lastMixedAtMin + PRIMER_TACK_MIN.likely);
  const ready = laid.lastMixedAtMin + startOf(laid.life, READY[coat.startsAfter]).likely;
  if (coat.startsAfter !== "next-day") return Math.max(free, ready);
  const tomorrow = (Math.floor(laid.mixedAtMin / DAY_MIN) + 1) * DAY_MIN + minuteOfDay(startMin);
  return Number.isFinite(ready) ? nextOpen(Math.max(free, ready, tomorrow), hours) : Infinity;
}

/** Acts that come hours after a coat is laid: another coat need not wait for them. */
const isLate = (kind: PassKind) => kind === "dam-pull" || kind === "drip-scrape" || kind === "check";

function layCoat(one: WindowCoat, startMin: number, { room, people, quick }: Settings): CoatWindows {
  const { coat, card, calibration, batched } = one;
  const share = batched.workMin.likely / batched.batches.length;
  const between = people > 1 ? Math.max(share, batched.mixingMin) : share + batched.mixingMin;
  const lastMixedAtMin = startMin + between * (batched.batches.length - 1);
  const film = { card, calibration, room, mixedAtMin: startMin };
  const life = quick ? likelyLifeIn(film) : filmLifeIn(film);
  const areaM2 = (batched.topAreaMm2 * coat.coverShare) / 1e6;
  let free = startMin + batched.mixingMin;
  let shutUntil = -Infinity;
  const windows = coat.passes
    .filter(({ kind }) => !BEFORE.includes(kind))
    .map((pass): PassWindow => {
      const right = RIGHT[pass.kind];
      // From when the last of it is ready, until the first of it is past.
      const earliest = pass.fromMin === null ? startMin : startMin + pass.fromMin;
      const from = atLeast(
        plus(
          startOf(life, right.from),
          right.from === "runny" ? startMin + batched.mixingMin : lastMixedAtMin,
        ),
        Math.max(earliest, pass.kind === "flame" ? shutUntil : -Infinity),
      );
      const to = right.to === null ? null : plus(startOf(life, right.to), startMin);
      const minutes = Math.max(1, (PASS[pass.kind].minutesPerM2 * areaM2 * pass.rounds) / people);
      const atMin = Math.max(free, from.likely);
      const untilMin = atMin + minutes;
      if (!isLate(pass.kind)) free = untilMin;
      if (VAPOUR.includes(pass.kind)) shutUntil = untilMin + FLASH_OFF_MIN;
      return { pass, words: PASS[pass.kind].words, from, to, atMin, untilMin };
    });
  return {
    coatId: coat.id,
    name: coat.name,
    mixedAtMin: startMin,
    lastMixedAtMin,
    life,
    windows,
    handsOffMin: Math.max(startMin, ...windows.map(({ untilMin }) => untilMin).filter(Number.isFinite)),
  };
}

function troublesOf(laid: CoatWindows, hours: Hours): Trouble[] {
  const { coatId } = laid;
  return laid.windows.flatMap(({ pass, words, atMin, untilMin, to }): Trouble[] => {
    const own = { coatId, passId: pass.id };
    if (!Number.isFinite(atMin))
      return [{ ...own, kind: "never", words: `${words}: in this room the film never gets there.` }];
    const found: Trouble[] = [];
    if (to && untilMin > to.likely)
      found.push({ ...own, kind: "late", words: `${words}: its window is over by then.` });
    else if (to && untilMin > to.low)
      found.push({ ...own, kind: "may be late", words: `${words}: the window may be over by then.` });
    if (pass.kind === "check") return found;
    if (isNight(atMin, hours)) found.push({ ...own, kind: "night", words: `${words} falls in the night.` });
    else if (!isOpen(atMin, hours))
      found.push({ ...own, kind: "after hours", words: `${words} falls after hours.` });
    return found;
  });
}

/**
 * The days of a job from a start: each coat mixed when the one below allows it, each pass in its window, one thing after the other.
 * @param startMin minutes from midnight of the first day
 */
export function planDays(coats: readonly WindowCoat[], startMin: number, settings: Settings): DayPlan {
  const { hours, nowMin } = settings;
  const laid: CoatWindows[] = [];
  const troubles: Trouble[] = [];
  let below: { laid: CoatWindows; card: ResinCard } | null = null;
  for (const one of coats) {
    const at = startAfter(one.coat, below, startMin, hours);
    if (!Number.isFinite(at)) {
      troubles.push({
        kind: "never",
        coatId: one.coat.id,
        passId: null,
        words: `${one.coat.name} never starts: in this room the coat below does not harden.`,
      });
      break;
    }
    const own = layCoat(one, at, settings);
    if (below && one.coat.startsAfter === "recoat" && below.card.recoatUntilH !== null) {
      const opens = startOf(below.laid.life, "recoat");
      const stretch =
        below.card.recoatUntilH / Math.max(0.1, below.card.recoatFromH ?? below.card.tackFreeH ?? 1);
      if (at > below.laid.mixedAtMin + opens.likely * stretch)
        troubles.push({
          kind: "sand first",
          coatId: one.coat.id,
          passId: null,
          words: `${one.coat.name} comes after the recoat window of ${below.laid.name}: sand first.`,
        });
    }
    if (isNight(at, hours))
      troubles.push({
        kind: "night",
        coatId: one.coat.id,
        passId: null,
        words: `${one.coat.name} is mixed in the night.`,
      });
    else if (!isOpen(at, hours))
      troubles.push({
        kind: "after hours",
        coatId: one.coat.id,
        passId: null,
        words: `${one.coat.name} is mixed after hours.`,
      });
    troubles.push(...troublesOf(own, hours));
    laid.push(own);
    below = { laid: own, card: one.card };
  }
  const first = coats[0];
  if (nowMin !== null && startMin < nowMin && first)
    troubles.unshift({
      kind: "past",
      coatId: first.coat.id,
      passId: null,
      words: "This start is in the past.",
    });
  return {
    coats: laid,
    troubles,
    endMin: laid.reduce((latest, { handsOffMin }) => Math.max(latest, handsOffMin), startMin),
  };
}

/** What each trouble costs when starts are weighed against each other (assumed). */
const COST: Record<Trouble["kind"], number> = {
  never: 1000,
  past: 1000,
  night: 100,
  late: 60,
  "may be late": 12,
  "sand first": 15,
  "after hours": 25,
};
const COST_OF_DAY = 6;
const SEARCH = { stepMin: 30, days: 3, apartMin: 120 };

export type Start = { startMin: number; plan: DayPlan; cost: number };

/** The best few starts of the coming days, an hour or two apart, the least trouble first. */
export function findStarts(coats: readonly WindowCoat[], settings: Settings, most = 3): Start[] {
  const { hours, nowMin } = settings;
  const from = nextOpen(Math.ceil((nowMin ?? 0) / SEARCH.stepMin) * SEARCH.stepMin, hours);
  const starts: Start[] = [];
  for (let startMin = from; startMin < from + SEARCH.days * DAY_MIN; startMin += SEARCH.stepMin) {
    if (!isOpen(startMin, hours)) continue;
    const plan = planDays(coats, startMin, { ...settings, quick: true });
    const troubles = plan.troubles.reduce((sum, { kind }) => sum + COST[kind], 0);
    const days = (plan.endMin - from) / DAY_MIN;
    starts.push({ startMin, plan, cost: troubles + COST_OF_DAY * days });
  }
  starts.sort((one, other) => one.cost - other.cost || one.startMin - other.startMin);
  const chosen: Start[] = [];
  for (const start of starts) {
    if (chosen.length === most) break;
    if (chosen.every(({ startMin }) => Math.abs(startMin - start.startMin) >= SEARCH.apartMin))
      chosen.push(start);
  }
  return chosen.map((start) => ({ ...start, plan: planDays(coats, start.startMin, settings) }));
}
