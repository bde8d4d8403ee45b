import { randomUUID } from "node:crypto";
import type { Person } from "@/contracts/people";
import type { Database } from "../database";
import { ownDatabase } from "../testing/own-database";
import { migrate } from "../migrate";
import { peopleOf, signInBook } from "./people";
import { testDatabase, testShop } from "../testing/test-shop";

let db: Database;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(() => db.sequelize.close());

test("two owners who demote or remove each other at once leave one", async () => {
  for (let round = 0; round < 12; round += 1) {
    const { owner } = await testShop(db);
    const id = await peopleOf(db, owner).add({
      name: "Second",
      email: `${randomUUID()}@test.example`,
      role: "owner",
      units: "us",
      clock: "24h",
      passwordHash: "-",
    });
    const second: Person = { ...owner, id };
    await Promise.allSettled(
      round % 2 === 0
        ? [peopleOf(db, owner).setRole(second.id, "hand"), peopleOf(db, second).setRole(owner.id, "hand")]
        : [peopleOf(db, owner).remove(second.id), peopleOf(db, second).remove(owner.id)],
    );
    expect(await db.Person.count({ where: { shopId: owner.shopId, role: "owner" } })).toBe(1);
  }
});

test("of six first runs at once one makes the shop", async () => {
  const own = await ownDatabase("gaugebeam_first_run");
  try {
    await migrate(own.db);
    const founded = await Promise.all(
      Array.from({ length: 6 }, (_, at) =>
        signInBook(own.db).foundFirst(`Shop ${at}`, {
          name: "Owner",
          email: `owner${at}@test.example`,
          units: "us",
          clock: "24h",
          passwordHash: "-",
        }),
      ),
    );
    expect(founded.filter((one) => one !== null)).toHaveLength(1);
    expect(await own.db.Shop.count()).toBe(1);
  } finally {
    await own.drop();
  }
});

test("units and clock are a person's own: the others of the shop keep theirs", async () => {
  const { owner } = await testShop(db);
  const people = peopleOf(db, owner);
  const id = await people.add({
    name: "Second",
    email: `${randomUUID()}@test.example`,
    role: "hand",
    units: "us",
    clock: "12h",
    passwordHash: "-",
  });
  await people.setUnits("us");
  await people.setClock("12h");
  const read = async (personId: string) => {
    const { units, clock } = (await signInBook(db).person(personId))!;
    return [units, clock];
  };
  expect(await read(owner.id)).toEqual(["us", "12h"]);
  await people.setClock("24h");
  expect(await read(owner.id)).toEqual(["us", "24h"]);
  expect(await read(id)).toEqual(["us", "12h"]);
});
