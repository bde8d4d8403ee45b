import "server-only";
import { join } from "node:path";
import pLimit from "p-limit";
import Piscina from "piscina";
import type { Person } from "@/contracts/people";
import { Refused } from "./refused";

/** Something that is worked out of a user's document aside of the server's main thread, by its name in `src/app/aside/tasks.ts`. */
export type AsideTask<Input, Output> = { name: string; road: Road; input?: Input; output?: Output };
export const asideTask = <Input, Output>(road: Road, name: string): AsideTask<Input, Output> => ({
  name,
  road,
});

/** What a page waits for goes its own road, so that it never waits behind a sheet of three hundred batches. */
type Road = "page" | "sheet";

/** What takes longer is not worked out on the server; its thread is ended, ms. */
const LONGEST_MS: Record<Road, number> = { page: 4000, sheet: 15_000 };
const longestMs = (road: Road) => Number(process.env["GAUGEBEAM_ASIDE_MS"] ?? LONGEST_MS[road]);

/** Of a road: a shop takes one of them at most, so that another one's work finds the other free. */
const THREADS = 2;

type Pool = { threads: Piscina; turns: Map<string, ReturnType<typeof pLimit>> };

const holder = globalThis as typeof globalThis & { gaugebeamAside?: Partial<Record<Road, Pool>> };

/** A road's threads, made when they are first asked for. */
function poolOf(road: Road): Pool {
  const pools = (holder.gaugebeamAside ??= {});
  const known = pools[road];
  if (known) return known;
  const threads = new Piscina({
    filename: process.env["GAUGEBEAM_ASIDE"] ?? join(process.cwd(), ".next", "aside.mjs"),
    minThreads: 1,
    maxThreads: THREADS,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });
  // A thread that dies between two tasks takes nothing with it.
  threads.on("error", (failure) => console.error("A thread aside ended:", failure));
  const made = { threads, turns: new Map() };
  pools[road] = made;
  return made;
}

/** Ends the threads; for tests. */
export const endAsides = async (): Promise<void> => {
  for (const { threads } of Object.values(holder.gaugebeamAside ?? {})) await threads.destroy();
  delete holder.gaugebeamAside;
};

/** One piece of work of a shop at a time, so that no shop waits behind all the work of another. */
async function inTurnOf<Value>({ turns }: Pool, shopId: string, work: () => Promise<Value>): Promise<Value> {
  const turn = turns.get(shopId) ?? pLimit(1);
  turns.set(shopId, turn);
  try {
    return await turn(work);
  } finally {
    if (turn.activeCount + turn.pendingCount === 0) turns.delete(shopId);
  }
}

/**
 * Works something out in a thread of its own.
 * @throws Refused where it takes too long
 */
export function aside<Input, Output>(
  person: Pick<Person, "shopId">,
  { name, road }: AsideTask<Input, Output>,
  input: Input,
): Promise<Output> {
  const pool = poolOf(road);
  return inTurnOf(pool, person.shopId, async () => {
    const signal = AbortSignal.timeout(longestMs(road));
    try {
      return (await pool.threads.run({ name, input }, { signal })) as Output;
    } catch (failure) {
      if (!signal.aborted) throw failure;
      throw new Refused({
        code: "unreadable",
        message:
          "This is more than the server works out in good time. Make it simpler, or split it into several jobs.",
      });
    }
  });
}
