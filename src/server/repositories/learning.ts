import type { LearningSaid } from "@/contracts/learning";
import { learningDecision } from "@/contracts/learning";
import type { Person } from "@/contracts/people";
import { adoptedFactors, type AdoptedFactors, type LearningDecision } from "@/core/learning/decisions";
import { jsonOf, type Database } from "../database";
import { notFound } from "../refused";

/** What the signed-in person's shop said to what was learnt. */
export function learningOf(db: Database, me: Person) {
  /** All of it, the oldest first; what this program cannot read any more is left where it is. */
  const decisions = async (): Promise<LearningDecision[]> => {
    const rows = await db.LearningDecision.findAll({
      where: { shopId: me.shopId },
      order: [
        ["at", "ASC"],
        ["id", "ASC"],
      ],
    });
    return rows.flatMap(({ id, kind, detail, decidedBy, at }) => {
      const stored = { ...(jsonOf(detail) as object), id, kind, by: decidedBy, at: at.toISOString() };
      const read = learningDecision.safeParse(stored);
      return read.success ? [read.data] : [];
    });
  };
  return {
    decisions,
    /** The factors that the shop plans with, where they are not the usual ones. */
    adopted: async (): Promise<AdoptedFactors> => adoptedFactors(await decisions()),
    /** Adds a word; one that is there already is left as it is. */
    async decide(id: string, { kind, ...detail }: LearningSaid, now: Date): Promise<void> {
      const known = await db.LearningDecision.findByPk(id);
      if (known && known.shopId !== me.shopId) throw notFound("decision");
      if (known) return;
      if (kind === "changed") {
        const { pourId } = detail as { pourId: string };
        if ((await db.Pour.count({ where: { id: pourId, shopId: me.shopId } })) === 0) throw notFound("pour");
      }
      await db.LearningDecision.create({ id, shopId: me.shopId, kind, detail, decidedBy: me.name, at: now });
    },
  };
}
