import { randomUUID } from "node:crypto";
import pLimit from "p-limit";
import sharp from "sharp";
import type { Person } from "@/contracts/people";
import type { AddedPicture } from "@/contracts/pictures";
import type { Database } from "../database";
import { notFound, Refused } from "../refused";

/** Kept no larger than this: enough to trace an outline by. */
const LONGEST_PX = 2400;
/** A small file can unfold to a huge picture; beyond this it is not opened. Browsers send four million. */
const MOST_PIXELS = 26_000_000;
/** Longer than this no picture takes that a person took, s. */
const LONGEST_S = 10;

sharp.cache(false);
sharp.concurrency(1);

/** By what it begins with, whatever its name says: other kinds hold drawings that take as long as they like, or many pictures. */
function isPicture(bytes: Buffer): boolean {
  const begins = (...signs: number[]) => signs.every((sign, at) => bytes[at] === sign);
  const at = (from: number, word: string) => bytes.toString("latin1", from, from + word.length) === word;
  const jpeg = begins(0xff, 0xd8, 0xff);
  const png = begins(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);
  return jpeg || png || (at(0, "RIFF") && at(8, "WEBP"));
}

/** Pictures are drawn one after the other, and no more wait than can be kept in memory. */
const drawing = pLimit(1);
const MOST_WAITING = 8;

function inTurn<Value>(draw: () => Promise<Value>): Promise<Value> {
  if (drawing.pendingCount >= MOST_WAITING)
    throw new Refused({
      code: "slow-down",
      message: "Many pictures are being kept just now. Try again in a few seconds.",
      field: "image",
    });
  return drawing(draw);
}

/** Drawn anew as WebP: turned upright, no larger than needed, without place and camera. */
async function drawnAnew(bytes: Buffer): Promise<{ data: Buffer; width: number; height: number }> {
  try {
    if (!isPicture(bytes)) throw new Error("Another kind of file");
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" })
      .rotate()
      .resize(LONGEST_PX, LONGEST_PX, { fit: "inside", withoutEnlargement: true })
      .webp({ quality: 82 })
      .timeout({ seconds: LONGEST_S })
      .toBuffer({ resolveWithObject: true });
    return { data, width: info.width, height: info.height };
  } catch {
    throw new Refused({
      code: "invalid",
      message: "That is no picture that can be read. Choose a JPEG, PNG or WebP.",
      field: "image",
    });
  }
}

/** Long side of a picture in a list. */
const THUMBNAIL_PX = 480;

/** Of a picture that was drawn anew before: smaller, nothing else. */
const thumbnailOf = (webp: Buffer): Promise<Buffer> =>
  sharp(webp)
    .resize(THUMBNAIL_PX, THUMBNAIL_PX, { fit: "inside", withoutEnlargement: true })
    .webp({ quality: 78 })
    .toBuffer();

/** The pictures of the signed-in person's shop. */
export function picturesOf(db: Database, me: Person) {
  return {
    async add(bytes: Buffer): Promise<AddedPicture> {
      const { data, width, height, thumbnail } = await inTurn(async () => {
        const drawn = await drawnAnew(bytes);
        return { ...drawn, thumbnail: await thumbnailOf(drawn.data) };
      });
      const id = randomUUID();
      await db.Picture.create({
        id,
        shopId: me.shopId,
        widthPx: width,
        heightPx: height,
        bytes: data,
        thumbnail,
        addedBy: me.name,
      });
      return { pictureId: id, widthPx: width, heightPx: height };
    },
    /** The WebP of one. */
    async bytes(pictureId: string): Promise<Buffer> {
      const row = await db.Picture.findOne({
        where: { id: pictureId, shopId: me.shopId },
        attributes: ["bytes"],
      });
      if (!row) throw notFound("picture");
      return row.bytes;
    },
    /** The WebP of one, small; made at the first asking where it was kept without. */
    async thumbnail(pictureId: string): Promise<Buffer> {
      const row = await db.Picture.findOne({
        where: { id: pictureId, shopId: me.shopId },
        attributes: ["id", "thumbnail"],
      });
      if (!row) throw notFound("picture");
      if (row.thumbnail) return row.thumbnail;
      const bytes = await this.bytes(pictureId);
      const made = await inTurn(() => thumbnailOf(bytes));
      await row.update({ thumbnail: made });
      return made;
    },
  };
}
