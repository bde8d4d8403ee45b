import { randomUUID } from "node:crypto";
import argon2 from "argon2";
import type { Database } from "./database";
import { checkPassword, hashPassword, refuseWeak } from "./passwords";
import { Refused } from "./refused";
import { peopleOf, signInBook } from "./repositories/people";
import { sessionBook } from "./repositories/sessions";
import { testDatabase, testShop, type TestShop } from "./testing/test-shop";

let db: Database;
let mine: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  mine = await testShop(db);
});
afterAll(() => db.sequelize.close());

const RIGHT = "the right password";
const anAddress = () => Array.from({ length: 4 }, () => Math.floor(Math.random() * 255)).join(".");
const from = (address: string, deviceId: string | null = null) => ({ address, deviceId });

async function somebody(shop: TestShop = mine, email = `${randomUUID()}@test.example`): Promise<string> {
  await peopleOf(db, shop.owner).add({
    name: "Door",
    email,
    role: "hand",
    units: "us",
    clock: "24h",
    passwordHash: await hashPassword(RIGHT),
  });
  return email;
}
/** What a try came to: in, or the code with which it was refused. */
const tried = (email: string, password: string, where: ReturnType<typeof from>): Promise<string> =>
  checkPassword(email, password, where).then(
    () => "in",
    (failure: unknown) => {
      if (failure instanceof Refused) return failure.error.code;
      throw failure;
    },
  );

test("repeated wrong ones slow down and say so; the right one goes through before that", async () => {
  const email = await somebody();
  const where = from(anAddress());
  expect(await tried(email, RIGHT, where)).toBe("in");
  const codes: string[] = [];
  for (let attempt = 0; attempt < 7; attempt += 1) codes.push(await tried(email, `wrong ${attempt}`, where));
  expect(codes).toEqual(["invalid", "invalid", "invalid", "invalid", "invalid", "slow-down", "slow-down"]);
  const shut = await checkPassword(email, RIGHT, where).catch((reason: unknown) => reason);
  expect((shut as Refused).error.message).toMatch(/Try again in \d+ seconds/);
});

test("many tries at once are as many tries", async () => {
  const email = await somebody();
  const where = from(anAddress());
  const codes = await Promise.all(Array.from({ length: 20 }, (_, at) => tried(email, `wrong ${at}`, where)));
  expect(codes.filter((code) => code === "invalid")).toHaveLength(5);
  expect(codes.filter((code) => code === "slow-down")).toHaveLength(15);
});

test("nobody elsewhere locks one out: not from another address, not in a browser where one signed in before", async () => {
  const email = await somebody();
  const [theirs, mineIs] = [anAddress(), anAddress()];
  for (let attempt = 0; attempt < 7; attempt += 1) await tried(email, "wrong", from(theirs));
  expect(await tried(email, RIGHT, from(theirs))).toBe("slow-down");
  expect(await tried(email, RIGHT, from(mineIs))).toBe("in");
  expect(await tried(email, RIGHT, from(theirs, randomUUID()))).toBe("in");
});

test("one address that tries many people is slowed down; one network of the sixth version is one address", async () => {
  const address = (at: number) => `2001:db8:7:${mine.owner.id.slice(0, 4)}::${at.toString(16)}`;
  const codes: string[] = [];
  for (let attempt = 0; attempt < 64; attempt += 1)
    codes.push(await tried(`${randomUUID()}@test.example`, "wrong", from(address(attempt))));
  expect(codes.slice(0, 60).every((code) => code === "invalid")).toBe(true);
  expect(codes.at(-1)).toBe("slow-down");
}, 60_000);

test("an old hash is made anew at the next sign-in, and counts that are over are purged", async () => {
  const email = await somebody();
  const [known] = await signInBook(db).credentials(email);
  const old = await argon2.hash(RIGHT, { memoryCost: 65_536, timeCost: 3, parallelism: 4 });
  await signInBook(db).setHash(known!.personId, old);
  expect(await tried(email, RIGHT, from(anAddress()))).toBe("in");
  const [after] = await signInBook(db).credentials(email);
  expect(after!.passwordHash).toContain("m=19456,t=2,p=1");
});

test("what anybody would try first is refused as a password", () => {
  const about = ["Lantern Yard", "ines@lantern-yard.example"];
  for (const weak of [
    "password123",
    "1234567890",
    "qwertyuiop",
    "aaaaaaaaaaaa",
    "lanternyard1",
    "gaugebeam2026",
  ])
    expect(() => refuseWeak(weak, about)).toThrow("guessed too easily");
  for (const good of ["pour-when-ready", "seven brass kettles", "Tz9#mmPq2!xv"])
    expect(() => refuseWeak(good, about)).not.toThrow();
});

test("one address may belong to people of several shops; none learns of the other", async () => {
  const other = await testShop(db);
  const email = await somebody();
  await expect(somebody(other, email)).resolves.toBe(email);
  await expect(somebody(mine, email)).rejects.toThrow("in this shop");
  const found = await checkPassword(email, RIGHT, from(anAddress()));
  expect(found.map(({ shopId }) => shopId).sort()).toEqual([mine.owner.shopId, other.owner.shopId].sort());
});

test("a new password ends all sessions; one can be ended, and all", async () => {
  const email = await somebody();
  const [known] = await signInBook(db).credentials(email);
  const me = (await signInBook(db).person(known!.personId))!;
  const sessions = sessionBook(db);
  const [one, two] = [await sessions.open(me.id, 14), await sessions.open(me.id, 14)];
  await sessions.end(one);
  expect(await sessions.person(one)).toBeNull();
  expect((await sessions.person(two))?.id).toBe(me.id);
  await peopleOf(db, me).setPassword(await hashPassword("another password of mine"));
  expect(await sessions.person(two)).toBeNull();
  const three = await sessions.open(me.id, 14);
  expect(await sessions.endAll(me.id)).toBe(1);
  expect(await sessions.person(three)).toBeNull();
});
