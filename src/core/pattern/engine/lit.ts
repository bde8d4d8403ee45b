import { flowOf, type Flow } from "./flow";
import { valueNoise, type Noise } from "./noise";
import { smooth } from "./op";
import { encodeLight, pictureOf, type Ink } from "./picture";
import type { Shares } from "./sheet";

/** Where the light stands over the piece: its direction in the plane, rad, and how far it leans from straight above, rad. */
export type Light = { azimuth: number; lean: number };
/** One lamp over the bench, at the back left. */
export const USUAL_LIGHT: Light = { azimuth: -2.2, lean: 0.42 };

/** What the light is shown to do; each can be left out. */
export type Shown = { flakes: boolean; filaments: boolean; depth: boolean; gloss: boolean };
export const ALL_SHOWN: Shown = { flakes: true, filaments: true, depth: true, gloss: true };

/** Filaments: wavelengths, mm, each 0.72 as high as the one before; so many times longer along the pour than across (assumed). */
const WAVES_MM = [34, 15, 6.5, 2.8] as const;
const LOWER = 0.72;
const LONGER = 4.5;
/** How fast a wave fades where a sample covers more of it. */
const FADES = 2.2;
/** Spread of flakes about their lie: the width of a metallic's highlight (assumed). */
const SPREAD = 0.3;
/** A metallic colour of which nothing was measured: brighter straight on, darker from the side (assumed). */
const PLAIN_METAL = { face: 1.32, flop: 0.5 };
/** Light that comes out beside where it went in: so much of it, from so far, mm. */
const BLURRED = 0.35;
const BLURS_MM = [2, 9] as const;
/** Refractive index of a clear epoxy (handbooks give 1.5 to 1.57, from memory). */
const INDEX = 1.5;
/** Each single flake is seen only where a sample is smaller than this, mm. */
const SPARKLES_BELOW_MM = 1.2;
/** The lamp is a long soft box at this height above the piece, mm, so long and wide half, mm; so bright (assumed). The eye stands before it. */
const LAMP = { highMm: 1300, longMm: 760, wideMm: 62, bright: 3.1, room: 0.16 };
const EYE_MM = 1500;
/** The clear coat is not quite flat: waves so long and so high, mm (assumed). */
const WAVED = { longMm: 240, highMm: 0.1 };

/** Over so much of its turn a tumbler's filaments go over into those that they begin with, mm. */
const SEAM_MM = 40;

/** A field of filaments, by the place where a colour was poured. */
function filaments(
  seed: number,
  angle: number,
  aroundMm: number | null,
): (x: number, y: number, footprintMm: number) => number {
  const octaves = WAVES_MM.map((wave, n) => valueNoise(seed + 31 * n, wave));
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const field = (x: number, y: number, footprintMm: number) => {
    const along = (c * x + s * y) / LONGER;
    const across = c * y - s * x;
    let sum = 0;
    let height = 1;
    for (let n = 0; n < octaves.length; n += 1) {
      const faded = (FADES * footprintMm) / (WAVES_MM[n] as number);
      sum += (height / (1 + faded * faded)) * (octaves[n] as Noise)(along, across);
      height *= LOWER;
    }
    return sum;
  };
  if (aroundMm === null) return field;
  // Around a tumbler the end of the field goes over into its beginning.
  const over = Math.min(SEAM_MM, aroundMm / 4);
  return (x, y, footprintMm) => {
    const turned = x - aroundMm * Math.floor(x / aroundMm);
    const here = field(turned, y, footprintMm);
    if (turned >= over) return here;
    const begun = smooth(turned / over);
    return begun * here + (1 - begun) * field(turned + aroundMm, y, footprintMm);
  };
}

/** The mean over so many samples on either side of each, along a row or a column: from `start`, `step` apart, `many` of them. */
function meanAlong(
  from: Float32Array,
  into: Float32Array,
  start: number,
  step: number,
  many: number,
  radius: number,
): void {
  const end = start + many * step;
  const reach = radius * step;
  let sum = 0;
  let counted = 0;
  for (let at = start; at < Math.min(end, start + reach); at += step, counted += 1) sum += from[at] as number;
  // Where all of it lies within, nothing has to be asked.
  const first = Math.min(end, start + reach + step);
  const last = Math.max(first, end - reach);
  const part = (begin: number, stop: number) => {
    for (let at = begin; at < stop; at += step) {
      if (at + reach < end) {
        sum += from[at + reach] as number;
        counted += 1;
      }
      if (at - reach - step >= start) {
        sum -= from[at - reach - step] as number;
        counted -= 1;
      }
      into[at] = sum / counted;
    }
  };
  part(start, first);
  const share = 1 / (2 * radius + 1);
  for (let at = first; at < last; at += step) {
    sum += (from[at + reach] as number) - (from[at - reach - step] as number);
    into[at] = sum * share;
  }
  if (last > first) counted = 2 * radius + 1;
  part(last, end);
}

/** The mean over a square about each sample, done twice: nearly what a bell would give. */
function blurred(of: Float32Array, widthPx: number, heightPx: number, radius: number): Float32Array {
  const rows = new Float32Array(of.length);
  const done = new Float32Array(of.length);
  for (const from of [of, done]) {
    for (let row = 0; row < heightPx; row += 1) meanAlong(from, rows, row * widthPx, 1, widthPx, radius);
    for (let column = 0; column < widthPx; column += 1)
      meanAlong(rows, done, column, widthPx, heightPx, radius);
  }
  return done;
}

/** So many rows beside a part are needed for it to be lit as in the whole. */
export const marginPx = (pixelMm: number): number => Math.ceil((2 * BLURS_MM[1]) / pixelMm) + 2;

/** A picture as it looks under a lamp: a view over the same shares, which neither measures nor critique ever see. */
export function litPictureOf(
  shares: Shares,
  inks: readonly Ink[],
  seed: number,
  angle: number,
  {
    light = USUAL_LIGHT,
    shown = ALL_SHOWN,
    late = new Set(),
    topMm,
    aroundMm = null,
  }: {
    light?: Light;
    shown?: Shown;
    /** Colours that were laid when the film was thick: they stay crisp. */
    late?: ReadonlySet<number>;
    /** The middle of the piece, mm: the lamp and the eye stand by it. */
    topMm: { x: number; y: number };
    /** Once around a tumbler, mm. */
    aroundMm?: number | null;
  },
): Uint8ClampedArray {
  const { widthPx, heightPx, pixelMm, fromX, fromY } = shares.sheet;
  const plain = !shown.filaments && !shown.depth && !shown.gloss;
  if (plain && !(shown.flakes && inks.some(({ metallic }) => metallic)))
    return pictureOf(shares, inks, seed, angle);
  const samples = widthPx * heightPx;
  const { channels, tight } = coloured(shares, inks, seed, angle, { light, shown, late, aroundMm });
  if (shown.depth) for (const channel of channels) scatter(channel, tight, widthPx, heightPx, pixelMm);
  const [red, green, blue] = channels;
  const out = new Uint8ClampedArray(samples * 4);
  const waves = [valueNoise(seed + 3, WAVED.longMm), valueNoise(seed + 4, WAVED.longMm)] as const;
  const uneven = valueNoise(seed + 5, 90);
  const mirrored = clearCoat(light);
  const sparkles = shown.flakes && pixelMm < SPARKLES_BELOW_MM;
  for (let row = 0; row < heightPx; row += 1)
    for (let column = 0; column < widthPx; column += 1) {
      const i = row * widthPx + column;
      const x = fromX + (column + 0.5) * pixelMm;
      const y = fromY + (row + 0.5) * pixelMm;
      const bright = sparkles ? 1 + sparkle(shares, inks, i, seed, uneven) : 1;
      const shine = shown.gloss ? mirrored(x - topMm.x, y - topMm.y, waves[0](x, y), waves[1](x, y)) : 0;
      const at = 4 * i;
      out[at] = encodeLight((red[i] as number) * bright + shine);
      out[at + 1] = encodeLight((green[i] as number) * bright + shine);
      out[at + 2] = encodeLight((blue[i] as number) * bright + shine);
      out[at + 3] = 255;
    }
  return out;
}

type Channels = readonly [Float32Array, Float32Array, Float32Array];

/** The colours as the lamp finds them, before light scatters in them; and how little of it does: metal and late lines do not glow. */
function coloured(
  shares: Shares,
  inks: readonly Ink[],
  seed: number,
  angle: number,
  {
    light,
    shown,
    late,
    aroundMm,
  }: { light: Light; shown: Shown; late: ReadonlySet<number>; aroundMm: number | null },
): { channels: Channels; tight: Float32Array } {
  const { sheet, weight, sourceX, sourceY } = shares;
  const { colours } = sheet;
  const samples = sheet.widthPx * sheet.heightPx;
  const { alongX, alongY, worked, footprintMm }: Flow = flowOf(shares, angle);
  // Two fields that have nothing to do with each other.
  const first = filaments(seed * 17, angle, aroundMm);
  const second = filaments(seed * 29 + 101, angle, aroundMm);
  const lamp = lampDirection(light);
  const faces = inks.map(facesOf);
  // White varies least: what it lacks is seen at once.
  const veiled = inks.map(({ rgb: [r, g, b] }) =>
    shown.filaments ? 0.02 + 0.16 * (1 - Math.sqrt(Math.min(1, 0.3 * r + 0.6 * g + 0.1 * b))) : 0,
  );
  const channel = () => new Float32Array(samples);
  const channels: Channels = [channel(), channel(), channel()];
  const tight = channel();
  for (let i = 0; i < samples; i += 1) {
    const x = sourceX[i] as number;
    const y = sourceY[i] as number;
    const fine = footprintMm[i] as number;
    const f = first(x, y, fine);
    /** How far the flakes show their faces; worked out where there are any. */
    let shows = -1;
    let r = 0;
    let g = 0;
    let b = 0;
    let all = 0;
    let closed = 0;
    for (let colour = 0; colour < colours; colour += 1) {
      const share = weight[colour * samples + i] as number;
      const ink = inks[colour];
      if (share === 0 || !ink) continue;
      all += share;
      if (ink.metallic && shown.flakes) {
        if (shows < 0) {
          // Flakes lean with what they float in: across the flow by its filaments, along it where it was drawn out.
          const over = 0.62 * (0.85 * second(x, y, fine) + 0.5 * f);
          const along = 0.22 * f + 0.1 * (worked[i] as number);
          const ex = alongX[i] as number;
          const ey = alongY[i] as number;
          shows = highlight(ex * along - ey * over, ey * along + ex * over, lamp);
        }
        const bright = share * (0.85 + 0.6 * shows);
        const [face, flop] = faces[colour] as Faces;
        r += bright * (flop[0] + shows * (face[0] - flop[0]));
        g += bright * (flop[1] + shows * (face[1] - flop[1]));
        b += bright * (flop[2] + shows * (face[2] - flop[2]));
        closed += 0.7 * share;
      } else {
        const glow = share * (1 + (veiled[colour] as number) * f);
        r += glow * ink.rgb[0];
        g += glow * ink.rgb[1];
        b += glow * ink.rgb[2];
        if (late.has(colour)) closed += share;
      }
    }
    const whole = Math.max(1e-6, all);
    channels[0][i] = r / whole;
    channels[1][i] = g / whole;
    channels[2][i] = b / whole;
    tight[i] = Math.min(1, closed / whole);
  }
  return { channels, tight };
}

type Vector = readonly [number, number, number];

function lampDirection({ azimuth, lean }: Light): Vector {
  // Half way between the lamp and an eye straight above.
  const half = lean / 2;
  return [Math.sin(half) * Math.cos(azimuth), Math.sin(half) * Math.sin(azimuth), Math.cos(half)];
}

/** How far a flake of this lean shows its face: 1 where it mirrors the lamp to the eye (Beckmann's slope distribution, without its height). */
export function highlight(leanX: number, leanY: number, [hx, hy, hz]: Vector): number {
  const cosine = (leanX * hx + leanY * hy + hz) / Math.sqrt(leanX * leanX + leanY * leanY + 1);
  if (cosine <= 0) return 0;
  return Math.exp(-(1 / (cosine * cosine) - 1) / (2 * SPREAD * SPREAD));
}

type Faces = readonly [face: Ink["rgb"], flop: Ink["rgb"]];
const facesOf = ({ rgb: [r, g, b], face, flop }: Ink): Faces => [
  face ?? [r * PLAIN_METAL.face, g * PLAIN_METAL.face, b * PLAIN_METAL.face],
  flop ?? [r * PLAIN_METAL.flop, g * PLAIN_METAL.flop, b * PLAIN_METAL.flop],
];

/** Mixes in what comes out beside where it went in. */
function scatter(
  channel: Float32Array,
  tight: Float32Array,
  widthPx: number,
  heightPx: number,
  pixelMm: number,
): void {
  const [near, wide] = BLURS_MM.map((mm) =>
    blurred(channel, widthPx, heightPx, Math.max(1, Math.round(mm / pixelMm / 1.4))),
  ) as [Float32Array, Float32Array];
  for (let i = 0; i < channel.length; i += 1) {
    const part = BLURRED * (1 - (tight[i] as number));
    const beside = ((near[i] as number) + (wide[i] as number)) / 2;
    channel[i] = (channel[i] as number) * (1 - part) + part * beside;
  }
}

/** A cheap number of two whole ones and a seed, 0 to 1. */
function chance(a: number, b: number, seed: number): number {
  let mixed = Math.imul(a | 0, 374761393) ^ Math.imul(b | 0, 668265263) ^ Math.imul(seed | 0, 2246822519);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 1274126177);
  return ((mixed ^ (mixed >>> 16)) >>> 0) / 4294967296;
}

/** Flakes large enough to be seen each, that happen to face the lamp: few, and more in some places than in others. */
function sparkle(
  { sheet, weight, sourceX, sourceY }: Shares,
  inks: readonly Ink[],
  i: number,
  seed: number,
  uneven: Noise,
): number {
  const samples = sheet.widthPx * sheet.heightPx;
  let metal = 0;
  for (let colour = 0; colour < sheet.colours; colour += 1)
    if (inks[colour]?.metallic) metal += weight[colour * samples + i] as number;
  if (metal < 0.3) return 0;
  const x = sourceX[i] as number;
  const y = sourceY[i] as number;
  const dense = 0.006 * (1 + uneven(x, y));
  const drawn = chance(Math.floor(x / 0.7), Math.floor(y / 0.7), seed);
  return drawn < dense ? metal * 0.9 * (1 - drawn / Math.max(1e-6, dense)) : 0;
}

/** What a clear coat mirrors at a place, from the middle of the piece, mm: one long soft lamp over part of it, and a dim room. */
function clearCoat({ azimuth, lean }: Light): (x: number, y: number, waveX: number, waveY: number) => number {
  const [c, s] = [Math.cos(azimuth), Math.sin(azimuth)];
  const lampMm = Math.tan(lean) * LAMP.highMm;
  // From the eye down to the piece and up again to where the lamp hangs; a tilt of the surface counts twice.
  const reach = 1 + LAMP.highMm / EYE_MM;
  const tilt = (2 * LAMP.highMm * 2 * Math.PI * WAVED.highMm) / WAVED.longMm;
  const soft = (distance: number, half: number) =>
    1 / (1 + Math.exp((Math.abs(distance) - half) / (0.28 * half)));
  return (x, y, waveX, waveY) => {
    const dx = reach * x + tilt * waveX - lampMm * c;
    const dy = reach * y + tilt * waveY - lampMm * s;
    // The lamp hangs across the direction in which it stands.
    const lamp = soft(c * dy - s * dx, LAMP.longMm) * soft(c * dx + s * dy, LAMP.wideMm);
    const cosine = EYE_MM / Math.sqrt(x * x + y * y + EYE_MM * EYE_MM);
    return fresnel(cosine) * (LAMP.bright * lamp + LAMP.room);
  };
}

/** Share of unpolarised light that a clear coat mirrors, by the cosine of the angle at which it comes (Fresnel 1823). */
export function fresnel(cosine: number): number {
  const outside = Math.min(1, Math.max(0, cosine));
  const inside = Math.sqrt(1 - (1 - outside * outside) / (INDEX * INDEX));
  const s = (outside - INDEX * inside) / (outside + INDEX * inside);
  const p = (inside - INDEX * outside) / (inside + INDEX * outside);
  return (s * s + p * p) / 2;
}
