import { randomUUID } from "node:crypto";
import { Op } from "sequelize";
import type { Person } from "@/contracts/people";
import type { Database } from "../database";
import { signInBook } from "./people";

/** Sessions that are open. A session is what its row says: without one it opens nothing. */
export function sessionBook(db: Database) {
  return {
    async open(personId: string, days: number): Promise<string> {
      const id = randomUUID();
      const now = Date.now();
      await db.Session.destroy({ where: { endsAt: { [Op.lt]: new Date(now) } }, limit: 200 });
      await db.Session.create({
        id,
        personId,
        openedAt: new Date(now),
        endsAt: new Date(now + days * 86_400_000),
      });
      return id;
    },
    async person(sessionId: string): Promise<Person | null> {
      const row = await db.Session.findOne({ where: { id: sessionId, endsAt: { [Op.gt]: new Date() } } });
      return row ? signInBook(db).person(row.personId) : null;
    },
    async end(sessionId: string): Promise<void> {
      await db.Session.destroy({ where: { id: sessionId } });
    },
    /** Ends all sessions of a person, everywhere; tells how many there were. */
    endAll: (personId: string): Promise<number> => db.Session.destroy({ where: { personId } }),
  };
}
