import { Op } from "sequelize";
import { benchSettings, USUAL_BENCH, type BenchSettings, type RoomReading } from "@/contracts/bench";
import type { Person } from "@/contracts/people";
import { jsonOf, type Database } from "../database";
import { notAhead } from "../moments";
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
        at: notAhead(new Date(reading.at), "this was read"),
        shopId: me.shopId,
        readBy: me.name,
      });
    },
    async lastReading(): Promise<RoomReading | null> {
      // Readings of earlier versions may be dated ahead: they hide nothing.
      const row = await db.RoomReading.findOne({
        where: { shopId: me.shopId, at: { [Op.lte]: new Date() } },
        order: [["at", "DESC"]],
      });
      if (!row) return null;
      const { id, at, tempC, humidityPct, readBy } = row;
      return { id, at: at.toISOString(), tempC, humidityPct, readBy };
    },
  };
}
