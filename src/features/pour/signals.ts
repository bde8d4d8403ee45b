/** What a pour calls attention to: an act that was waited for is due, a window that is closing, a weight that was taken. */
export type Signal = "due" | "closing" | "taken";

/** Tones one after the other: Hz, and when each begins, s. Due rises, closing falls, a weight is one short tone. */
const TONES: Record<Signal, readonly { hertz: number; atS: number }[]> = {
  due: [
    { hertz: 660, atS: 0 },
    { hertz: 880, atS: 0.28 },
  ],
  closing: [
    { hertz: 880, atS: 0 },
    { hertz: 740, atS: 0.28 },
    { hertz: 587, atS: 0.56 },
  ],
  taken: [{ hertz: 988, atS: 0 }],
};
const LASTS_S = 0.22;
const LOUDNESS = { on: 0.25, loud: 0.9 } as const;
/** On and off, ms. */
const BUZZES: Record<Signal, number[]> = { due: [200, 80, 200], closing: [400, 100, 400], taken: [80] };

let context: AudioContext | null = null;

/** Rings through the device's own loudspeaker; where the browser lets nothing ring, nothing does. */
export function ring(signal: Signal, loud: keyof typeof LOUDNESS): void {
  context ??= new AudioContext();
  for (const { hertz, atS } of TONES[signal]) {
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = hertz;
    const from = context.currentTime + atS;
    gain.gain.setValueAtTime(0, from);
    gain.gain.linearRampToValueAtTime(LOUDNESS[loud], from + 0.02);
    gain.gain.linearRampToValueAtTime(0, from + LASTS_S);
    tone.connect(gain).connect(context.destination);
    tone.start(from);
    tone.stop(from + LASTS_S);
  }
}

export const canVibrate = (): boolean => typeof navigator !== "undefined" && "vibrate" in navigator;
export const buzz = (signal: Signal): void => {
  if (canVibrate()) navigator.vibrate(BUZZES[signal]);
};

export const canSpeak = (): boolean => typeof window !== "undefined" && "speechSynthesis" in window;
/** Says it aloud, in place of what is being said. */
export function speak(words: string): void {
  if (!canSpeak()) return;
  const line = new SpeechSynthesisUtterance(words);
  line.lang = "en";
  speechSynthesis.cancel();
  speechSynthesis.speak(line);
}
