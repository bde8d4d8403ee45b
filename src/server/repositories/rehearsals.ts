import type { Person } from "@/contracts/people";
import { practiceResult, type ApprovedPicture, type KeptPractice } from "@/contracts/rehearsals";
import { jsonOf, type Database } from "../database";
import { notAhead } from "../moments";
import { notFound } from "../refused";

/** More of one's practices are not looked back at. */
const MOST_PRACTICES = 200;

/** Practices of the signed-in person, and pictures that clients of the shop approved. */
export function rehearsalsOf(db: Database, me: Person) {
  return {
    async practices(): Promise<KeptPractice[]> {
      const rows = await db.Practice.findAll({
        where: { shopId: me.shopId, personId: me.id },
        order: [["doneAt", "DESC"]],
        limit: MOST_PRACTICES,
      });
      return rows.map(({ id, doneAt, score, result }) => ({
        id,
        doneAt: doneAt.toISOString(),
        score,
        result: practiceResult.parse(jsonOf(result)),
      }));
    },
    /** Adds a practice; one that is there already is left as it is. */
    async keep({ id, doneAt, score, result }: KeptPractice): Promise<void> {
      const known = await db.Practice.findByPk(id);
      if (known && known.shopId !== me.shopId) throw notFound("practice");
      if (known) return;
      await db.Practice.create({
        id,
        shopId: me.shopId,
        personId: me.id,
        doneAt: notAhead(new Date(doneAt), "this was practised"),
        score,
        result,
      });
    },
    async approved(versionId: string): Promise<ApprovedPicture[]> {
      const version = await db.RecipeVersion.findOne({ where: { id: versionId, shopId: me.shopId } });
      if (!version) throw notFound("recipe version");
      const rows = await db.ApprovedPicture.findAll({
        where: { shopId: me.shopId, versionId },
        order: [["approvedAt", "DESC"]],
      });
      return rows.map(({ id, pictureId, approvedAt, approvedBy, words }) => ({
        id,
        pictureId,
        approvedAt: approvedAt.toISOString(),
        approvedBy,
        words,
      }));
    },
    /** Keeps a picture with a version, both of the shop; the same one twice is one. */
    async approve(given: { id: string; versionId: string; pictureId: string; words: string }): Promise<void> {
      const { shopId } = me;
      const [version, picture, known] = await Promise.all([
        db.RecipeVersion.findOne({ where: { id: given.versionId, shopId } }),
        db.Picture.findOne({ where: { id: given.pictureId, shopId } }),
        db.ApprovedPicture.findByPk(given.id),
      ]);
      if (!version) throw notFound("recipe version");
      if (!picture) throw notFound("picture");
      if (known && known.shopId !== shopId) throw notFound("picture");
      if (known) return;
      await db.ApprovedPicture.create({ ...given, shopId, approvedAt: new Date(), approvedBy: me.name });
    },
  };
}
