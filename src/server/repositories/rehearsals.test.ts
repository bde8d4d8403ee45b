import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { newCoat } from "@/core/job/new-job";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { peopleOf } from "./people";
import { picturesOf } from "./pictures";
import { recipesOf } from "./recipes";
import { rehearsalsOf } from "./rehearsals";

let db: Database;
let shop: TestShop;
let other: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  [shop, other] = [await testShop(db), await testShop(db)];
});
afterAll(() => db.sequelize.close());

const practice = (score: number, doneAt = new Date().toISOString()) => ({
  id: randomUUID(),
  doneAt,
  score,
  result: {
    look: "Palm blend",
    tool: "hand",
    pulls: 9,
    cover: 0.7,
    mud: 0.4,
    thin: 0,
    setDowns: 1,
    crossing: 0.2,
    usedMin: 12,
  },
});

test("practices are one's own, the newest first; sent twice is kept once", async () => {
  const mine = rehearsalsOf(db, shop.owner);
  const [early, late] = [practice(40, "2026-05-01T08:00:00.000Z"), practice(65, "2026-05-02T08:00:00.000Z")];
  await mine.keep(late);
  await mine.keep(early);
  await mine.keep({ ...early, score: 99 });
  expect(await mine.practices()).toEqual([late, early]);
  expect(await rehearsalsOf(db, other.owner).practices()).toEqual([]);
  await expect(rehearsalsOf(db, other.owner).keep(early)).rejects.toThrow("no such practice");
});

test("a practice stays when its person leaves the shop", async () => {
  const handId = await peopleOf(db, shop.owner).add({
    name: "Hand",
    email: `${randomUUID()}@test.example`,
    role: "hand",
    units: "us",
    clock: "24h",
    passwordHash: "-",
  });
  const hand = { ...shop.owner, id: handId, role: "hand" as const };
  const own = practice(50);
  await rehearsalsOf(db, hand).keep(own);
  await peopleOf(db, shop.owner).remove(handId);
  expect((await db.Practice.findByPk(own.id))!.personId).toBeNull();
});

test("an approved picture stays with its recipe version: both must be the shop's", async () => {
  const recipe = await recipesOf(db, shop.owner).create(
    "Slate",
    { format: 1, ground: "mdf", coats: [newCoat("colour", "Colour", null, randomUUID)], notes: "" },
    "",
  );
  const square = { width: 30, height: 20, channels: 3 as const, background: "#888888" };
  const image = await sharp({ create: square }).png().toBuffer();
  const { pictureId } = await picturesOf(db, shop.owner).add(image);
  const mine = rehearsalsOf(db, shop.owner);
  const given = { id: randomUUID(), versionId: recipe.versionId, pictureId, words: "Left run, sister 3" };
  await mine.approve(given);
  await mine.approve(given);
  const kept = await mine.approved(recipe.versionId);
  expect(kept).toEqual([
    expect.objectContaining({ pictureId, words: "Left run, sister 3", approvedBy: shop.owner.name }),
  ]);
  const foreign = await picturesOf(db, other.owner).add(image);
  await expect(mine.approve({ ...given, id: randomUUID(), pictureId: foreign.pictureId })).rejects.toThrow(
    "no such picture",
  );
  await expect(rehearsalsOf(db, other.owner).approved(recipe.versionId)).rejects.toThrow(
    "no such recipe version",
  );
});
