import { readFileSync } from "node:fs";
import { averageLab } from "./average";
import { photographedLab } from "./camera";
import { ciede2000 } from "./ciede2000";
import { overGround, seen, together, type Matter } from "./film-optics";
import { fitDye, fitPigment } from "./fit-pigment";
import {
  atAngle,
  coverOf,
  flakeOf,
  flopIndex,
  GLITTER_EXTINCTION,
  GREEN_BAND,
  labAt,
  MICA_EXTINCTION,
  mirrorGain,
  swatchOf,
  visibleFlakes,
} from "./flakes";
import { labEndless, labOver } from "./hiding";
import { PIGMENTS, type PigmentKey } from "./pigments";
import { channelsOfHex, hexOfLab, labOfHex, type Lab, type Rgb } from "./spaces";
import { even, type Band } from "./spectrum";

type Mica = {
  faceHexIn: string;
  bodyHexIn: string;
  rho15: number;
  Sd: number;
  L15: Lab;
  L45: Lab;
  L110: Lab;
  FI: number;
  swatch: string[];
};
const reference = JSON.parse(readFileSync("src/core/colour/reference/colour.json", "utf8")) as {
  fitExample: {
    input: { masstone: string; tint: string };
    K: number[];
    S: number[];
    check: Record<string, string>;
  };
  dye: { K: number[]; series: { X: number; load: number; hex: string; Lab: Lab }[] };
  metallic: {
    a_mica: number;
    a_glitter: number;
    G: Record<string, number>;
    micas: Record<string, Mica>;
    kill: {
      with: PigmentKey;
      frac: number;
      L15: number;
      L45: number;
      L110: number;
      FI: number;
      V550: number;
    }[];
    hiding: { k: string; g: number; cover: number; CR45: number; CR110: number }[];
    glitterCover: { g: number; X: number; cover: number }[];
  };
  masstones: Record<PigmentKey, { masstone: string; masstoneLab: Lab; tint10: string; tint10Lab: Lab }>;
  cameraAndAverage: {
    example: { card_sRGB: Rgb; tile_sRGB: Rgb; Lab: Lab; hex: string };
    average: { parts: [string, number][]; Lab: Lab }[];
    tileCompare: { tileLab: Lab; dE00: number };
  };
};
const { white, black } = PIGMENTS;
const part = (matter: { K: Band; S: Band }, load: number) => ({ ...matter, load });

describe("a pigment from its swatches", () => {
  const { input, K, S, check } = reference.fitExample;
  const fit = fitPigment(
    { masstone: { hex: input.masstone }, tint: { swatch: { hex: input.tint }, share: 0.1 }, shade: null },
    "opaque",
    white,
    black,
  )!;
  test("K and S as found independently, within 5 %", () => {
    for (let band = 3; band < 34; band += 1) {
      expect(Math.abs(fit.K[band]! / K[band]! - 1)).toBeLessThan(0.05);
      expect(Math.abs(fit.S[band]! / S[band]! - 1)).toBeLessThan(0.05);
    }
    expect(fit.missed).toBeLessThan(0.6);
    expect(fit.trust).toEqual({ rough: false, meanDifference: 1.25 });
  });
  test("it foretells mixes it was not shown", () => {
    const near = (mix: Matter, hex: string) =>
      expect(ciede2000(labEndless(mix), labOfHex(hex))).toBeLessThan(0.7);
    near(together([part(fit, 0.5), part(white, 0.5)]), check["tint50"]!);
    near(together([part(fit, 0.01), part(white, 0.99)]), check["tint1"]!);
    near(together([part(fit, 0.95), part(black, 0.05)]), check["withBlack5"]!);
  });
  test("all sixteen, from the hex a screen would show: mixes within ΔE00 1.5 on average; a black shade makes it better", () => {
    const errors = (shaded: boolean) =>
      (Object.keys(PIGMENTS) as PigmentKey[])
        .filter((key) => key !== "white" && key !== "black")
        .flatMap((key) => {
          const { masstone, tint10 } = reference.masstones[key];
          const own = PIGMENTS[key];
          const shade = hexOfLab(labEndless(together([part(own, 0.95), part(black, 0.05)])));
          const found = fitPigment(
            {
              masstone: { hex: masstone },
              tint: { swatch: { hex: tint10 }, share: 0.1 },
              shade: shaded ? { swatch: { hex: shade }, share: 0.05 } : null,
            },
            "semi",
            white,
            black,
          )!;
          return [0.01, 0.03, 0.3, 0.6].map((share) =>
            ciede2000(
              labEndless(together([part(found, share), part(white, 1 - share)])),
              labEndless(together([part(own, share), part(white, 1 - share)])),
            ),
          );
        });
    const mean = (list: number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
    expect(mean(errors(false))).toBeLessThan(1.5);
    expect(mean(errors(true))).toBeLessThan(mean(errors(false)) + 0.2);
  });
  test("one swatch alone is rough; none is nothing", () => {
    const none = { masstone: null, tint: null, shade: null };
    expect(fitPigment({ ...none, masstone: { hex: "#7F3A2B" } }, "opaque", white, black)?.trust.rough).toBe(
      true,
    );
    expect(fitPigment(none, "opaque", white, black)).toBeNull();
  });
  test("swatches that can hardly be of one pigment are told", () => {
    const odd = fitPigment(
      { masstone: { hex: "#1A3E8C" }, tint: { swatch: { hex: "#E8B0A0" }, share: 0.1 }, shade: null },
      "opaque",
      white,
      black,
    )!;
    expect(odd.strained).toBe(true);
    expect(fit.strained).toBe(false);
  });
  test("L*a*b* swatches are met as well", () => {
    const { masstoneLab, tint10Lab } = reference.masstones.oxred;
    const found = fitPigment(
      { masstone: { lab: masstoneLab }, tint: { swatch: { lab: tint10Lab }, share: 0.1 }, shade: null },
      "opaque",
      white,
      black,
    )!;
    expect(found.missed).toBeLessThan(0.5);
  });
});

test("a dye from how it looks over white: deeper with film and load (reference series)", () => {
  const dye = fitDye("#2E86C8", 1, 0.2);
  dye.K.forEach((K, band) =>
    expect(Math.abs(K - reference.dye.K[band]!)).toBeLessThan(0.05 * reference.dye.K[band]! + 0.02),
  );
  for (const { X, load, Lab } of reference.dye.series)
    expect(ciede2000(labOver(together([part(dye, load)]), X, even(0.85)), Lab)).toBeLessThan(1);
});

describe("flakes", () => {
  const mica = (name: string) => {
    const { faceHexIn, bodyHexIn, rho15, Sd } = reference.metallic.micas[name]!;
    return flakeOf({ face: faceHexIn, body: bodyHexIn, peak: rho15, bodyS: Sd }, MICA_EXTINCTION);
  };
  const look = (name: string, load: number, film: number, others: Matter, ground = even(0)) => {
    const flake = mica(name);
    const body = seen(overGround(together([part(flake, load), part(others, 1)]), film, ground));
    const visible = visibleFlakes(flake.extinction * load, others, film);
    const at = (angle: number) => atAngle(body, flake.mirror, visible, angle);
    return { at, visible, L: (angle: number) => labAt(at(angle))[0] };
  };
  const none = together([]);
  test("extinction of mica and glitter, gain by angle, cover", () => {
    const { a_mica, a_glitter, G, glitterCover } = reference.metallic;
    expect(MICA_EXTINCTION).toBeCloseTo(a_mica, 6);
    expect(GLITTER_EXTINCTION).toBeCloseTo(a_glitter, 6);
    for (const [angle, gain] of Object.entries(G)) expect(mirrorGain(Number(angle))).toBeCloseTo(gain, 4);
    for (const { g, X, cover } of glitterCover)
      expect(coverOf(GLITTER_EXTINCTION, g, X)).toBeCloseTo(cover, 3);
  });
  test.each(Object.entries(reference.metallic.micas))(
    "%s pure: face, flop, flop index, lit swatch",
    (name, expected) => {
      const { at, L } = look(name, 3, 3, none);
      for (const [angle, lab] of [
        [15, expected.L15],
        [45, expected.L45],
        [110, expected.L110],
      ] as const)
        expect(ciede2000(labAt(at(angle)), lab)).toBeLessThan(0.5);
      expect(flopIndex(L(15), L(45), L(110))).toBeCloseTo(expected.FI, 0);
      swatchOf(at).forEach((hex, stop) => {
        const wanted = channelsOfHex(expected.swatch[stop]!);
        channelsOfHex(hex).forEach((channel, index) =>
          expect(Math.abs(channel - wanted[index]!)).toBeLessThan(5),
        );
      });
    },
  );
  test.each(reference.metallic.kill)(
    "silver with $frac of $with",
    ({ with: other, frac, L15, L45, L110, V550 }) => {
      const others = together([part(PIGMENTS[other], 3 * frac)]);
      const { L, visible } = look("silver", 3 * (1 - frac), 3, others);
      expect(
        [L(15), L(45), L(110)].map((value, index) => Math.abs(value - [L15, L45, L110][index]!) < 1),
      ).toEqual([true, true, true]);
      expect(visible[GREEN_BAND]).toBeCloseTo(V550, 2);
      expect(visible.every((value) => value >= 0 && value <= 1)).toBe(true);
    },
  );
  test("silver takes over: a tenth of silver mica in black is still light in its face (common practice, no source)", () => {
    const { L } = look("silver", 1.6, 1, together([part(black, 0.1)]));
    expect(L(15) - labEndless(together([part(black, 1)]))[0]).toBeGreaterThan(30);
  });
});

describe("from a distance, and through a camera", () => {
  test("light adds up: averages as found independently", () => {
    for (const { parts, Lab } of reference.cameraAndAverage.average)
      expect(ciede2000(averageLab(parts)!, Lab)).toBeLessThan(0.05);
    const stone = averageLab([
      ["#F2F2EE", 60],
      ["#64686A", 25],
      ["#1E2021", 10],
      ["#DFC99B", 5],
    ])!;
    const { tileLab, dE00 } = reference.cameraAndAverage.tileCompare;
    expect(ciede2000(stone, tileLab)).toBeCloseTo(dE00, 2);
    expect(averageLab([])).toBeNull();
  });
  test("a tile beside a grey card; burnt out and dark patches are refused", () => {
    const { card_sRGB, tile_sRGB, Lab } = reference.cameraAndAverage.example;
    const found = photographedLab(tile_sRGB, card_sRGB);
    expect(found.ok && ciede2000(found.lab, Lab)).toBeLessThan(0.05);
    expect(photographedLab([255, 200, 200], card_sRGB).ok).toBe(false);
    expect(photographedLab(tile_sRGB, [5, 5, 5]).ok).toBe(false);
  });
});
