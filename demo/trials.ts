import type { TrialSaid } from "@/contracts/trials";
import { drawPairs, type BoardPair, type TrialPlan } from "@/core/learning/trial";
import { seeded } from "@/core/numerics/random";

/** What came of a pair: the eye, for what was tried, for what is done now, or neither; and what was measured on both. */
type Came = { better: "tried" | "now" | "alike"; measured?: { tried: number; now: number } };
type DemoTrial = { daysAgo: number; plan: TrialPlan; said: TrialSaid[] };

function saidOf(pairs: readonly BoardPair[], came: readonly Came[]): TrialSaid[] {
  return came.flatMap(({ better, measured }, pair): TrialSaid[] => {
    const drawn = pairs[pair];
    if (!drawn) throw new Error(`No pair ${pair}`);
    const other = drawn.triedOn === "left" ? "right" : "left";
    const side = better === "alike" ? better : better === "tried" ? drawn.triedOn : other;
    const [left, right] =
      drawn.triedOn === "left" ? [measured?.tried, measured?.now] : [measured?.now, measured?.tried];
    return [
      { kind: "eye", pair, better: side },
      ...(left !== undefined && right !== undefined
        ? [{ kind: "measured" as const, pair, left, right }]
        : []),
    ];
  });
}

/** Two trials: one that is told, one that is being judged. */
export function demoTrials(): DemoTrial[] {
  const alcohol = drawPairs(6, seeded(21));
  const blade = drawPairs(8, seeded(4));
  return [
    {
      daysAgo: 40,
      plan: {
        name: "Alcohol later",
        now: "alcohol right after the blend",
        tried: "alcohol eight minutes later",
        asks: "Which has the cleaner cells?",
        measure: { name: "black on top", unit: "%", better: "less" },
        pairs: alcohol,
      },
      said: saidOf(alcohol, [
        { better: "tried", measured: { tried: 11.2, now: 15.1 } },
        { better: "tried", measured: { tried: 12.6, now: 14.4 } },
        { better: "alike", measured: { tried: 13.1, now: 13.9 } },
        { better: "tried", measured: { tried: 10.4, now: 16.2 } },
        { better: "tried", measured: { tried: 12, now: 14.9 } },
        { better: "tried", measured: { tried: 11.7, now: 13 } },
      ]),
    },
    {
      daysAgo: 6,
      plan: {
        name: "Blade or squeegee",
        now: "base laid with the wide blade",
        tried: "base laid with a squeegee",
        asks: "Which base is the evener, with the lamp low?",
        measure: null,
        pairs: blade,
      },
      said: saidOf(blade, [
        { better: "now" },
        { better: "tried" },
        { better: "now" },
        { better: "alike" },
        { better: "now" },
      ]),
    },
  ];
}
