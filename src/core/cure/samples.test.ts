import { starterCards } from "./starter-cards";
import reference from "../reference/resin.json";
import { fittedResin } from "./fitted-resin";
import { conversionAt, flowLeftPerPa, timeToConversion, viscosityPaS } from "./kinetics";
import { potLifeMin } from "./pot";
import type { ResinCard } from "./resin-card";
import { resinSamples, stillOpen } from "./samples";

let made = 0;
const [coating] = starterCards(() => `card-${(made += 1)}`) as [ResinCard];
const { identifiability: known } = reference.monte_carlo;

const spread = (values: number[]) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
};

describe("what a card leaves open", () => {
  // Resin a of the reference: 60 min to work, 7 h to tack-free, 40 min in a pot of 150 g, at 24 °C.
  const card: ResinCard = { ...coating, gelH: null };
  const resin = fittedResin(card);
  const samples = resinSamples(resin, 2000);
  const ln = (of: (sample: (typeof samples)[number]) => number) =>
    spread(samples.map((sample) => Math.log(of(sample))));

  test("the rate is learnt well, the ratio weakly, the activation energy not at all, as an independent linear analysis found", () => {
    const open = stillOpen(resin);
    expect(open.lnRate).toBeLessThan(0.2);
    expect(open.lnRatio).toBeGreaterThan(0.5);
    expect(open.lnRatio).toBeLessThan(1);
    expect(open.activation).toBeGreaterThan(0.93);
    expect(known.post_over_prior.E).toBeGreaterThan(0.93);
    // That analysis had six times of the sheet, three more than are used here.
    expect(Math.abs(open.lnRate - known.post_over_prior.lnk2)).toBeLessThan(0.08);
    expect(Math.abs(open.lnRatio - known.post_over_prior.lnr)).toBeLessThan(0.15);
  });

  test("flow left, viscosity, gel and pot life spread about as that analysis foretold (logarithms, factor of 1.7)", () => {
    const at = (minutes: number, tempC: number) => (sample: (typeof samples)[number]) =>
      conversionAt(minutes * 60, tempC, sample.parameters);
    const found = [
      ln((sample) => flowLeftPerPa(0, 22, sample.parameters)),
      ln((sample) => Math.max(1e-9, flowLeftPerPa(at(60, 22)(sample), 22, sample.parameters))),
      ln((sample) => viscosityPaS(at(60, 22)(sample), 22, sample.parameters)),
      null,
      ln((sample) => timeToConversion(sample.parameters.gelConversion, 18, sample.parameters)),
      spread(resinSamples(resin, 60).map((sample) => Math.log(potLifeMin(500, 20, 20, sample.parameters)))),
    ];
    found.forEach((value, index) => {
      const wanted = known.pred_post_sd[index] as number;
      if (value === null) return;
      expect([known.pred[index], value / wanted > 1 / 1.7, value / wanted < 1.7]).toEqual([
        known.pred[index],
        true,
        true,
      ]);
    });
  });

  test("the middle of the samples is the fit", () => {
    const gel = samples
      .map((sample) => timeToConversion(sample.parameters.gelConversion, 24, sample.parameters))
      .sort((a, b) => a - b);
    const fit = timeToConversion(resin.fit.parameters.gelConversion, 24, resin.fit.parameters);
    expect(gel[1000]! / fit).toBeGreaterThan(0.93);
    expect(gel[1000]! / fit).toBeLessThan(1.07);
  });

  test("fewer numbers, wider; none at all, as wide as its class", () => {
    const bare: ResinCard = { ...card, workMin: null, tackFreeH: null, potLifeMin: null, recoatFromH: null };
    const potOnly: ResinCard = { ...card, workMin: null, tackFreeH: null, recoatFromH: null };
    const gel = (of: ResinCard) =>
      spread(
        resinSamples(fittedResin(of), 400).map((sample) =>
          Math.log(timeToConversion(sample.parameters.gelConversion, 20, sample.parameters)),
        ),
      );
    expect(gel(card)).toBeLessThan(gel(potOnly));
    expect(gel(potOnly)).toBeLessThan(gel(bare));
    expect(stillOpen(fittedResin(bare)).lnRate).toBeCloseTo(1, 9);
  });

  test("the same card gives the same samples, another seed others", () => {
    expect(resinSamples(resin, 5)).toEqual(resinSamples(resin, 5));
    expect(resinSamples(resin, 5, 2)).not.toEqual(resinSamples(resin, 5));
  });
});
