import { Solver } from "odex";
import { starterCards } from "./starter-cards";
import { parametersOf } from "../reference/resins";
import { fittedResin } from "./fitted-resin";
import { filmMoment, flowLeftIn, likelyLifeIn, type FilmInRoom } from "./film-in-room";
import { GUMMY_PA_S, HEAVY_PA_S } from "./film-states";
import { conversionRate, cureSpeed, freshViscosityPaS, viscosityPaS, type CureParameters } from "./kinetics";
import { CUP, potHeatLossWPerK, potLifeMin, runPot, SPREAD_OUT, standing, type Container } from "./pot";
import { filmTempC, type HeatPulse, type Room } from "./room";

/** Against an integrator from the registry: odex, the extrapolation method of Gragg, Bulirsch and Stoer (Hairer, Wanner). */
function integrate(
  slopes: (x: number, y: number[]) => number[],
  start: number[],
  from: number,
  to: number,
): number[] {
  const solver = new Solver(start.length);
  solver.absoluteTolerance = 1e-11;
  solver.relativeTolerance = 1e-11;
  solver.maxSteps = 200_000;
  return solver.solve(slopes, from, start, to).y;
}

const [coating] = starterCards(() => "card");
const fitted = fittedResin(coating!);
const p = parametersOf("a");
const day: Room = { kind: "day", coldC: 14, coldAtMin: 300, warmC: 27, warmAtMin: 900 };
const film = (room: Room, pulses: readonly HeatPulse[] = []): FilmInRoom => ({
  resin: { ...fitted, fit: { ...fitted.fit, parameters: p } },
  room,
  mixedAtMin: 480,
  pulses,
});
/** dα/dt and dΦ/dt of a film in its room, by minutes. */
const ofFilm = ({ room, pulses = [], mixedAtMin }: FilmInRoom) => {
  return (minutes: number, [alpha = 0]: number[]) => {
    const tempC = filmTempC(room, pulses, mixedAtMin + minutes);
    return [60 * conversionRate(alpha, tempC, p), 60 / viscosityPaS(alpha, tempC, p)];
  };
};

describe.each([
  ["a day curve", film(day)],
  ["one temperature", film({ kind: "constant", tempC: 23 })],
] as const)("a film under %s", (_name, film) => {
  test.each([30, 90, 200])("conversion after %d min", (minutes) => {
    const [alpha = 0] = integrate(ofFilm(film), [0, 0], 0, minutes);
    expect(filmMoment(film, minutes).alpha).toBeCloseTo(alpha, 6);
  });
  test("flow used up between two minutes", () => {
    const [, used = 0] = integrate(ofFilm(film), [0, 0], 0, 120);
    const [fresh = 0, left = 0] = flowLeftIn(film, [0, 120]);
    expect((fresh - left) / used).toBeCloseTo(1, 4);
  });
});

test("heat that passes over a film: the part after it, where nothing jumps", () => {
  const pulse: HeatPulse = { atMin: 500, riseK: 30, decayMin: 6 };
  const heated = film({ kind: "constant", tempC: 21 }, [pulse]);
  const [before = 0] = integrate(ofFilm(film({ kind: "constant", tempC: 21 })), [0, 0], 0, 20);
  const [alpha = 0] = integrate(ofFilm(heated), [before, 0], 20, 90);
  expect(filmMoment(heated, 90).alpha / alpha).toBeCloseTo(1, 3);
  expect(alpha).toBeGreaterThan(1.1 * filmMoment(film({ kind: "constant", tempC: 21 }), 90).alpha);
});

test.each([0.15, 0.5])("a pot of %d kg to its doubled viscosity and on", (massKg) => {
  const loss = potHeatLossWPerK(massKg * 1000, p) / (massKg * p.heatCapacityJPerKgK);
  const pot = (_t: number, [tempC = 0, alpha = 0]: number[]) => {
    const rate = conversionRate(alpha, tempC, p);
    return [(p.heatJPerKg / p.heatCapacityJPerKgK) * rate - loss * (tempC - 22), rate];
  };
  const end = runPot(massKg * 1000, 22, 22, p, ({ timeS }) => timeS >= 2400);
  const [tempC = 0, alpha = 0] = integrate(pot, [22, 0], 0, end.timeS);
  expect(end.tempC).toBeCloseTo(tempC, 2);
  expect(end.alpha).toBeCloseTo(alpha, 5);
});

describe("pots of every shape, of a casting resin and of a coating", () => {
  const slopesOf = (massG: number, roomC: number, of: CureParameters, container: Container) => {
    const loss = potHeatLossWPerK(massG, of, container) / ((massG / 1000) * of.heatCapacityJPerKgK);
    return (_t: number, [tempC = 0, alpha = 0]: number[]) => {
      const rate = conversionRate(Math.min(1, alpha), tempC, of);
      return [(of.heatJPerKg / of.heatCapacityJPerKgK) * rate - loss * (tempC - roomC), rate];
    };
  };
  const cases = [CUP, SPREAD_OUT, { heightToWidth: 0.4 }].flatMap((container) =>
    (["a", "c"] as const).flatMap((resin) =>
      [15, 22, 28].map((roomC) => [resin, roomC, JSON.stringify(container), container] as const),
    ),
  );
  test.each(cases)("resin %s at %d °C in %s: life and peak", (resin, roomC, _words, container) => {
    const of = parametersOf(resin);
    const slopes = slopesOf(500, roomC, of, container);
    const lifeS = 60 * potLifeMin(500, roomC, roomC, of, container);
    const [tempC = 0, alpha = 0] = integrate(slopes, [roomC, 0], 0, lifeS);
    const thick = viscosityPaS(alpha, tempC, of) / freshViscosityPaS(roomC, of);
    expect(Math.max(thick / 2, (tempC - roomC) / 25)).toBeCloseTo(1, 3);
    const { peakC, peakAtMin } = standing(500, roomC, roomC, of, container);
    // At its top it is as hot as that, and no hotter a minute before or after.
    const tempAt = (timeS: number) => integrate(slopes, [roomC, 0], 0, timeS)[0] ?? 0;
    expect(Math.abs(tempAt(60 * peakAtMin) - peakC)).toBeLessThan(0.1);
    for (const off of [-60, 60]) expect(tempAt(60 * peakAtMin + off)).toBeLessThan(peakC + 0.05);
  });
  test("a casting spread out 4 mm thin at 15 °C lives 583 min, at 28 °C it comes to 28.8 °C", () => {
    const of = parametersOf("c");
    expect(Math.abs(potLifeMin(500, 15, 15, of, SPREAD_OUT) - 583)).toBeLessThan(6);
    expect(standing(500, 28, 28, of, SPREAD_OUT).peakC).toBeCloseTo(28.8, 1);
  });
});

describe("heavy and gummy in rooms that change", () => {
  const rooms: [string, Room][] = [
    ["a cold night and a warm day", { kind: "day", coldC: 10, coldAtMin: 300, warmC: 30, warmAtMin: 840 }],
    [
      "a heater that goes on and off",
      {
        kind: "logger",
        readings: [
          [0, 16],
          [560, 16],
          [580, 27],
          [700, 27],
          [720, 15],
          [3000, 15],
        ],
      },
    ],
  ];
  const pulses: HeatPulse[] = [
    { atMin: 503.4, riseK: 45, decayMin: 5 },
    { atMin: 590.7, riseK: 30, decayMin: 3 },
  ];
  /** The first minute at which the viscosity passes a limit, by small steps of the integrator. */
  const crossing = (film: FilmInRoom, limit: number) => {
    let alpha = 0;
    for (let minutes = 0; minutes < 3000; minutes += 0.5) {
      const tempC = filmTempC(film.room, film.pulses ?? [], film.mixedAtMin + minutes);
      if (viscosityPaS(alpha, tempC, p) >= limit) return minutes;
      [alpha = 0] = integrate(ofFilm(film), [alpha, 0], minutes, minutes + 0.5);
    }
    return Infinity;
  };
  test.each([
    ...rooms.map(([name, room]) => [name, film(room)] as const),
    ["heat that passes over it", film({ kind: "constant", tempC: 21 }, pulses)] as const,
  ])("%s", (_name, film) => {
    const life = likelyLifeIn({ ...film, resin: { ...film.resin, workMin: 1 } });
    const at = (state: string) => life.find((start) => start.state === state)!.fromMin.likely;
    expect(Math.abs(at("heavy") - crossing(film, HEAVY_PA_S))).toBeLessThan(0.6);
    expect(Math.abs(at("gummy") - crossing(film, GUMMY_PA_S))).toBeLessThan(0.6);
  });
});

describe("closed forms", () => {
  test("Castro–Macosko: towards gel the viscosity grows as the third power of what is left, and is infinite from there", () => {
    const left = (gap: number) => viscosityPaS(p.gelConversion - gap, 25, p) * gap ** 3;
    expect(left(1e-3)).toBeCloseTo(freshViscosityPaS(25, p) * p.gelConversion ** 3, 9);
    expect(left(1e-6) / left(1e-3)).toBeCloseTo(1, 9);
    expect(viscosityPaS(p.gelConversion, 25, p)).toBe(Infinity);
  });
  test("while hardly anything has reacted the cure is the logistic curve of m = n = 1, with its rate and ratio", () => {
    // dα/dt = k(r + α)(1 − α)² with little reacted is k(r + α)(1 − 2α): logistic with its own roots −r and 1/2.
    const small: CureParameters = { ...p, r: 0.002 };
    const k = small.k2PerS * cureSpeed(25, small.activationJPerMol);
    const { r } = small;
    const grow = 2 * k * (r + 0.5);
    const logistic = (t: number) => {
      const c = r / 0.5;
      return (c * 0.5 * Math.exp(grow * t) - c * 0.5) / (1 + c * Math.exp(grow * t));
    };
    const t = 4000;
    const [alpha = 0] = integrate((_t, [a = 0]) => [conversionRate(a, 25, small)], [0], 0, t);
    expect(alpha).toBeLessThan(0.02);
    expect(alpha / logistic(t)).toBeCloseTo(1, 2);
  });
});
