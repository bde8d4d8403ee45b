import type { DaysAnswer, DaysQuestion } from "@/workers/plan-days.worker";

/** Works out days off the main thread; a call of `cancel` ends the work and its worker. */
export function askDays(question: DaysQuestion): {
  answer: Promise<DaysAnswer | null>;
  cancel: () => void;
} {
  const worker = new Worker(new URL("../../../workers/plan-days.worker.ts", import.meta.url));
  let finish: (answer: DaysAnswer | null) => void = () => {};
  const answer = new Promise<DaysAnswer | null>((resolve) => {
    finish = (found) => {
      worker.terminate();
      resolve(found);
    };
    worker.onmessage = ({ data }: MessageEvent<DaysAnswer>) => finish(data);
    worker.onerror = () => finish(null);
    worker.postMessage(question);
  });
  return { answer, cancel: () => finish(null) };
}
