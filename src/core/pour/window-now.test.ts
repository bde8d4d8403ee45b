import fc from "fast-check";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "../job/sample-job";
import { derivePlan } from "../plan/derive-plan";
import { veinsWider, widerWords, windowAdvice, windowNow, windowWords } from "./window-now";

const from = { low: 55, likely: 60, high: 70 };
const to = { low: 80, likely: 90, high: 110 };

describe("an act in its window", () => {
  test.each([
    [40, "early", "Opens in 20 min (15 min to 30 min)."],
    [59, "early", "Opens in 1 min (0 min to 11 min)."],
    [60, "right", "Right for 30 min more (20 min to 50 min)."],
    [79, "right", "Right for 11 min more (1 min to 31 min)."],
    [85, "closing", "Closing: it may be over already, or hold for 25 min."],
    [95, "closed", "Its time is over, as far as the card tells; it may hold for 15 min more."],
    [130, "closed", "Its time is over, since 40 min (20 min to 50 min)."],
  ])("at minute %d it is %s", (nowMin, state, words) => {
    const now = windowNow({ from, to }, nowMin);
    expect(now.state).toBe(state);
    expect(windowWords(now)).toBe(words);
  });
  test("what stays right says nothing", () => {
    expect(windowWords(windowNow({ from, to: null }, 200))).toBeNull();
    expect(
      windowWords(windowNow({ from, to: { low: 300, likely: Infinity, high: Infinity } }, 200)),
    ).toBeNull();
  });
  test("it goes from early to right to closing to closed and never back, whatever the spread", () => {
    const order = ["early", "right", "closing", "closed"];
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (ends) => {
          const [a, b, c, d, e, f] = [...ends].sort((x, y) => x - y) as [
            number,
            number,
            number,
            number,
            number,
            number,
          ];
          const window = { from: { low: a, likely: b, high: c }, to: { low: d, likely: e, high: f } };
          let reached = 0;
          for (let minute = 0; minute <= 500; minute += 7) {
            const at = order.indexOf(windowNow(window, minute).state);
            expect(at).toBeGreaterThanOrEqual(reached);
            reached = at;
          }
        },
      ),
    );
  });
});

describe("what is still possible (common practice, no source)", () => {
  const closed = windowNow({ from, to }, 130);
  test("a late dam is cut free, a late torch is left, late veins go into a coat of their own", () => {
    expect(windowAdvice("dam-pull", closed)).toMatch(/cut it free/);
    expect(windowAdvice("flame", closed)).toMatch(/wrinkles a gummy film/);
    expect(windowAdvice("veins", closed)).toMatch(/coat of their own/);
  });
  test("in its window nothing is said; early only where it does harm", () => {
    expect(windowAdvice("dam-pull", windowNow({ from, to }, 70))).toBeNull();
    expect(windowAdvice("dam-pull", windowNow({ from, to }, 20))).toMatch(/runs over/);
    expect(windowAdvice("flame", windowNow({ from, to }, 20))).toBeNull();
    expect(windowAdvice("sand", closed)).toBeNull();
  });
});

describe("veins that are laid too early", () => {
  let made = 0;
  const newId = () => `id-${(made += 1)}`;
  const cards = starterCards(newId);
  const { coat, resin } = derivePlan(sampleJob(cards, newId), cards).coats[2]!;
  const film = { resin: resin!, tempC: 22, filmMm: coat.filmMm };
  test("end wider the earlier they are laid, and as wide as planned at their minute", () => {
    const wider = [5, 20, 40, 60].map((now) => veinsWider(film, { now, open: 60 }).likely);
    expect(wider.at(-1)).toBeCloseTo(1, 9);
    wider.slice(1).forEach((ratio, n) => expect(ratio).toBeLessThan(wider[n]!));
    expect(wider[0]).toBeGreaterThan(1.1);
  });
  test("the likely one lies within its spread", () => {
    const { low, likely, high } = veinsWider(film, { now: 10, open: 60 });
    expect(low).toBeLessThanOrEqual(likely);
    expect(high).toBeGreaterThanOrEqual(likely);
  });
  test("it is said in words with its spread; a little is not", () => {
    expect(widerWords({ low: 1.5, likely: 1.8, high: 2.2 })).toBe(
      "Laid now they end 1.8 times (1.5 to 2.2) as wide as at their minute: wait, or leave them out.",
    );
    expect(widerWords({ low: 1, likely: 1.1, high: 1.3 })).toBeNull();
  });
});
