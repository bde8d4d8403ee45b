/** Puts one question to a worker of its own; a call of `cancel` ends the work and the worker. Null when it failed or was cancelled. */
export function ask<Answer>(
  worker: Worker,
  question: unknown,
): { answer: Promise<Answer | null>; cancel: () => void } {
  let finish: (answer: Answer | null) => void = () => {};
  const answer = new Promise<Answer | null>((resolve) => {
    finish = (found) => {
      worker.terminate();
      resolve(found);
    };
    worker.onmessage = ({ data }: MessageEvent<Answer>) => finish(data);
    worker.onerror = () => finish(null);
    worker.postMessage(question);
  });
  return { answer, cancel: () => finish(null) };
}
