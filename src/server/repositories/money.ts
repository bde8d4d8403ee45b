import { priceDraft, ratesSchema, type PriceDraft } from "@/contracts/money";
import type { Person } from "@/contracts/people";
import { USUAL_RATES, type Rates } from "@/core/money/rates";
import { jsonOf, type Database } from "../database";
import { notFound } from "../refused";

/** What the signed-in person's shop reckons with, and the prices of its jobs. */
export function moneyOf(db: Database, me: Person) {
  return {
    /** The usual ones until somebody typed others. */
    async rates(): Promise<{ rates: Rates; typed: boolean }> {
      const shop = await db.Shop.findByPk(me.shopId, { attributes: ["id", "rates"] });
      const read = shop?.rates ? ratesSchema.safeParse(jsonOf(shop.rates)) : null;
      return read?.success ? { rates: read.data, typed: true } : { rates: USUAL_RATES, typed: false };
    },
    async setRates(rates: Rates): Promise<void> {
      await db.Shop.update({ rates }, { where: { id: me.shopId } });
    },
    /** The lines of a job's price as they were typed; null where nobody typed any. */
    async priceOf(jobId: string): Promise<PriceDraft | null> {
      const job = await db.Job.count({ where: { id: jobId, shopId: me.shopId } });
      if (job === 0) throw notFound("job");
      const row = await db.JobPrice.findByPk(jobId);
      const read = row ? priceDraft.safeParse(jsonOf(row.draft)) : null;
      return read?.success ? read.data : null;
    },
    async savePrice(jobId: string, draft: PriceDraft, now: Date): Promise<void> {
      const job = await db.Job.count({ where: { id: jobId, shopId: me.shopId } });
      if (job === 0) throw notFound("job");
      await db.JobPrice.upsert({ jobId, draft, savedBy: me.name, savedAt: now });
    },
  };
}
