import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** Two ways side by side on boards, and what was told of them: append-only. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.createTable("trials", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    plan: { type: DataTypes.JSON, allowNull: false },
    begun_by: { type: DataTypes.STRING(80), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("trials", ["shop_id", "at"]);
  await tables.createTable("trial_entries", {
    id: { type: DataTypes.UUID, primaryKey: true },
    trial_id: { type: DataTypes.UUID, allowNull: false, references: { model: "trials", key: "id" } },
    said: { type: DataTypes.JSON, allowNull: false },
    said_by: { type: DataTypes.STRING(80), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("trial_entries", ["trial_id", "at"]);
}
