import { randomUUID } from "node:crypto";
import sharp from "sharp";
import type { BoardFields } from "@/contracts/recipes";
import { derivePlan } from "@/core/plan/derive-plan";
import { recipeOf, withRecipe, type RecipeDocument } from "@/core/recipe/recipe";
import type { Database } from "../database";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { jobsOf } from "./jobs";
import { picturesOf } from "./pictures";
import { recipesOf } from "./recipes";

let db: Database;
let shop: TestShop;
let other: TestShop;
let document: RecipeDocument;
const board: BoardFields = {
  pouredOn: "2026-03-02",
  lengthMm: 300,
  depthMm: 300,
  pictureId: null,
  measured: null,
  result: "",
  clientWord: "",
  decision: "open",
};

beforeAll(async () => {
  db = await testDatabase();
  [shop, other] = [await testShop(db), await testShop(db)];
  document = recipeOf(shop.document, derivePlan(shop.document, shop.cards).coats);
});
afterAll(() => db.sequelize.close());

test("versions are numbered one after the other, also when two are made at once, and none is ever changed", async () => {
  const recipes = recipesOf(db, shop.owner);
  const { recipeId, versionId } = await recipes.create("Slate", document, "as poured");
  const changed: RecipeDocument = { ...document, notes: "less black" };
  const made = await Promise.all(
    Array.from({ length: 5 }, () => recipes.addVersion(versionId, changed, "less black")),
  );
  expect(made.map(({ number }) => number).sort()).toEqual([2, 3, 4, 5, 6]);
  const open = await recipes.open(recipeId);
  expect(open.versions.map(({ number, parentId }) => [number, parentId])).toEqual([
    [1, null],
    ...[2, 3, 4, 5, 6].map((number) => [number, versionId]),
  ]);
  expect(open.versions[0]?.document).toEqual(document);
  expect(open.versions[1]).toMatchObject({
    document: changed,
    change: "less black",
    madeBy: shop.owner.name,
  });
});

test("boards are numbered through the shop, and every field comes back as it went in", async () => {
  const recipes = recipesOf(db, shop.owner);
  const { recipeId, versionId } = await recipes.create("Copper drift", document, "");
  const before = (await recipes.addBoard(versionId, board)).number;
  const made = await Promise.all(Array.from({ length: 4 }, () => recipes.addBoard(versionId, board)));
  expect(made.map(({ number }) => number).sort()).toEqual([1, 2, 3, 4].map((step) => before + step));
  const elsewhere = recipesOf(db, other.owner);
  const theirs = await elsewhere.create("Theirs", document, "");
  expect((await elsewhere.addBoard(theirs.versionId, board)).number).toBe(1);

  const image = await sharp({ create: { width: 900, height: 600, channels: 3, background: "#8A9A7F" } })
    .jpeg()
    .toBuffer();
  const { pictureId } = await picturesOf(db, shop.owner).add(image);
  const judged: BoardFields = {
    ...board,
    pictureId,
    measured: { lab: [61.5, -3, 7.25], by: "photo-daylight" },
    result: "veins a little wide",
    clientWord: "that is the one",
    decision: "approved",
  };
  const saved = await recipes.changeBoard(made[0]!.id, made[0]!.changedAt, judged);
  // Made on the board as it was before: refused with the one that is there, and that one stays.
  const late = recipes.changeBoard(made[0]!.id, made[0]!.changedAt, { ...board, result: "mine" });
  await expect(late).rejects.toMatchObject({
    error: { code: "conflict", data: { result: judged.result, changedAt: saved.changedAt } },
  });
  const open = await recipes.open(recipeId);
  expect(open.boards.find(({ id }) => id === made[0]!.id)).toMatchObject(judged);
  expect((await recipes.list()).find(({ id }) => id === recipeId)).toMatchObject({
    versions: 1,
    boards: 5,
    approved: { versionNumber: 1, pictureId },
  });
  // A picture of another shop cannot be hung on a board.
  const foreign = await picturesOf(db, other.owner).add(image);
  await expect(
    recipes.changeBoard(made[1]!.id, made[1]!.changedAt, { ...board, pictureId: foreign.pictureId }),
  ).rejects.toThrow("There is no such picture.");
});

test("a picture has a small one for lists, also if it was kept before there were any", async () => {
  const pictures = picturesOf(db, shop.owner);
  const { pictureId } = await pictures.add(
    await sharp({ create: { width: 1600, height: 1200, channels: 3, background: "#123456" } })
      .png()
      .toBuffer(),
  );
  const small = await sharp(await pictures.thumbnail(pictureId)).metadata();
  expect([small.format, small.width, small.height]).toEqual(["webp", 480, 360]);
  await db.Picture.update({ thumbnail: null }, { where: { id: pictureId } });
  expect((await sharp(await pictures.thumbnail(pictureId)).metadata()).width).toBe(480);
  expect((await db.Picture.findByPk(pictureId))?.thumbnail?.length).toBeGreaterThan(20);
  await expect(picturesOf(db, other.owner).thumbnail(pictureId)).rejects.toThrow("no such picture");
});

test("jobs made from a version are found by it; a removed recipe leaves the list, its versions can still be opened", async () => {
  const recipes = recipesOf(db, shop.owner);
  const { recipeId, versionId } = await recipes.create("Fog granite", document, "");
  const jobs = jobsOf(db, shop.owner);
  const fields = { name: "Kitchen", client: "", status: "planning" as const, dueOn: null };
  const reference = { versionId, name: "Fog granite", number: 1 };
  const jobId = await jobs.create(fields, withRecipe(shop.document, document, reference, randomUUID));
  expect((await recipes.open(recipeId)).jobs).toEqual([{ jobId, name: "Kitchen", versionId }]);
  expect((await recipes.list()).find(({ id }) => id === recipeId)?.jobs).toBe(1);
  await recipes.rename(recipeId, "Granite by fog");
  await recipes.remove(recipeId);
  expect((await recipes.list()).some(({ id }) => id === recipeId)).toBe(false);
  expect(await recipes.version(versionId)).toMatchObject({ name: "Granite by fog", number: 1, document });
  await expect(recipesOf(db, other.owner).version(versionId)).rejects.toThrow("no such version");
  await expect(recipes.version(randomUUID())).rejects.toThrow("no such version");
});
