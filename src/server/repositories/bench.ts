import { benchSettings, USUAL_BENCH, type BenchSettings, type RoomReading } from "@/contracts/bench";
import type { Person } from "@/contracts/people";
import { jsonOf, type Database } from "../database";
import { notFound } from "../refused";

/** What the signed-in person's shop has, and how its room is. */
export function benchOf(db: Database, me: Person) {
  return {
    async settings(): Promise<BenchSettings> {
      const shop = await db.Shop.findByPk(me.shopId);
      return shop?.bench ? benchSettings.parse(jsonOf(shop.bench)) : USUAL_BENCH;
    },
    async set(settings: BenchSettings): Promise<void> {
      await db.Shop.update({ bench: settings }, { where: { id: me.shopId } });
    },
    /** Adds a reading of the room; one that is there already is left as it is. */
    async read(reading: Omit<RoomReading, "readBy">): Promise<void> {
      const known = await db.RoomReading.findByPk(reading.id);
      if (known && known.shopId !== me.shopId) throw notFound("reading");
      if (known) return;
      await db.RoomReading.create({
        ...reading,
        at: new Date(reading.at),
        shopId: me.shopId,
        readBy: me.name,
      });
    },
    async lastReading(): Promise<RoomReading | null> {
      const row = await db.RoomReading.findOne({ where: { shopId: me.shopId }, order: [["at", "DESC"]] });
      if (!row) return null;
      const { id, at, tempC, humidityPct, readBy } = row;
      return { id, at: at.toISOString(), tempC, humidityPct, readBy };
    },
  };
}
