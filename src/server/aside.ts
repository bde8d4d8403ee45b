import "server-only";
import { join } from "node:path";
import pLimit from "p-limit";
import Piscina from "piscina";
import type { Person } from "@/contracts/people";
import { Refused } from "./refused";

/** Something that is worked out of a user's document aside of the server's main thread, by its name in `src/app/aside/tasks.ts`. */
export type AsideTask<Input, Output> = { name: string; input?: Input; output?: Output };
export const asideTask = <Input, Output>(name: string): AsideTask<Input, Output> => ({ name });

/** A document that takes longer is not worked out on the server; its thread is ended, ms. */
const LONGEST_MS = Number(process.env["GAUGEBEAM_ASIDE_MS"] ?? 15_000);
const THREADS = 2;

const holder = globalThis as typeof globalThis & {
  gaugebeamAside?: { pool: Piscina; shops: Map<string, ReturnType<typeof pLimit>> };
};

function asides() {
  if (!holder.gaugebeamAside) {
    const pool = new Piscina({
      filename: process.env["GAUGEBEAM_ASIDE"] ?? join(process.cwd(), ".next", "aside.mjs"),
      minThreads: 1,
      maxThreads: THREADS,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: 512 },
    });
    // A thread that dies between two tasks takes nothing with it.
    pool.on("error", (failure) => console.error("A thread aside ended:", failure));
    holder.gaugebeamAside = { pool, shops: new Map() };
  }
  return holder.gaugebeamAside;
}

/** Ends the threads; for tests. */
export const endAsides = async (): Promise<void> => {
  await holder.gaugebeamAside?.pool.destroy();
  delete holder.gaugebeamAside;
};

/** One piece of work of a shop at a time, so that no page waits behind all the work of another shop. */
async function inTurnOf<Value>(shopId: string, work: () => Promise<Value>): Promise<Value> {
  const { shops } = asides();
  const turn = shops.get(shopId) ?? pLimit(1);
  shops.set(shopId, turn);
  try {
    return await turn(work);
  } finally {
    if (turn.activeCount + turn.pendingCount === 0) shops.delete(shopId);
  }
}

/**
 * Works something out in a thread of its own.
 * @throws Refused where it takes too long
 */
export function aside<Input, Output>(
  person: Pick<Person, "shopId">,
  { name }: AsideTask<Input, Output>,
  input: Input,
): Promise<Output> {
  return inTurnOf(person.shopId, async () => {
    const signal = AbortSignal.timeout(LONGEST_MS);
    try {
      return (await asides().pool.run({ name, input }, { signal })) as Output;
    } catch (failure) {
      if (!signal.aborted) throw failure;
      throw new Refused({
        code: "unreadable",
        message:
          "This is more than the server works out in a quarter of a minute. Make it simpler, or split it into several jobs.",
      });
    }
  });
}
