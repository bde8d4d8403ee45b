import { workerClient } from "@/workers/client";
import type { DaysCalls } from "@/workers/plan-days.worker";

const start = () => new Worker(new URL("../../../workers/plan-days.worker.ts", import.meta.url));

/** Works out the days of what is on the page. */
export const daysWorker = workerClient<DaysCalls>(start);
/** Looks for starts, which takes longer, beside it. */
export const startsWorker = workerClient<DaysCalls>(start);
