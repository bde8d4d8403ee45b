import { Op } from "sequelize";
import type { z } from "zod";
import {
  benchSettings,
  USUAL_BENCH,
  type BenchSettings,
  type roomReading,
  type RoomReading,
} from "@/contracts/bench";
import type { Person } from "@/contracts/people";
import { jsonOf, type Database } from "../database";
import { notAhead } from "../moments";
import { notFound } from "../refused";

/** Who has read what a probe says. */
const PROBE = "the probe";
/** One reading in most of a minute. */
const PROBE_EVERY_MS = 50_000;
/** Readings older than this stay one in a quarter of an hour. */
const MINUTES_FOR_MS = 3 * 3600_000;
const QUARTER_MS = 15 * 60_000;

type ReadingSaid = z.output<typeof roomReading>;

/** Thins the probe's readings of the hours before the last ones; those of people are never touched. */
async function thinProbe(db: Database, shopId: string, now: Date): Promise<void> {
  const to = now.getTime() - MINUTES_FOR_MS;
  const rows = await db.RoomReading.findAll({
    where: { shopId, readBy: PROBE, at: { [Op.gt]: new Date(to - 3 * QUARTER_MS), [Op.lt]: new Date(to) } },
    order: [["at", "ASC"]],
  });
  const gone = rows.filter(
    ({ at }, index) =>
      index > 0 &&
      Math.floor(at.getTime() / QUARTER_MS) === Math.floor((rows[index - 1]?.at.getTime() ?? 0) / QUARTER_MS),
  );
  if (gone.length > 0) await db.RoomReading.destroy({ where: { id: gone.map(({ id }) => id) } });
}

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
    /**
     * Adds a reading of the room; one that is there already is left as it is. Of a probe, that several screens may listen to, one in most of a minute is
     * kept, and of those that are hours old one in a quarter of an hour.
     * @returns whether it is a new one
     */
    async read({ byProbe, surfaceC: _notKept, ...reading }: ReadingSaid): Promise<boolean> {
      const known = await db.RoomReading.findByPk(reading.id);
      if (known && known.shopId !== me.shopId) throw notFound("reading");
      if (known) return false;
      const at = notAhead(new Date(reading.at), "this was read");
      const ofProbe = { shopId: me.shopId, readBy: PROBE };
      if (byProbe) {
        const since = new Date(at.getTime() - PROBE_EVERY_MS);
        if ((await db.RoomReading.count({ where: { ...ofProbe, at: { [Op.gt]: since } } })) > 0) return false;
      }
      await db.RoomReading.create({
        ...reading,
        at,
        shopId: me.shopId,
        readBy: byProbe ? PROBE : me.name,
      });
      if (byProbe) await thinProbe(db, me.shopId, at);
      return true;
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
