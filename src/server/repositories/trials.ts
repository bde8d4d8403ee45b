import type { Person } from "@/contracts/people";
import { trialEntry, trialPlan, type TrialSaid } from "@/contracts/trials";
import type { Trial, TrialPlan } from "@/core/learning/trial";
import { jsonOf, type Database } from "../database";
import { notFound } from "../refused";
import { writeOnce } from "../write-once";

/** The trials of the signed-in person's shop. */
export function trialsOf(db: Database, me: Person) {
  return {
    /** The latest first; what this program cannot read any more is left where it is. */
    async list(): Promise<Trial[]> {
      const rows = await db.Trial.findAll({
        where: { shopId: me.shopId },
        order: [
          ["at", "DESC"],
          ["id", "ASC"],
        ],
      });
      const entries = await db.TrialEntry.findAll({
        where: { trialId: rows.map(({ id }) => id) },
        order: [
          ["at", "ASC"],
          ["id", "ASC"],
        ],
      });
      return rows.flatMap((row) => {
        const plan = trialPlan.safeParse(jsonOf(row.plan));
        if (!plan.success) return [];
        const told = entries.flatMap(({ id, trialId, said, saidBy, at }) => {
          if (trialId !== row.id) return [];
          const stored = { ...(jsonOf(said) as object), id, by: saidBy, at: at.toISOString() };
          const read = trialEntry.safeParse(stored);
          return read.success ? [read.data] : [];
        });
        return [{ id: row.id, plan: plan.data, by: row.begunBy, at: row.at.toISOString(), entries: told }];
      });
    },
    /** Begins one; one that is there already is left as it is: it is drawn once. */
    async begin(id: string, plan: TrialPlan, now: Date): Promise<void> {
      const known = await db.Trial.findByPk(id);
      if (known && known.shopId !== me.shopId) throw notFound("trial");
      if (!known)
        await writeOnce(() => db.Trial.create({ id, shopId: me.shopId, plan, begunBy: me.name, at: now }));
    },
    async tell(id: string, trialId: string, said: TrialSaid, now: Date): Promise<void> {
      const trial = await db.Trial.findOne({ where: { id: trialId, shopId: me.shopId } });
      if (!trial) throw notFound("trial");
      const known = await db.TrialEntry.findByPk(id);
      if (known && known.trialId !== trialId) throw notFound("trial");
      if (known) return;
      const { pairs } = jsonOf(trial.plan) as TrialPlan;
      if ("pair" in said && said.pair >= pairs.length) throw notFound("pair");
      await writeOnce(() => db.TrialEntry.create({ id, trialId, said, saidBy: me.name, at: now }));
    },
  };
}
