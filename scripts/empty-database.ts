import { database } from "@/server/database";

/** Drops every table of the database of the environment. For tests only: refuses without their socket. */
async function empty(): Promise<void> {
  if (!process.env["GAUGEBEAM_CHECK_SOCKET"]) throw new Error("Only the database of ./check is emptied.");
  const { sequelize } = database();
  await sequelize.transaction(async (transaction) => {
    await sequelize.query("SET FOREIGN_KEY_CHECKS = 0", { transaction });
    const [rows] = await sequelize.query("SHOW TABLES", { transaction });
    for (const row of rows as Record<string, string>[])
      await sequelize.query(`DROP TABLE \`${Object.values(row)[0]}\``, { transaction });
    await sequelize.query("SET FOREIGN_KEY_CHECKS = 1", { transaction });
  });
  await sequelize.close();
}

void empty();
