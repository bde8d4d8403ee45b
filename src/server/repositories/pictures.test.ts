import sharp from "sharp";
import type { Database } from "../database";
import type { Refused } from "../refused";
import { testDatabase, testShop, type TestShop } from "../testing/test-shop";
import { picturesOf } from "./pictures";

let db: Database;
let shop: TestShop;
let other: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  [shop, other] = [await testShop(db), await testShop(db)];
});
afterAll(() => db.sequelize.close());

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#8c9194" } });

test("a picture is drawn anew as WebP, no larger than needed, without where it was taken", async () => {
  const photo = await picture(3200, 1600)
    .withExif({ IFD3: { GPSLatitude: "51/1 30/1 0/1" } })
    .jpeg()
    .toBuffer();
  const added = await picturesOf(db, shop.owner).add(photo);
  expect(added).toMatchObject({ widthPx: 2400, heightPx: 1200 });
  const kept = await sharp(await picturesOf(db, shop.owner).bytes(added.pictureId)).metadata();
  expect([kept.format, kept.width, kept.exif]).toEqual(["webp", 2400, undefined]);
});

test("a photo taken with the camera on its side stands upright", async () => {
  const photo = await picture(400, 200).withMetadata({ orientation: 6 }).jpeg().toBuffer();
  expect(await picturesOf(db, shop.owner).add(photo)).toMatchObject({ widthPx: 200, heightPx: 400 });
});

test.each<[string, () => Promise<Buffer>]>([
  ["text", async () => Buffer.from("not a picture")],
  ["half a picture", async () => (await picture(900, 900).jpeg().toBuffer()).subarray(0, 900)],
  ["one that unfolds to 100 million pixels", () => picture(10_000, 10_000).png().toBuffer()],
  [
    "a drawing whose filter takes half a minute",
    async () =>
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="5000" height="5000"><filter id="f"><feTurbulence numOctaves="60"/><feGaussianBlur stdDeviation="900"/></filter><rect width="5000" height="5000" filter="url(#f)"/></svg>`,
      ),
  ],
  [
    "a moving picture",
    async () => Buffer.from("47494638396101000100800000000000ffffff2c00000000010001000002024401003b", "hex"),
  ],
  ["a TIFF", () => picture(40, 40).tiff().toBuffer()],
])("%s is refused in words", async (_, bytes) => {
  await expect(picturesOf(db, shop.owner).add(await bytes())).rejects.toMatchObject({
    error: { code: "invalid", field: "image" },
  });
});

test("another shop does not see it", async () => {
  const { pictureId } = await picturesOf(db, shop.owner).add(await picture(20, 20).png().toBuffer());
  await expect(picturesOf(db, other.owner).bytes(pictureId)).rejects.toMatchObject({
    error: { code: "not-found" },
  });
});

test("many at once are drawn one after the other, and the ones that are too many are told to come again", async () => {
  const photo = await picture(3000, 3000).jpeg().toBuffer();
  const kept = await Promise.allSettled(
    Array.from({ length: 14 }, () => picturesOf(db, shop.owner).add(photo)),
  );
  const refused = kept.flatMap((result) => (result.status === "rejected" ? [result.reason as Refused] : []));
  expect(refused.length).toBeGreaterThan(0);
  expect(refused.every(({ error }) => error.code === "slow-down")).toBe(true);
  expect(kept.length - refused.length).toBeGreaterThanOrEqual(8);
}, 60_000);
