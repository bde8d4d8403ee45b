import type { Box } from "../../geometry/ring";
import type { Op } from "../engine/op";
import { lay } from "../ops/lay";
import { touchProfile, type Touch } from "../ops/profile";
import { stroke } from "../ops/stroke";
import { around, between, sourceOf, spread } from "./random";

/** How a tool is drawn: straight, swaying, along arcs, or as the hand goes. */
export type Way = "straight" | "sway" | "arc" | "free";

/**
 * How far a tool carries the surface under its middle in one pass of usual pressure, mm; how it smears along it; how wide it is, mm; and how
 * firmly it stands in the film against a wide blade (assumed, uncalibrated).
 */
export const TOUCHES: Record<Touch, { contactMm: number; smear: number; wideMm: number; firm: number }> = {
  hand: { contactMm: 40, smear: 0.05, wideMm: 80, firm: 0.7 },
  roller: { contactMm: 25, smear: 0.04, wideMm: 100, firm: 0.8 },
  fingers: { contactMm: 29, smear: 0.03, wideMm: 70, firm: 0.6 },
  stick: { contactMm: 25, smear: 0.02, wideMm: 6, firm: 0.3 },
  skim: { contactMm: 5, smear: 0.9, wideMm: 100, firm: 0.9 },
  comb: { contactMm: 29, smear: 0.03, wideMm: 220, firm: 0.7 },
  squeegee: { contactMm: 34, smear: 0.08, wideMm: 250, firm: 1 },
  "foam-brush": { contactMm: 18, smear: 0.35, wideMm: 50, firm: 0.5 },
};

/** A hand comes down and lifts over this part of half a pull. */
const SOFT = 0.55;
/** Strokes are held to this, mm: longer ones would be split. */
const LONGEST_DRAG = 58;

/** Drag of one pull, mm: contact · (0.4 + 1.2 · pressure), as a Couette film drags one contact length whatever the speed. */
export const dragOf = (touch: Touch, pressure: number, times: number): number =>
  Math.min(LONGEST_DRAG, TOUCHES[touch].contactMm * (0.4 + 1.2 * pressure) * times);

/** How far a pull still carries by the flow that is left, 1 fresh (assumed). */
export const carried = (flowLeft: number) => Math.sqrt(Math.max(0.02, flowLeft)) * 0.9 + 0.1;
/** From so little flow left on, a film tears rather than gives (assumed). */
const TEARS_FROM = 0.12;
export const tearing = (flowLeft: number) => Math.max(0, 1 - flowLeft / TEARS_FROM);

/** Pulls of a tool all over the piece: coarse ones first, mostly along one direction. */
export function pulls(
  box: Box,
  {
    touch,
    many,
    dragMm,
    halfMm,
    angle,
    turnRad,
    way = "free",
    tears = 0,
    again = 0,
    pressure = 0.5,
    seed,
  }: {
    touch: Touch;
    many: number;
    dragMm: number;
    halfMm: number;
    angle: number;
    turnRad: number;
    way?: Way;
    /** 0 on a runny film to 1 on one that hardly moves. */
    tears?: number;
    /** The first, coarsest part of the pulls is done twice over, 0 to 1. */
    again?: number;
    pressure?: number;
    seed: number;
  },
): Op[] {
  const random = sourceOf(seed, 37 + touch.length);
  const { smear, wideMm, firm } = TOUCHES[touch];
  return spread(around(box, 20), many, random).flatMap(({ x, y }, n) => {
    const finer = 1 - (0.45 * n) / Math.max(1, many);
    const chance = random();
    const path = way === "free" ? (chance < 0.35 ? "sway" : chance < 0.75 ? "arc" : "straight") : way;
    const half = halfMm * finer * between(random, 0.7, 1.2);
    const bent =
      path === "sway"
        ? {
            wave: {
              heightMm: between(random, 0.03, 0.1) * half,
              lengthMm: half * between(random, 1.1, 1.9),
              phase: 6.28 * random(),
            },
          }
        : path === "arc"
          ? { arcMm: half * between(random, 1.2, 3) * (random() < 0.5 ? 1 : -1) }
          : {};
    const to = angle + between(random, -turnRad, turnRad) + (random() < 0.5 ? Math.PI : 0);
    const drawn = stroke({
      x,
      y,
      angle: to,
      halfMm: half,
      softMm: SOFT * half,
      dragMm: Math.min(LONGEST_DRAG, dragMm * finer * between(random, 0.7, 1.2)),
      profile: touchProfile(touch, seed * 17 + n, tears),
      smear: smear * (1 + tears),
      ...bent,
    });
    const pull = { ...drawn, press: { x, y, angle: to, halfMm: half, wideMm, pressure: pressure * firm } };
    return n < again * many ? [pull, pull] : [pull];
  });
}

/** A wide blade drawn from the edges inwards, at changing angles: colour laid over colour. */
export function blades(
  box: Box,
  {
    many,
    widthMm,
    lengthMm,
    share,
    pressure,
    seed,
  }: { many: number; widthMm: number; lengthMm: number; share: number; pressure: number; seed: number },
): Op[] {
  const random = sourceOf(seed, 43);
  const [middleX, middleY] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  return spread(box, many, random).map(({ x, y }, n) => {
    const inwards = Math.atan2(middleY - y, middleX - x);
    const half = (lengthMm / 2) * between(random, 0.7, 1.2);
    const angle = inwards + between(random, -0.7, 0.7);
    const wideMm = widthMm * between(random, 0.8, 1.1);
    return {
      ...lay({ x, y, angle, halfMm: half, widthMm: wideMm, dragMm: 2 * half * share, seed: seed * 19 + n }),
      press: { x, y, angle, halfMm: half, wideMm, pressure },
    };
  });
}
