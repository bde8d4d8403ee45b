import type { Batch } from "../../batch/batch-coat";
import { trimmed } from "../../units/format-quantity";
import { inUnits } from "../../units/said";
import { loadsOf } from "../../advice/load-rules";
import { actsDone, measuredAs, yesNo, type Logged, type Read } from "./logged";

/** B for its A, as weighed, against what the card allows. */
export function ratioOff({ outcome, planned: { resin } }: Logged): Read[] {
  const { ratioOff: worst } = outcome;
  if (!worst || !resin || resin.kind === "paint" || !(resin.ratioTolerancePct > 0)) return [];
  const times = Math.abs(worst.off) / (resin.ratioTolerancePct / 100);
  const by = trimmed(Math.abs(worst.off) * 100, 1);
  return [
    measuredAs(
      "ratioOff",
      times,
      `as weighed, B was ${by} % ${worst.off > 0 ? "too much" : "too little"} for its A; the card allows ${trimmed(resin.ratioTolerancePct, 1)} %`,
    ),
  ];
}

/** The shortest mixing of its batches against the time that it takes. */
export function mixShort(log: Logged): Read[] {
  const { steps, state, planned, minuteOf } = log;
  const asked = planned.batched?.mixingMin ?? 0;
  if (!(asked > 0)) return [];
  const lasted = steps.flatMap((step) => {
    if (step.coatId !== planned.coat.id || step.kind !== "mix") return [];
    const weighed = steps.find(
      ({ kind, coatId, batch }) => kind === "weigh" && coatId === step.coatId && batch === step.batch,
    );
    const [from, to] = [weighed && state.doneAt.get(weighed.id), state.doneAt.get(step.id)];
    return from && to ? [minuteOf(to) - minuteOf(from)] : [];
  });
  if (lasted.length === 0) return [];
  const least = Math.min(...lasted);
  return [
    measuredAs(
      "mixShort",
      least / asked,
      `mixed for ${trimmed(least, 1)} min, ${trimmed(asked, 1)} min planned`,
    ),
  ];
}

/** Colour against the most that its card, or what is usual, allows; and what of it is water-borne. */
export function colourLoad({ planned: { coat }, colourants }: Logged): Read[] {
  const byId = new Map(colourants.map((card) => [card.id, card]));
  const [worst] = loadsOf(coat, (cardId) => byId.get(cardId)).sort(
    (a, b) => b.gPer100G / b.most - a.gPer100G / a.most,
  );
  const watery = coat.colours.map(({ parts = [] }) =>
    parts.reduce(
      (sum, { cardId, gPer100G }) => sum + (byId.get(cardId)?.kind === "acrylic" ? gPer100G : 0),
      0,
    ),
  );
  const known = coat.colours.length > 0 && coat.colours.every(({ look, parts }) => look === "clear" || parts);
  return [
    ...(worst
      ? [
          measuredAs(
            "colourLoad",
            worst.gPer100G / worst.most,
            `${worst.name} was planned with ${trimmed(worst.gPer100G, 1)} g to 100 g, at most ${trimmed(worst.most, 1)} g`,
          ),
        ]
      : []),
    ...(known
      ? [
          measuredAs(
            "waterShare",
            Math.max(...watery),
            Math.max(...watery) > 0
              ? `${trimmed(Math.max(...watery), 1)} % of a cup was water-borne colour`
              : "no colour was water-borne",
          ),
        ]
      : []),
  ];
}

const partsG = ({ aG, bG, cG }: Batch["parts"]): number => aG + bG + cG;
/** What of a batch reacts in one vessel, g: the whole pot, or the largest cup where each is mixed by itself. */
const togetherG = ({ parts, cups }: Batch): number => {
  const each = cups.flatMap((cup) => (cup.parts ? [partsG(cup.parts)] : []));
  return each.length > 0 ? Math.max(...each) : partsG(parts);
};

/** The most that stood in one vessel, against the card. */
export function massBig({ planned: { batched, resin } }: Logged): Read[] {
  const most = resin?.largestMixG ?? null;
  if (!batched || !resin || most === null || resin.kind === "paint") return [];
  const massG = Math.max(...batched.batches.map(togetherG));
  return [
    measuredAs(
      "massBig",
      massG / most,
      `the largest mix was ${inUnits(massG, "mass")}, the card's largest ${inUnits(most, "mass")}`,
    ),
  ];
}

/** How long a batch stood before it was poured, against how long it lives. */
export function stoodInPot(log: Logged): Read[] {
  const { planned, poured } = log;
  const potLife = planned.batched?.potLifeMin;
  if (!potLife) return [];
  const laid = actsDone(
    log,
    ({ kind, passId }) =>
      kind === "pass" && poured.windows.windows.some(({ pass, done }) => done && pass.id === passId),
  );
  const stood = (poured.of.real?.batchesAtMin ?? []).flatMap((mixedAt) => {
    const next = laid.find((at) => at >= mixedAt);
    return next === undefined ? [] : [next - mixedAt];
  });
  if (stood.length === 0) return [];
  const longest = Math.max(...stood);
  return [
    measuredAs(
      "stoodInPot",
      longest / potLife.likely,
      `from mixing to the end of laying ${trimmed(longest, 0)} min, pot life ${trimmed(potLife.likely, 0)} min`,
    ),
  ];
}

/** What was mixed against the plan. */
export function mixedLess({ outcome }: Logged): Read[] {
  if (!outcome.weighed || !(outcome.plannedMl > 0)) return [];
  const less = (1 - outcome.mixedMl / outcome.plannedMl) * 100;
  return [
    measuredAs(
      "mixedLess",
      less,
      `${inUnits(outcome.mixedMl, "volume")} was mixed, ${inUnits(outcome.plannedMl, "volume")} planned`,
    ),
  ];
}

const SHARE_SURE = 0.02;

/** Of what kinds the colours are, and how much of them is metallic. */
export function media({ planned: { coat }, colourants }: Logged): Read[] {
  const laid = coat.colours.filter(({ look, share }) => look !== "clear" && share > SHARE_SURE);
  if (laid.length < 2) return [];
  const byId = new Map(colourants.map((card) => [card.id, card]));
  const kinds = laid.map(({ parts = [] }) => parts.map(({ cardId }) => byId.get(cardId)?.kind));
  const named = kinds.every((of) => of.length > 0 && of.every((kind) => kind !== undefined));
  const sum = laid.reduce((all, { share }) => all + share, 0);
  const metallic = laid.reduce((all, { look, share }) => all + (look === "metallic" ? share : 0), 0) / sum;
  const different = new Set(kinds.flat());
  return [
    ...(named
      ? [
          yesNo(
            "alikeColours",
            different.size === 1,
            different.size === 1 ? "all its colours are of one kind" : "its colours are of different kinds",
          ),
        ]
      : []),
    measuredAs("metallicsMany", metallic, `${trimmed(metallic * 100, 0)} % of its colours were metallic`),
  ];
}
