import "server-only";
import { createHash } from "node:crypto";
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";
import argon2 from "argon2";
import pLimit from "p-limit";
import { RateLimiterMySQL } from "rate-limiter-flexible";
import { database } from "./database";
import { Refused } from "./refused";
import { signInBook, type Credentials } from "./repositories/people";
import { readSettings } from "./settings";

/** OWASP Password Storage Cheat Sheet, argon2id: 19 MiB, two passes, one lane. */
const HASH = { type: argon2.argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Hashing is slow by intent and takes the threads that everything else needs too: one at a time, and a queue that has an end. */
const hashing = pLimit(1);
const MOST_WAITING = 40;

function inTurn<Value>(work: () => Promise<Value>): Promise<Value> {
  if (hashing.pendingCount >= MOST_WAITING)
    throw new Refused({
      code: "slow-down",
      field: "password",
      message: "Many people sign in just now. Try again in a few seconds.",
    });
  return hashing(work);
}

export const hashPassword = (password: string): Promise<string> => inTurn(() => argon2.hash(password, HASH));

let judge: ZxcvbnFactory | undefined;
/** Below this (of 4) a password is guessed in under ten thousand million tries. */
const LEAST_SCORE = 3;
/** The judge takes longer the longer a word is; beyond this length more is no weaker. */
const JUDGED_LETTERS = 64;

/** @throws Refused for a password that would be guessed, with what to do. `about`: names that anybody would try first. */
export function refuseWeak(password: string, about: readonly string[]): void {
  judge ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = about
    .flatMap((text) => [text, ...text.split(/[^\p{L}\p{N}]+/u)])
    .filter((word) => word.length > 2);
  if (judge.check(password.slice(0, JUDGED_LETTERS), ["gaugebeam", ...words]).score >= LEAST_SCORE) return;
  throw new Refused({
    code: "invalid",
    field: "password",
    message: "This one is guessed too easily. Three or four words that do not belong together hold well.",
  });
}

/** Tries with wrong passwords in fifteen minutes: for one person from one address or one known browser, and from one address in all. */
const WINDOW_S = 15 * 60;
const FREE_TRIES = 5;
const TRIES_OF_ADDRESS = 60;
const WAIT_S = 60;
const PURGE_MS = 10 * 60_000;

type Limits = { person: RateLimiterMySQL; address: RateLimiterMySQL };
let limits: Limits | undefined;
let purgedAt = 0;

function tries(): Limits {
  const limiter = (keyPrefix: string, points: number) =>
    new RateLimiterMySQL({
      storeClient: database().sequelize,
      storeType: "sequelize",
      dbName: readSettings().database.name,
      tableName: "sign_in_attempts",
      tableCreated: true,
      keyPrefix,
      points,
      duration: WINDOW_S,
      blockDuration: WAIT_S,
      clearExpiredByTimeout: false,
    });
  limits ??= { person: limiter("person", FREE_TRIES), address: limiter("address", TRIES_OF_ADDRESS) };
  return limits;
}

/** Counts that are over are thrown away, now and then. */
async function purge(): Promise<void> {
  if (Date.now() - purgedAt < PURGE_MS) return;
  purgedAt = Date.now();
  await database().sequelize.query("DELETE FROM sign_in_attempts WHERE expire < ? LIMIT 5000", {
    replacements: [Date.now()],
  });
}

/** Where a try comes from. A browser in which this person signed in before counts for itself, so that nobody elsewhere can lock its owner out. */
export type TriedFrom = { address: string; deviceId: string | null };

/** Of an address of the sixth version the network, since one line has many: its first four groups. */
const networkOf = (address: string) => {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/.exec(address);
  return mapped?.[1] ?? (address.includes(":") ? address.split(":").slice(0, 4).join(":") : address);
};
const short = (text: string) => createHash("sha256").update(text).digest("hex").slice(0, 32);

/** A hash to verify against when nobody has the address, so that both refusals take as long. */
let nobody: Promise<string> | undefined;
/** So many passwords are checked for every try, so that the time it takes does not tell in how many shops an address is known. */
const CHECKS = 2;

/**
 * Checks an e-mail address and a password.
 * @returns the people who sign in with both: one, or more where the same person works for several shops
 * @throws Refused in words: wrong, or wrong too often and how long to wait.
 */
export async function checkPassword(
  email: string,
  password: string,
  from: TriedFrom,
): Promise<[Credentials, ...Credentials[]]> {
  const { person, address } = tries();
  const personKey = short(`${email} ${from.deviceId ?? networkOf(from.address)}`);
  const addressKey = short(networkOf(from.address));
  await purge();
  // Counted before it is checked: many tries at once are as many tries.
  const counted = await counting(() => person.consume(personKey));
  if (!from.deviceId) await counting(() => address.consume(addressKey));
  const known = await signInBook(database()).credentials(email);
  nobody ??= hashPassword("nobody signs in with this");
  const right: Credentials[] = [];
  for (let check = 0; check < Math.max(CHECKS, known.length); check += 1) {
    const credentials = known[check];
    const hash = credentials?.passwordHash ?? (await nobody);
    if ((await inTurn(() => argon2.verify(hash, password))) && credentials) right.push(credentials);
  }
  const [first, ...more] = right;
  if (first) {
    await person.delete(personKey);
    if (!from.deviceId) await address.reward(addressKey, 1);
    for (const credentials of right)
      if (argon2.needsRehash(credentials.passwordHash, HASH))
        await signInBook(database()).setHash(credentials.personId, await hashPassword(password));
    return [first, ...more];
  }
  const left = counted.remainingPoints;
  throw new Refused({
    code: "invalid",
    field: "password",
    message: `E-mail address and password do not go together.${left <= 2 ? ` ${left === 0 ? "One more wrong try and you wait a minute." : `${left + 1} tries left before a wait.`}` : ""}`,
  });
}

async function counting<Counted>(consume: () => Promise<Counted>): Promise<Counted> {
  try {
    return await consume();
  } catch (failure) {
    if (failure instanceof Error) throw failure;
    const seconds = Math.max(1, Math.ceil((failure as { msBeforeNext: number }).msBeforeNext / 1000));
    throw new Refused({
      code: "slow-down",
      field: "password",
      message: `Too many wrong passwords. Try again in ${seconds} seconds.`,
    });
  }
}
