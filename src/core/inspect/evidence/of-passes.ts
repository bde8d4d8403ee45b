import { PASS } from "../../passes/facts";
import type { PassWindow } from "../../schedule/coat-windows";
import { durationWords } from "../../units/duration";
import { trimmed } from "../../units/format-quantity";
import { inUnits } from "../../units/said";
import { actsDone, donePasses, measuredAs, yesNo, type Logged, type Read } from "./logged";

const minutes = (min: number): string => durationWords(Math.max(0, Math.round(min)));

/** By how much a pass was done before its window opened, and after it closed, min; negative inside. */
const early = ({ atMin, from }: PassWindow) => from.likely - atMin;
const late = ({ untilMin, to }: PassWindow) => (to ? untilMin - to.likely : -Infinity);

/** Against the window: "Veins 12 min after its time". */
const againstWords = (window: PassWindow, by: number, side: "before" | "after"): string =>
  by > 0.5
    ? `${window.words.toLowerCase()}: ${minutes(by)} ${side === "before" ? "before its window opened" : "after its window closed"}`
    : `${window.words.toLowerCase()}: not ${side === "before" ? "before its window opened" : "after its window closed"}`;

const worst = (windows: readonly PassWindow[], by: (window: PassWindow) => number): PassWindow | null =>
  windows.reduce<PassWindow | null>(
    (most, window) => (most === null || by(window) > by(most) ? window : most),
    null,
  );

function against(windows: readonly PassWindow[], ids: { early?: string; late?: string }): Read[] {
  const reads: Read[] = [];
  const put = (id: string | undefined, by: (window: PassWindow) => number, side: "before" | "after") => {
    const window = worst(windows, by);
    if (id && window)
      reads.push(measuredAs(id, Math.max(0, by(window)), againstWords(window, by(window), side)));
  };
  put(ids.early, early, "before");
  put(ids.late, late, "after");
  return reads;
}

/** Work in the film against its windows: whatever moves it, alcohol and the dam by themselves. */
export function passTimes(log: Logged): Read[] {
  const done = donePasses(log);
  const of = (is: (window: PassWindow) => boolean) => done.filter(is);
  return [
    ...against(
      of(({ pass }) => ["laying", "wet"].includes(PASS[pass.kind].phase) && PASS[pass.kind].hands !== false),
      { late: "passLate" },
    ),
    ...against(
      of(({ pass }) => pass.kind === "alcohol" || pass.kind === "mica-alcohol"),
      { early: "alcoholEarly", late: "alcoholLate" },
    ),
    ...against(
      of(({ pass }) => pass.kind === "dam-pull"),
      { early: "damEarly", late: "damLate" },
    ),
  ];
}

/** How much alcohol went on against the usual, as far as it was sprayed as planned. */
export function alcoholMuch(log: Logged): Read[] {
  const sprayed = donePasses(log)
    .filter(({ pass }) => pass.kind === "alcohol" || pass.kind === "mica-alcohol")
    .map(({ pass }) => {
      const turns = actsDone(log, ({ passId }) => passId === pass.id).length;
      return { perM2: (pass.mlPerM2 ?? 0) * Math.max(1, turns), usual: PASS[pass.kind].mlPerM2 ?? 0 };
    });
  const usual = Math.max(0, ...sprayed.map((one) => one.usual));
  if (!(usual > 0)) return [];
  const perM2 = sprayed.reduce((sum, one) => sum + one.perM2, 0);
  return [
    measuredAs(
      "alcoholMuch",
      perM2 / usual,
      `${trimmed(perM2, 0)} ml of alcohol to the m² by the plan and its rounds, usual ${trimmed(usual, 0)}`,
    ),
  ];
}

/** Flame: how long after vapour, or that there was none, and a heat gun. */
export function flame(log: Logged): Read[] {
  const flames = actsDone(log, ({ flame: lights }) => lights);
  const vapours = actsDone(log, ({ vapour }) => vapour);
  const after = flames.flatMap((at) => {
    const before = vapours.filter((vapour) => vapour <= at).at(-1);
    return before === undefined ? [] : [at - before];
  });
  const torched = donePasses(log).some(({ pass }) => pass.kind === "flame");
  const gun = donePasses(log).some(({ pass }) => pass.tool === "heat-gun");
  return [
    ...(after.length > 0
      ? [
          measuredAs(
            "flameSoon",
            Math.min(...after),
            `a flame ${minutes(Math.min(...after))} after the last vapour`,
          ),
        ]
      : flames.length > 0 || vapours.length === 0
        ? [{ id: "flameSoon", u: 0, words: "no flame came after vapour" }]
        : []),
    yesNo("noFlame", !torched, torched ? "it was torched" : "no torching is in the log"),
    ...(gun ? [yesNo("heatGun", true, "a heat gun was used")] : []),
  ];
}

/** How often the film was worked, against the plan. */
export function passesMany(log: Logged): Read[] {
  const works = ({ passId }: { passId: string | null }) =>
    log.planned.coat.passes.some(({ id, kind }) => id === passId && PASS[kind].blends === true);
  const planned = log.steps.filter(
    (step) => step.coatId === log.planned.coat.id && works(step) && !step.id.includes("~"),
  ).length;
  const done = actsDone(log, works).length;
  if (planned === 0 || done === 0) return [];
  return [measuredAs("passesMany", done / planned, `worked ${done} times, planned ${planned}`)];
}

/** Faces: planned at all, when they were wetted, and whether they were looked at again. */
export function faces(log: Logged): Read[] {
  const { planned, plan, poured } = log;
  const has = plan.pieces.some(({ faceAreaMm2 }) => faceAreaMm2 > 0);
  if (!has) return [];
  const inPlan = planned.coat.coversFaces;
  const reads = [
    yesNo("facesNotPlanned", !inPlan, inPlan ? "the faces are in the plan" : "the coat leaves the faces out"),
  ];
  const kinds = new Map(planned.coat.passes.map(({ id, kind }) => [id, kind]));
  const wetted = actsDone(log, ({ passId }) => passId !== null && kinds.get(passId) === "faces");
  const again = actsDone(log, ({ passId }) => {
    const kind = passId === null ? undefined : kinds.get(passId);
    return kind === "faces" || kind === "touch-up" || kind === "dam-pull";
  });
  const [first] = wetted;
  if (first === undefined) return reads;
  const since = first - poured.windows.mixedAtMin;
  const looks = again.filter((at) => at > first + 5 && at <= first + 60).length;
  return [
    ...reads,
    measuredAs("faceLate", since, `the faces were wetted ${minutes(since)} after mixing`),
    yesNo(
      "faceOnce",
      looks === 0,
      looks === 0
        ? "no second look at the faces within the hour"
        : "the faces were gone over again within the hour",
    ),
  ];
}

/** The longest time between scrapes of drips. */
export function scrapeGap(log: Logged): Read[] {
  const kinds = new Map(log.planned.coat.passes.map(({ id, kind }) => [id, kind]));
  const at = actsDone(log, ({ passId }) => passId !== null && kinds.get(passId) === "drip-scrape");
  if (at.length < 2) return [];
  const gap = Math.max(...at.slice(1).map((minute, n) => minute - (at[n] as number)));
  return [measuredAs("scrapeGap", gap, `up to ${minutes(gap)} between scrapes of the drips`)];
}

/** How the ground below was made ready: sanded, wiped, inside its window. */
export function ground(log: Logged): Read[] {
  const { coat } = log.planned;
  if (coat.startsAfter !== "next-day" && coat.startsAfter !== "recoat") return [];
  const done = new Set(donePasses(log).map(({ pass }) => pass.kind));
  const sanded = done.has("sand") || done.has("plane");
  const wiped = done.has("sand") || done.has("clean");
  const below = log.plan.coats.slice(0, log.plan.coats.indexOf(log.planned)).at(-1);
  const reads =
    coat.startsAfter === "next-day" && below
      ? [
          yesNo("notSanded", !sanded, sanded ? "it was sanded before" : "no sanding before it is in the log"),
          yesNo("notWiped", !wiped, wiped ? "it was wiped before" : "no wiping before it is in the log"),
        ]
      : [];
  const closesH = below?.resin?.recoatUntilH ?? null;
  const mixedBelow = below ? mixedBelowMin(log, below.coat.id) : null;
  if (sanded || !below?.resin || closesH === null || mixedBelow === null) return reads;
  const past = (log.poured.windows.mixedAtMin - mixedBelow) / 60 - closesH;
  return [
    ...reads,
    measuredAs(
      "recoatMissed",
      Math.max(0, past),
      past > 0
        ? `coated ${trimmed(past, 1)} h after the recoat window had closed, by the card at ${inUnits(below.resin.filmTempC, "temperature")}`
        : "coated inside the recoat window of the card",
    ),
  ];
}

function mixedBelowMin({ steps, state, minuteOf }: Logged, coatId: string): number | null {
  const at = steps
    .filter((step) => step.coatId === coatId && step.kind === "weigh")
    .flatMap((step) => state.doneAt.get(step.id) ?? [])
    .map(minuteOf);
  return at.length > 0 ? Math.max(...at) : null;
}
