import { DIFFERENCE_BASIS } from "../plan/colour-plan";
import { FLOODS_ML_PER_M2 } from "../pattern/passes/sprayed";
import type { Spread } from "../numerics/spread";
import { inUnits } from "../units/said";

/** What is said of a picture and of a practice, as functions of what was measured. */
type Said = { what: string; soWhat: string };

const percent = (share: number) => `${Math.round(share * 100)} %`;
const among = (spread: Spread | undefined, words: (value: number) => string): string =>
  spread ? ` (sisters ${words(spread.low)} to ${words(spread.high)})` : "";
const film = (mm: number) => inUnits(mm, "film");
const count = (many: number, what: string) => `${many} ${many === 1 ? what : `${what}s`}`;

export const MUD = { little: 0.5, much: 1.2, all: 2.5 } as const;

/** Mud in a word: by how much the eye would regret it (assumed). */
export const mudWords = (value: number): string =>
  value < MUD.little ? "clear" : value < MUD.much ? "a little muddy" : value < MUD.all ? "muddy" : "mud";

export const findingWords = {
  tookOver: (name: string, onTop: number, poured: number): Said => ({
    what: `${name} ends at ${percent(onTop)} on top of ${percent(poured)} poured.`,
    soWhat: "Pour less of it, or pour it earlier: what comes late hides what is there.",
  }),
  swallowed: (name: string, onTop: number, poured: number): Said => ({
    what: `${name} ends at ${percent(onTop)} of ${percent(poured)} poured: it is swallowed.`,
    soWhat: "Pour it later, so that it stays on top.",
  }),
  emptyThird: (name: string, third: 0 | 1 | 2, none: boolean): Said => ({
    what: `The ${["left", "middle", "right"][third]} third has ${none ? "no" : "hardly any"} ${name}.`,
    soWhat: "Carry some over there before the film thickens.",
  }),
  oneSided: (name: string, left: boolean): Said => ({
    what: `More ${name} on the ${left ? "left" : "right"}.`,
    soWhat: "By intent it is drama; if not, start the next pour from the other side.",
  }),
  frontOrBack: (name: string, back: boolean): Said => ({
    what: `More ${name} at the ${back ? "back" : "front"}.`,
    soWhat: "A person stands at the front: what should be seen belongs there.",
  }),
  muddy: (mud: number, worked: boolean): Said => ({
    what: `Colours have run together: ${mudWords(mud)}.`,
    soWhat: worked
      ? "A round less, larger bands, or all pulls along one direction: crossing mixes fastest."
      : "Larger bands, poured more calmly.",
  }),
  regular: (): Said => ({
    what: "Too regular: something repeats at an even distance.",
    soWhat: "Vary width, distance and angle of the pours.",
  }),
  thin: (leftMm: number, spread: Spread | undefined): Said => ({
    what: `Thin: ${film(leftMm)} of film left${among(spread, film)}.`,
    soWhat: "Less pressure, or some of the reserve here while it still levels.",
  }),
  lost: (ml: number, share: number, spread: Spread | undefined): Said => ({
    what: `${inUnits(ml, "volume")} is pulled over the edge${among(spread, (value) => inUnits(value, "volume"))}, ${percent(share)} of the film.`,
    soWhat: "Lift before the edge, or pull along it: what drips off is missing on top.",
  }),
  flood: (mlPerM2: number): Said => ({
    what: `${inUnits(mlPerM2, "spray")} of alcohol in all: ${mlPerM2 > FLOODS_ML_PER_M2 ? "it floods" : "near a flood"}.`,
    soWhat: `Above about ${inUnits(FLOODS_ML_PER_M2, "spray")} the pattern washes away. Less, in more rounds.`,
  }),
  target: (name: string, difference: number, here: number, lighter: boolean): Said => ({
    what: `From some steps back it is ΔE ${difference.toFixed(1)} from ${name || "the target"}, ${DIFFERENCE_BASIS}; this sister, by what lies on top, ${here.toFixed(1)}.`,
    soWhat:
      difference < 3
        ? "An eye hardly parts them."
        : lighter
          ? "It is lighter than the target."
          : "It is darker than the target.",
  }),
  rounds: (growth: number, stopAfter: number, planned: number): Said => ({
    what: `Grey grows by ${percent(growth)} of the top per round: stop after ${stopAfter === 1 ? "one" : stopAfter === 2 ? "two" : String(stopAfter)}.`,
    soWhat: `${planned} are planned. The less done, the better.`,
  }),
};

export const critiqueWords = {
  cover: (share: number) => `A tool went over ${percent(share)} of the top.`,
  mudFrom: (pull: number) =>
    `Mud is seen from pull ${pull}: stop after ${pull === 1 ? "none" : `pull ${pull - 1}`}.`,
  apart: () => "Colours stayed apart to the last pull.",
  thin: (many: number, leastMm: number) =>
    `${count(many, "thin place")}, down to ${film(leastMm)}: less pressure.`,
  noThin: () => "No thin place.",
  setDowns: (many: number) =>
    `A wide tool was set down in the middle ${count(many, "time")}: it leaves a straight line. Come in from the edge.`,
  crossing: (share: number) =>
    `${percent(share)} of the way went across the main direction: crossing mixes fastest.`,
  along: (directionDeg: number) => `You keep to one direction, about ${Math.round(directionDeg)}°.`,
  time: (usedMin: number, openMin: number) =>
    `${usedMin.toFixed(0)} of ${openMin.toFixed(0)} min of open time used.`,
  late: (many: number) => `${count(many, "pull")} into a film that hardly moved: it tears.`,
};
