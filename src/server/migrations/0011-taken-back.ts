import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** Jobs that are deleted, for as long as they can be brought back. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.addColumn("jobs", "removed_at", { type: DataTypes.DATE(3), allowNull: true });
}
