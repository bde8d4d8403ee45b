import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** What a shop reckons with, and the lines of a job's price as they were typed. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.addColumn("shops", "rates", { type: DataTypes.JSON, allowNull: true });
  await tables.createTable("job_prices", {
    job_id: { type: DataTypes.UUID, primaryKey: true, references: { model: "jobs", key: "id" } },
    draft: { type: DataTypes.JSON, allowNull: false },
    saved_by: { type: DataTypes.STRING(80), allowNull: false },
    saved_at: { type: DataTypes.DATE(3), allowNull: false },
  });
}
