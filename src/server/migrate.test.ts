import { randomUUID } from "node:crypto";
import type mysql from "mysql2/promise";
import type { RowDataPacket } from "mysql2/promise";
import type { Database } from "./database";
import { migrate, MIGRATIONS } from "./migrate";
import { ownDatabase } from "./testing/own-database";

/** The tables of a database as MariaDB itself tells them: columns, keys, references. */
async function shapeOf(root: mysql.Connection): Promise<string[]> {
  const [tables] = await root.query<RowDataPacket[]>("SHOW TABLES");
  const shape: string[] = [];
  for (const table of tables.map((row) => String(Object.values(row)[0]))) {
    const [[made]] = await root.query<RowDataPacket[]>(`SHOW CREATE TABLE \`${table}\``);
    shape.push(
      String(made?.["Create Table"])
        .replace(/ AUTO_INCREMENT=\d+/, "")
        .split("\n")
        .map((line) => line.replace(/,$/, ""))
        .sort()
        .join("\n"),
    );
  }
  return shape;
}

/** A shop as the first versions wrote it, with what the tables of today ask of it. */
async function writeShop(root: mysql.Connection): Promise<{ jobId: string; eventIds: string[] }> {
  const [shopId, jobId, pourId] = [randomUUID(), randomUUID(), randomUUID()];
  const eventIds = [randomUUID(), randomUUID(), randomUUID()];
  const document = JSON.stringify({ pieces: [{}, {}], work: { startOn: "2026-03-04" }, coats: [] });
  await root.query("INSERT INTO shops (id, name, created_at) VALUES (?, 'Old', NOW(3))", [shopId]);
  await root.query(
    "INSERT INTO people (id, shop_id, name, email, role, units, password_hash, created_at) VALUES (UUID(), ?, 'O', ?, 'owner', 'us', '-', NOW(3))",
    [shopId, `${shopId}@test.example`],
  );
  await root.query(
    "INSERT INTO jobs (id, shop_id, name, client, status, revision, created_at, updated_at) VALUES (?, ?, 'J', '', 'planning', 1, NOW(3), NOW(3))",
    [jobId, shopId],
  );
  await root.query(
    "INSERT INTO job_revisions (job_id, revision, document, saved_by, saved_at) VALUES (?, 1, ?, 'O', NOW(3))",
    [jobId, document],
  );
  await root.query(
    "INSERT INTO pours (id, shop_id, job_id, job_revision, plan, started_by, started_at) VALUES (?, ?, ?, 1, '{}', 'O', NOW(3))",
    [pourId, shopId, jobId],
  );
  for (const [place, id] of eventIds.entries())
    await root.query(
      "INSERT INTO pour_events (id, pour_id, kind, at, detail, recorded_by, received_at) VALUES (?, ?, 'tick', '2026-03-04 10:00:00.000', '{}', 'O', ?)",
      [id, pourId, `2026-03-04 10:00:0${place}.000`],
    );
  return { jobId, eventIds };
}

/** Runs the migrations and fails right behind the first statement that changes something and was not `seen`: as a process killed between two of them. */
async function migrateOneStatement(db: Database, seen: Set<string>): Promise<"cut off" | "done"> {
  const { sequelize } = db;
  const query = sequelize.query.bind(sequelize);
  sequelize.query = (async (...args: Parameters<typeof query>) => {
    const answer = await query(...args);
    const text = JSON.stringify(args[0]);
    if (/"(CREATE|ALTER|DROP|INSERT|UPDATE)/i.test(text) && !seen.has(text)) {
      seen.add(text);
      throw new Error("cut off");
    }
    return answer;
  }) as typeof sequelize.query;
  try {
    await migrate(db);
    return "done";
  } catch (failure) {
    if ((failure as Error).message.includes("cut off")) return "cut off";
    throw failure;
  } finally {
    delete (sequelize as { query?: unknown }).query;
  }
}

let wanted: string[];

beforeAll(async () => {
  const whole = await ownDatabase("gaugebeam_migrate_whole");
  await migrate(whole.db);
  wanted = await shapeOf(whole.root);
  await whole.drop();
}, 60_000);

describe("migrations", () => {
  test("bring every earlier version to the same tables, with its data", async () => {
    for (const from of MIGRATIONS.slice(3)) {
      const own = await ownDatabase("gaugebeam_migrate_from");
      try {
        await migrate(own.db, from.name);
        const { jobId, eventIds } = await writeShop(own.root);
        await migrate(own.db);
        expect(await shapeOf(own.root)).toEqual(wanted);
        if (from.name < "0010") {
          const [[job]] = await own.root.query<RowDataPacket[]>(
            "SELECT DATE_FORMAT(start_on, '%Y-%m-%d') AS day, pieces FROM jobs WHERE id = ?",
            [jobId],
          );
          expect(job).toEqual({ day: "2026-03-04", pieces: 2 });
        }
        const [events] = await own.root.query<RowDataPacket[]>(
          "SELECT id FROM pour_events ORDER BY sequence",
        );
        expect(events.map(({ id }) => String(id))).toEqual(eventIds);
      } finally {
        await own.drop();
      }
    }
  }, 120_000);

  test("cut off between any two statements, go on when they are run again", async () => {
    const own = await ownDatabase("gaugebeam_migrate_cut");
    try {
      const seen = new Set<string>();
      while ((await migrateOneStatement(own.db, seen)) === "cut off");
      expect(seen.size).toBeGreaterThan(50);
      expect(await shapeOf(own.root)).toEqual(wanted);
    } finally {
      await own.drop();
    }
  }, 120_000);

  test("go on where an older backup was read into newer tables", async () => {
    const own = await ownDatabase("gaugebeam_migrate_backup");
    try {
      await migrate(own.db);
      // As the backup of the fourth version does it: its tables are replaced, newer ones stay.
      await own.root.query(
        "SET FOREIGN_KEY_CHECKS=0; DROP TABLE jobs, job_revisions, resin_cards, pours, pour_events, shops, people, sign_in_attempts, migrations; SET FOREIGN_KEY_CHECKS=1",
      );
      await migrate(own.db, MIGRATIONS[3]?.name);
      await writeShop(own.root);
      await migrate(own.db);
      expect(await shapeOf(own.root)).toEqual(wanted);
    } finally {
      await own.drop();
    }
  }, 60_000);

  test("started twice at once run one after the other", async () => {
    const own = await ownDatabase("gaugebeam_migrate_twice");
    try {
      const [first, second] = await Promise.all([migrate(own.db), migrate(own.db)]);
      expect([first.length, second.length].sort((a, b) => a - b)).toEqual([0, MIGRATIONS.length]);
    } finally {
      await own.drop();
    }
  }, 60_000);
});
