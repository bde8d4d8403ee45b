import "server-only";
import argon2 from "argon2";
import { RateLimiterMySQL } from "rate-limiter-flexible";
import { database } from "./database";
import { Refused } from "./refused";
import { signInBook } from "./repositories/people";
import { readSettings } from "./settings";

export const hashPassword = (password: string) => argon2.hash(password);

/** Five wrong passwords in fifteen minutes; then each further try waits a minute. Kept in the database, so that every process sees it. */
const FREE_TRIES = 5;
const WINDOW_S = 15 * 60;
const WAIT_S = 60;

let limiter: RateLimiterMySQL | undefined;

function tries(): RateLimiterMySQL {
  limiter ??= new RateLimiterMySQL({
    storeClient: database().sequelize,
    storeType: "sequelize",
    dbName: readSettings().database.name,
    tableName: "sign_in_attempts",
    tableCreated: true,
    keyPrefix: "sign-in",
    points: FREE_TRIES,
    duration: WINDOW_S,
    blockDuration: WAIT_S,
    clearExpiredByTimeout: false,
  });
  return limiter;
}

/** A hash to verify against when nobody has the address, so that both refusals take as long. */
const nobody = argon2.hash("nobody signs in with this");

/**
 * Checks an e-mail address and a password.
 * @throws Refused in words: wrong, or wrong too often and how long to wait.
 */
export async function checkPassword(
  email: string,
  password: string,
): Promise<{ personId: string; sessionVersion: number }> {
  const before = await tries().get(email);
  if (before && before.consumedPoints > FREE_TRIES && before.msBeforeNext > 0)
    throw tooOften(before.msBeforeNext);
  const known = await signInBook(database()).credentials(email);
  const right = await argon2.verify(known?.passwordHash ?? (await nobody), password);
  if (known && right) {
    await tries().delete(email);
    return { personId: known.personId, sessionVersion: known.sessionVersion };
  }
  try {
    const after = await tries().consume(email);
    const left = after.remainingPoints;
    throw new Refused({
      code: "invalid",
      field: "password",
      message: `E-mail address and password do not go together.${left <= 2 ? ` ${left === 0 ? "One more wrong try and you wait a minute." : `${left + 1} tries left before a wait.`}` : ""}`,
    });
  } catch (failure) {
    if (failure instanceof Refused || failure instanceof Error) throw failure;
    throw tooOften((failure as { msBeforeNext: number }).msBeforeNext);
  }
}

function tooOften(waitMs: number): Refused {
  const seconds = Math.max(1, Math.ceil(waitMs / 1000));
  return new Refused({
    code: "slow-down",
    field: "password",
    message: `Too many wrong passwords. Try again in ${seconds} seconds.`,
  });
}
