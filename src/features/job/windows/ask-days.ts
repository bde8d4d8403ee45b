import { ask } from "@/workers/ask";
import type { DaysAnswer, DaysQuestion } from "@/workers/plan-days.worker";

/** Works out days off the main thread. */
export const askDays = (question: DaysQuestion) =>
  ask<DaysAnswer>(new Worker(new URL("../../../workers/plan-days.worker.ts", import.meta.url)), question);
