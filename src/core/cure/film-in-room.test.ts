import { starterCards } from "./starter-cards";
import reference from "../reference/resin.json";
import { fittedResin } from "./fitted-resin";
import { filmLifeIn, filmMoment, flowLeftIn, type FilmInRoom } from "./film-in-room";
import { GUMMY_PA_S, HEAVY_PA_S } from "./film-states";
import { conversionAtThickening, cureSpeed, freshViscosityPaS, timeToConversion } from "./kinetics";
import type { ResinCard } from "./resin-card";
import type { Room } from "./room";
import { parametersOf } from "../reference/resins";

let made = 0;
const cards = starterCards(() => `card-${(made += 1)}`);
const coating = cards[0] as ResinCard;
const fitted = fittedResin(coating);
const constant = (tempC: number): Room => ({ kind: "constant", tempC });
const film = (room: Room, changes: Partial<FilmInRoom> = {}): FilmInRoom => ({
  resin: fitted,
  room,
  mixedAtMin: 540,
  ...changes,
});
/** Resin a of the reference, as if a card had been fitted to it. */
const ofReference = (room: Room): FilmInRoom => {
  const resin = { ...fitted, fit: { ...fitted.fit, parameters: parametersOf("a") } };
  return { resin, room, mixedAtMin: 0 };
};

describe("at one temperature", () => {
  test.each([12, 18, 21, 24, 30])("its likely starts are those of the closed forms: %d °C", (tempC) => {
    const p = fitted.fit.parameters;
    const clock = cureSpeed(coating.filmTempC, p.activationJPerMol) / cureSpeed(tempC, p.activationJPerMol);
    const thick = (limit: number) =>
      timeToConversion(
        conversionAtThickening(Math.max(1, limit / freshViscosityPaS(tempC, p)), p),
        tempC,
        p,
      ) / 60;
    const work = coating.workMin! * clock;
    const closed = {
      runny: 0,
      flowing: work,
      heavy: Math.max(1.15 * work, thick(HEAVY_PA_S)),
      gummy: Math.max(1.6 * work, thick(GUMMY_PA_S)),
      sandable: coating.sandH! * 60 * clock,
      hard: coating.hardH! * 60 * clock,
    };
    for (const [state, minutes] of Object.entries(closed)) {
      const { likely } = filmLifeIn(film(constant(tempC))).find((start) => start.state === state)!.fromMin;
      expect([state, likely / Math.max(1, minutes)]).toEqual([
        state,
        state === "runny" ? 0 : expect.closeTo(1, 3),
      ]);
    }
  });
  test("flow left is the reference's: resin a at five temperatures", () => {
    for (const row of reference.Phi.filter(({ resin }) => resin === "a")) {
      const minutes = [0, 15, 30, 60, 90];
      const wanted = [row.Phi_0, row.Phi_15, row.Phi_30, row.Phi_60, row.Phi_90];
      flowLeftIn(ofReference(constant(row.T)), minutes).forEach((phi, index) => {
        expect([row.T, minutes[index], phi / wanted[index]!]).toEqual([
          row.T,
          minutes[index],
          expect.closeTo(1, 3),
        ]);
      });
    }
  });
  test("conversion and viscosity after an hour are the reference's", () => {
    const row = reference.film_isothermal.find(
      ({ resin, T, t_s }) => resin === "a" && T === 22 && t_s === 3600,
    )!;
    const { alpha, viscosityPaS } = filmMoment(ofReference(constant(22)), 60);
    expect(alpha).toBeCloseTo(row.alpha, 4);
    expect(viscosityPaS / Number(row.eta)).toBeCloseTo(1, 2);
  });
});

describe("through a day", () => {
  const day: Room = { kind: "day", coldC: 14, coldAtMin: 300, warmC: 26, warmAtMin: 900 };
  test("its life lies between those at the coldest and at the warmest, and begins sooner when mixed before noon than at night", () => {
    const [cold, warm] = [filmLifeIn(film(constant(14))), filmLifeIn(film(constant(26)))];
    const life = filmLifeIn(film(day));
    life.slice(1).forEach(({ fromMin }, index) => {
      expect(fromMin.likely).toBeLessThan(cold[index + 1]!.fromMin.likely);
      expect(fromMin.likely).toBeGreaterThan(warm[index + 1]!.fromMin.likely);
    });
    const gel = (mixedAtMin: number) => filmLifeIn(film(day, { mixedAtMin }))[4]!.fromMin.likely;
    expect(gel(10 * 60)).toBeLessThan(gel(22 * 60));
    expect(gel(10 * 60)).toBeCloseTo(gel(10 * 60 + 1440), 3);
  });
  test("a logger that says the same all along is that temperature", () => {
    const logger: Room = {
      kind: "logger",
      readings: [
        [0, 21],
        [3000, 21],
      ],
    };
    const flat = filmLifeIn(film(constant(21)));
    filmLifeIn(film(logger)).forEach(({ fromMin }, index) => {
      for (const end of ["low", "likely", "high"] as const)
        expect(fromMin[end]).toBeCloseTo(flat[index]!.fromMin[end], 1);
    });
  });
  test("a heat gun shortens what is left, and flow with it", () => {
    const heated = film(constant(21), { pulses: [{ atMin: 560, riseK: 40, decayMin: 6 }] });
    const plain = film(constant(21));
    expect(filmLifeIn(heated)[1]!.fromMin.likely).toBeLessThan(filmLifeIn(plain)[1]!.fromMin.likely - 5);
    expect(flowLeftIn(heated, [60])[0]!).toBeLessThan(flowLeftIn(plain, [60])[0]!);
  });
});

describe("its spread", () => {
  test("starts are in order at each end, and the likely one lies within", () => {
    for (const card of cards.filter(({ kind }) => kind !== "paint"))
      for (const tempC of [10, 21, 32]) {
        const life = filmLifeIn(film(constant(tempC), { resin: fittedResin(card) }));
        life.slice(1).forEach(({ fromMin }, index) => {
          const before = life[index]!.fromMin;
          for (const end of ["low", "likely", "high"] as const)
            expect(fromMin[end]).toBeGreaterThanOrEqual(before[end]);
          expect(fromMin.low).toBeLessThanOrEqual(fromMin.likely);
          expect(fromMin.high).toBeGreaterThanOrEqual(fromMin.likely);
        });
      }
  });
  test("about what finishers are told to expect: gel within a quarter, sandable within two fifths (docs/models/film-states.md)", () => {
    const life = filmLifeIn(film(constant(24)));
    const half = (state: string) => {
      const { low, likely, high } = life.find((start) => start.state === state)!.fromMin;
      return (high - low) / 2 / likely;
    };
    expect(half("set")).toBeGreaterThan(0.1);
    expect(half("set")).toBeLessThan(0.35);
    expect(half("sandable")).toBeGreaterThan(0.25);
    expect(half("sandable")).toBeLessThan(0.75);
  });
  test("twice as fast for ten degrees more, about (common practice, no source)", () => {
    const gel = (tempC: number) => filmLifeIn(film(constant(tempC)))[4]!.fromMin.likely;
    expect(gel(20) / gel(30)).toBeGreaterThan(1.8);
    expect(gel(20) / gel(30)).toBeLessThan(2.3);
  });
  test("in the frost it does not set: said as never, and found soon", () => {
    const life = filmLifeIn(film(constant(-25)));
    expect(life.at(-1)!.fromMin.likely).toBe(Infinity);
    expect(life[0]!.fromMin.likely).toBe(0);
    expect(flowLeftIn(film(constant(-25)), [0])[0]!).toBeGreaterThan(0);
  });
});
