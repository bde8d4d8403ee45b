import { randomUUID } from "node:crypto";
import sharp from "sharp";
import type { Person } from "@/contracts/people";
import type { AddedPicture } from "@/contracts/pictures";
import type { Database } from "../database";
import { notFound, Refused } from "../refused";

/** Kept no larger than this: enough to trace an outline by. */
const LONGEST_PX = 2400;
/** A small file can unfold to a huge picture; beyond this it is not opened. */
const MOST_PIXELS = 60_000_000;

/** Drawn anew as WebP: turned upright, no larger than needed, without place and camera. */
async function drawnAnew(bytes: Buffer): Promise<{ data: Buffer; width: number; height: number }> {
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" })
      .rotate()
      .resize(LONGEST_PX, LONGEST_PX, { fit: "inside", withoutEnlargement: true })
      .webp({ quality: 82 })
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
      const { data, width, height } = await drawnAnew(bytes);
      const id = randomUUID();
      await db.Picture.create({
        id,
        shopId: me.shopId,
        widthPx: width,
        heightPx: height,
        bytes: data,
        thumbnail: await thumbnailOf(data),
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
      const made = await thumbnailOf(await this.bytes(pictureId));
      await row.update({ thumbnail: made });
      return made;
    },
  };
}
