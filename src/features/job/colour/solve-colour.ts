import type { Proposal, SolveFor } from "@/core/colour/solve";
import type { SolveMessage } from "@/workers/solve-colour.worker";

/** Looks for recipes off the main thread; a call of `cancel` ends the search and its worker. */
export function solveInWorker(
  question: SolveFor,
  onProgress: (share: number) => void,
): { answer: Promise<Proposal[] | null>; cancel: () => void } {
  const worker = new Worker(new URL("../../../workers/solve-colour.worker.ts", import.meta.url));
  let finish: (proposals: Proposal[] | null) => void = () => {};
  const answer = new Promise<Proposal[] | null>((resolve) => {
    finish = (proposals) => {
      worker.terminate();
      resolve(proposals);
    };
    worker.onmessage = ({ data }: MessageEvent<SolveMessage>) => {
      if ("progress" in data) onProgress(data.progress);
      else finish(data.proposals);
    };
    worker.onerror = () => finish(null);
    worker.postMessage(question);
  });
  return { answer, cancel: () => finish(null) };
}
