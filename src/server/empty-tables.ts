import type { Database } from "./database";

/** Takes every row out of every table but what says how far the tables are. For a demo that was loaded by half, and for tests. */
export async function emptyTables({ sequelize }: Database): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await sequelize.query("SET FOREIGN_KEY_CHECKS = 0", { transaction });
    const [rows] = await sequelize.query("SHOW TABLES", { transaction });
    for (const row of rows as Record<string, string>[]) {
      const table = String(Object.values(row)[0]);
      if (table !== "migrations" && table !== "marks")
        await sequelize.query(`DELETE FROM \`${table}\``, { transaction });
    }
    await sequelize.query("SET FOREIGN_KEY_CHECKS = 1", { transaction });
  });
}
