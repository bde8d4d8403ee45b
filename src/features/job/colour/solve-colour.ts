import { workerClient } from "@/workers/client";
import type { SolveCalls } from "@/workers/solve-colour.worker";

/** Looks for recipes off the main thread. */
export const solveWorker = workerClient<SolveCalls>(
  () => new Worker(new URL("../../../workers/solve-colour.worker.ts", import.meta.url)),
);
