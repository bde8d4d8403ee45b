import { ciede2000 } from "./ciede2000";
import {
  belowSurface,
  endless,
  K1,
  K2,
  labWithoutGloss,
  ratioOf,
  throughSurface,
  together,
  type Matter,
} from "./film-optics";
import { labEndless } from "./hiding";
import { BANDS, WEIGHTS } from "./observer";
import { smoothReflectanceOfXyz, solveLinear } from "./recover";
import {
  channelsOfHex,
  encoded,
  labOfXyz,
  linearOfXyz,
  xyzOfHex,
  xyzOfLab,
  xyzOfLinear,
  type Lab,
  type Rgb,
} from "./spaces";
import { mapBands, xyzOf, type Band, type Xyz } from "./spectrum";

/** A swatch as it was typed: a hex of a screen, or L*a*b* measured without gloss, or with it where `gloss` says so. */
export type Swatch = { hex: string } | { lab: Lab; gloss?: "included" };

/** L*a*b* of a swatch that was measured, without gloss. */
export const labOfSwatch = ({ lab, gloss }: { lab: Lab; gloss?: "included" }): Lab =>
  gloss ? labWithoutGloss(lab) : lab;

export type Swatches = {
  /** Full strength, so thick that nothing shines through. */
  masstone: Swatch | null;
  /** Let down with white; `share` is of the pigment in the dry mass, 0.1 is usual. */
  tint: { swatch: Swatch; share: number } | null;
  /** Darkened with black; `share` is of the black, 0.05 is usual. */
  shade: { swatch: Swatch; share: number } | null;
};

/** How strongly a pigment scatters, mm⁻¹ for each gram in 100 g: a start for the fit. */
export const SCATTERING = { opaque: 2.5, semi: 1.2, transparent: 0.6 };
export type Opacity = keyof typeof SCATTERING;

/** How far a fit can be trusted, mean ΔE00 over all mixes (model against model, see docs/models/colour.md). */
export type Trust = { rough: boolean; meanDifference: number };

export const trustOf = ({ masstone, tint, shade }: Swatches): Trust => {
  if (masstone && tint) return { rough: false, meanDifference: shade ? 0.54 : 1.25 };
  return { rough: true, meanDifference: tint ? 2.2 : 6 };
};

export type Fitted = Matter & {
  trust: Trust;
  /** The worst difference between a swatch and what the fit makes of it, ΔE00. */
  missed: number;
  /** The swatches can hardly be of one pigment: only a very uneven spectrum meets them. */
  strained: boolean;
};

const xyzOfSwatch = (swatch: Swatch): Xyz =>
  "hex" in swatch ? xyzOfHex(swatch.hex) : xyzOfLab(labOfSwatch(swatch));

/** One swatch as an equation: how the prediction's X, Y, Z is compared with what was typed. */
type Equation = {
  others: Matter;
  share: number;
  residual: (xyz: Xyz) => { values: number[]; slopes: [number, number, number][] };
};

const SIGMA = 0.25;
const SMOOTH_K = 0.3;
const SMOOTH_S = 4;
const NEAR_S0 = 0.1;
const ROUNDS = 40;
/** Cost of a fit beyond which its swatches contradict each other; real pigments stay below 5. */
const STRAINED = 12;

/** Differences by a finite step; three numbers of three numbers, so it is cheap and exact enough. */
function slopesOf(
  read: (xyz: Xyz) => number[],
  xyz: Xyz,
): { values: number[]; slopes: [number, number, number][] } {
  const values = read(xyz);
  const step = 1e-6;
  const moved = [0, 1, 2].map((axis) =>
    read(xyz.map((value, at) => (at === axis ? value + step : value)) as unknown as Xyz),
  );
  return {
    values,
    slopes: values.map((value, row) => moved.map((other) => ((other[row] as number) - value) / step)) as [
      number,
      number,
      number,
    ][],
  };
}

/** A hex is one-sided: a channel typed as 0 or 255 is met by anything beyond what a screen shows. */
function hexResidual(hex: string) {
  const typed = channelsOfHex(hex);
  const read = (xyz: Xyz) =>
    linearOfXyz(xyz).map((linear, index) => {
      const channel = (typed[index] as number) / 255;
      const miss = 100 * (encoded(linear) - channel);
      if ((channel === 0 && miss < 0) || (channel === 1 && miss > 0)) return 0;
      return miss / SIGMA;
    });
  return (xyz: Xyz) => slopesOf(read, xyz);
}

function labResidual(lab: Lab) {
  const read = (xyz: Xyz) => labOfXyz(xyz).map((value, axis) => (value - (lab[axis] as number)) / SIGMA);
  return (xyz: Xyz) => slopesOf(read, xyz);
}

const residualOf = (swatch: Swatch) =>
  "hex" in swatch ? hexResidual(swatch.hex) : labResidual(labOfSwatch(swatch));

const nothing = (): Matter => ({ K: new Float64Array(BANDS), S: new Float64Array(BANDS) });
const times = (matter: { K: Band; S: Band }, load: number): Matter => together([{ ...matter, load }]);

/** dR(SPEX)/dR(internal), and dR∞/dθ. */
const surfaceSlope = (R: number) => ((1 - K1) * (1 - K2)) / (1 - K2 * R) ** 2;
const endlessSlope = (theta: number, R: number) => {
  const root = Math.sqrt(theta * theta + 2 * theta);
  return root > 0 ? -R * R * (1 + (theta + 1) / root) : 0;
};

/**
 * K and S of a pigment from its swatches: the smoothest pair that meets them, by Levenberg-Marquardt in their logarithms.
 * One swatch alone leaves strength open: the result is marked rough.
 * @returns null when no swatch is given
 */
export function fitPigment(
  swatches: Swatches,
  opacity: Opacity,
  white: { K: Band; S: Band },
  black: { K: Band; S: Band },
): Fitted | null {
  const { masstone, tint, shade } = swatches;
  const equations: Equation[] = [
    ...(masstone ? [{ others: nothing(), share: 1, residual: residualOf(masstone) }] : []),
    ...(tint
      ? [{ others: times(white, 1 - tint.share), share: tint.share, residual: residualOf(tint.swatch) }]
      : []),
    ...(shade
      ? [{ others: times(black, shade.share), share: 1 - shade.share, residual: residualOf(shade.swatch) }]
      : []),
  ];
  const from = tint ?? (masstone ? { swatch: masstone, share: 1 } : null) ?? shade;
  if (!from || equations.length === 0) return null;
  const s0 = SCATTERING[opacity];
  const log = new Float64Array(2 * BANDS);
  // From the smooth spectrum of the tint: the pigment's part of its absorption.
  const start = smoothReflectanceOfXyz(xyzOfSwatch(from.swatch));
  const beside = tint ? times(white, 1 - tint.share) : nothing();
  const share = tint ? tint.share : 1;
  for (let band = 0; band < BANDS; band += 1) {
    const theta = ratioOf(Math.min(0.995, Math.max(1e-4, belowSurface(start[band] as number))));
    const K = (theta * (s0 * share + (beside.S[band] as number)) - (beside.K[band] as number)) / share;
    log[band] = Math.log(Math.max(K, 0.002 * s0));
    log[BANDS + band] = Math.log(s0);
  }

  const n = 2 * BANDS;
  const evaluate = (at: Float64Array, jacobian: boolean) => {
    const rows: Float64Array[] = [];
    const values: number[] = [];
    for (const { others, share: part, residual } of equations) {
      const reflectance = new Float64Array(BANDS);
      const byK = new Float64Array(BANDS);
      const byS = new Float64Array(BANDS);
      for (let band = 0; band < BANDS; band += 1) {
        const k = part * Math.exp(at[band] as number);
        const s = part * Math.exp(at[BANDS + band] as number);
        const K = k + (others.K[band] as number);
        const S = s + (others.S[band] as number);
        const R = endless(K, S);
        reflectance[band] = throughSurface(R);
        const slope = surfaceSlope(R) * endlessSlope(K / S, R);
        byK[band] = (slope * k) / S;
        byS[band] = (-slope * K * s) / (S * S);
      }
      const { values: found, slopes } = residual(xyzOf(reflectance));
      values.push(...found);
      if (jacobian)
        for (const slope of slopes) {
          const row = new Float64Array(n);
          for (let band = 0; band < BANDS; band += 1) {
            let weighted = 0;
            for (let axis = 0; axis < 3; axis += 1)
              weighted += (slope[axis] as number) * ((WEIGHTS[axis] as readonly number[])[band] as number);
            row[band] = weighted * (byK[band] as number);
            row[BANDS + band] = weighted * (byS[band] as number);
          }
          rows.push(row);
        }
    }
    let cost = values.reduce((sum, value) => sum + value * value, 0);
    for (let band = 0; band < BANDS; band += 1) {
      if (band > 0) {
        cost += SMOOTH_K * ((at[band] as number) - (at[band - 1] as number)) ** 2;
        cost += SMOOTH_S * ((at[BANDS + band] as number) - (at[BANDS + band - 1] as number)) ** 2;
      }
      cost += NEAR_S0 * ((at[BANDS + band] as number) - Math.log(s0)) ** 2;
    }
    return { values, rows, cost };
  };

  let damping = 1e-2;
  let best = evaluate(log, true);
  for (let round = 0; round < ROUNDS; round += 1) {
    const A = new Float64Array(n * n);
    const g = new Float64Array(n);
    const add = (row: number, column: number, value: number) => {
      A[row * n + column] = (A[row * n + column] as number) + value;
    };
    best.rows.forEach((row, index) => {
      const value = best.values[index] as number;
      for (let i = 0; i < n; i += 1) {
        const at = row[i] as number;
        if (at === 0) continue;
        g[i] = (g[i] as number) - at * value;
        for (let j = 0; j < n; j += 1) add(i, j, at * (row[j] as number));
      }
    });
    const couple = (i: number, j: number, weight: number) => {
      const apart = (log[i] as number) - (log[j] as number);
      add(i, i, weight);
      add(j, j, weight);
      add(i, j, -weight);
      add(j, i, -weight);
      g[i] = (g[i] as number) - weight * apart;
      g[j] = (g[j] as number) + weight * apart;
    };
    for (let band = 1; band < BANDS; band += 1) {
      couple(band, band - 1, SMOOTH_K);
      couple(BANDS + band, BANDS + band - 1, SMOOTH_S);
    }
    for (let band = 0; band < BANDS; band += 1) {
      add(BANDS + band, BANDS + band, NEAR_S0);
      g[BANDS + band] =
        (g[BANDS + band] as number) - NEAR_S0 * ((log[BANDS + band] as number) - Math.log(s0));
    }
    let better = false;
    for (let attempt = 0; attempt < 8 && !better; attempt += 1) {
      const damped = A.slice();
      for (let i = 0; i < n; i += 1) damped[i * n + i] = (damped[i * n + i] as number) * (1 + damping) + 1e-9;
      const step = g.slice();
      solveLinear(damped, step, n);
      const next = log.map((value, index) => value + Math.max(-2, Math.min(2, step[index] as number)));
      const found = evaluate(next, true);
      if (found.cost < best.cost) {
        const gained = best.cost - found.cost;
        log.set(next);
        best = found;
        damping = Math.max(1e-7, damping / 4);
        better = true;
        if (gained < 1e-9 * (1 + best.cost)) round = ROUNDS;
      } else damping *= 5;
    }
    if (!better) break;
  }
  const matter: Matter = {
    K: mapBands((band) => Math.exp(log[band] as number)),
    S: mapBands((band) => Math.exp(log[BANDS + band] as number)),
  };
  return {
    ...matter,
    trust: trustOf(swatches),
    missed: missedBy(matter, swatches, white, black),
    strained: best.cost > STRAINED,
  };
}

/** The worst difference between a swatch and what the fit makes of it, ΔE00: large where swatches contradict each other. */
function missedBy(
  matter: Matter,
  { masstone, tint, shade }: Swatches,
  white: { K: Band; S: Band },
  black: { K: Band; S: Band },
): number {
  const miss = (mix: Matter, swatch: Swatch) => {
    const found = labEndless(mix);
    if ("lab" in swatch) return ciede2000(found, labOfSwatch(swatch));
    // A hex at the edge of the screen is met by what the screen would show of it.
    const shown = linearOfXyz(xyzOfLab(found)).map((channel) => Math.min(1, Math.max(0, channel)));
    const typed = xyzOfHex(swatch.hex);
    const asShown = labOfXyz(xyzOfLinear(shown as unknown as Rgb));
    return ciede2000(asShown, labOfXyz(typed));
  };
  const part = (load: number) => ({ ...matter, load });
  return Math.max(
    0,
    masstone ? miss(matter, masstone) : 0,
    tint ? miss(together([part(tint.share), { ...white, load: 1 - tint.share }]), tint.swatch) : 0,
    shade ? miss(together([part(1 - shade.share), { ...black, load: shade.share }]), shade.swatch) : 0,
  );
}

/** Ground under a dye when its look is described: a white that reflects this much inside the film. */
export const DYE_GROUND = 0.85;

/**
 * Absorption of a dye from how it looks over white.
 * @param hex seen through a film of `filmMm` with `load` grams in 100 g
 */
export function fitDye(hex: string, filmMm: number, load: number): Matter {
  const reflectance = smoothReflectanceOfXyz(xyzOfHex(hex));
  return {
    K: mapBands((band) => {
      const internal = Math.min(DYE_GROUND, belowSurface(reflectance[band] as number));
      return Math.max(0, -Math.log(internal / DYE_GROUND) / (2 * filmMm * load));
    }),
    S: new Float64Array(BANDS),
  };
}
