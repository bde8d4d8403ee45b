import type { CoatOutcome } from "./outcome";
import { outcomeWords } from "./outcome-words";

const outcome = (changes: Partial<CoatOutcome>): CoatOutcome => ({
  coatId: "c",
  name: "Colour",
  areaMm2: 1e6,
  plannedMl: 1000,
  mixedMl: 1000,
  weighed: true,
  leftMl: null,
  shortMl: null,
  usedMl: null,
  plannedFilmMm: 1,
  usedFilmMm: null,
  ratioOff: null,
  plannedWorkMin: 20,
  tookMin: null,
  words: [],
  ...changes,
});
const words = (changes: Partial<CoatOutcome>) => outcomeWords(outcome(changes), 0.02, "metric").join(" ");

test("B off its A is told outside the card's tolerance alone, and which way", () => {
  const off = (share: number, name = "") => words({ ratioOff: { name, off: share } });
  expect(off(0.05, "Silver")).toContain(
    "B was 5 % too much for its A in Silver, outside the card's tolerance",
  );
  expect(off(-0.05)).toContain("B was 5 % too little for its A, outside");
  expect(off(0.02)).not.toContain("tolerance");
  expect(off(-0.019)).not.toContain("tolerance");
});

test("more or less than planned is told from a hundredth on", () => {
  expect(words({ mixedMl: 1100 })).toContain("100 ml more was mixed than planned (10 %)");
  expect(words({ mixedMl: 880 })).toContain("120 ml less was mixed than planned (12 %)");
  expect(words({ mixedMl: 1009 })).not.toContain("than planned");
});

test("left over is generous from 15 % of the mix, fits below; short and unknown are told apart", () => {
  expect(words({ leftMl: 160 })).toContain("16 % of the mix: the plan was generous");
  expect(words({ leftMl: 150 })).toContain("150 ml was left: the plan fitted");
  expect(words({ shortMl: 100 })).toContain("plan 10 % more next time");
  expect(words({})).toContain("the real rate is not known");
  expect(words({ weighed: false })).toContain("the plan's figures stand in");
  expect(words({})).not.toContain("stand in");
});
