import { scaleLine } from "@/core/instruments/scale-line";

/** How a simulated scale behaves; grams, seconds. */
export type ScaleHabits = {
  stepG: number;
  /** Random, up and down, as one standard deviation. */
  noiseG: number;
  /** It creeps by so much. */
  driftGPerS: number;
  /** It is at rest after so long without a change. */
  settlesS: number;
};

export const USUAL_HABITS: ScaleHabits = { stepG: 0.1, noiseG: 0.02, driftGPerS: 0, settlesS: 0.4 };

/** A bench scale to pour into. Time passes only by {@link pass}, chance only by its seed. */
export class SimulatedScale {
  private loadG = 0;
  private tareG = 0;
  private leanG = 0;
  private flowGPerS = 0;
  private untilG = Infinity;
  private quietS = Infinity;
  private chance: number;

  constructor(
    public habits: ScaleHabits = USUAL_HABITS,
    seed = 1,
  ) {
    this.chance = seed >>> 0 || 1;
  }

  /** Between 0 and 1 (xorshift, Marsaglia 2003). */
  private random(): number {
    this.chance ^= this.chance << 13;
    this.chance >>>= 0;
    this.chance ^= this.chance >>> 17;
    this.chance ^= this.chance << 5;
    this.chance >>>= 0;
    return this.chance / 2 ** 32;
  }

  private moved(): void {
    this.quietS = 0;
  }

  /** Poured at a rate from now on, until so much more lies on it; 0 stops. */
  pour(gPerS: number, mostG = Infinity): void {
    this.flowGPerS = gPerS;
    this.untilG = this.loadG + mostG;
  }
  /** Something is put on it, or taken off. */
  put(grams: number): void {
    this.loadG = Math.max(0, this.loadG + grams);
    this.moved();
  }
  tare(): void {
    this.tareG = this.loadG + this.leanG;
    this.moved();
  }
  /** Somebody leans on the bench, or stops. */
  lean(grams: number): void {
    this.leanG = grams;
    this.moved();
  }

  pass(seconds: number): void {
    this.quietS += seconds;
    this.loadG += this.habits.driftGPerS * seconds;
    if (this.flowGPerS <= 0) return;
    this.moved();
    this.loadG = Math.min(this.untilG, this.loadG + this.flowGPerS * seconds);
    if (this.loadG >= this.untilG) this.flowGPerS = 0;
  }

  /** What lies on it without what was tared, truly, g. */
  get trueG(): number {
    return this.loadG - this.tareG;
  }

  /** What it prints now. */
  line(): string {
    // The sum of four is near enough to a bell curve, its standard deviation 1/√3.
    const noise = Math.sqrt(3) * (this.random() + this.random() + this.random() + this.random() - 2);
    const shown = this.trueG + this.leanG + this.habits.noiseG * noise;
    const { stepG, settlesS } = this.habits;
    return scaleLine(Math.round(shown / stepG) * stepG, this.quietS >= settlesS && this.leanG === 0);
  }
}
