import type { Transaction } from "sequelize";
import type { Database } from "./database";

/** MariaDB undid one of two transactions that stood in each other's way, or one waited too long for a row. */
const AGAIN = new Set(["ER_LOCK_DEADLOCK", "ER_LOCK_WAIT_TIMEOUT"]);
const TRIES = 5;

const codeOf = (failure: unknown): string =>
  String(
    (failure as { parent?: { code?: string } }).parent?.code ?? (failure as { code?: string }).code ?? "",
  );

/**
 * Does a piece of work whole or not at all. What MariaDB undid for another's sake, at whichever statement or at the commit itself, is done
 * again from its beginning: never a single statement alone, which would leave out what came before it.
 */
export async function inTransaction<Value>(
  db: Database,
  work: (transaction: Transaction) => Promise<Value>,
): Promise<Value> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db.sequelize.transaction(work);
    } catch (failure) {
      if (attempt >= TRIES || !AGAIN.has(codeOf(failure))) throw failure;
      await new Promise((resolve) => setTimeout(resolve, 10 * attempt * (1 + Math.random())));
    }
  }
}
