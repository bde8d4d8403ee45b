import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** What a shop's owner said to what was learnt: append-only. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.createTable("learning_decisions", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    detail: { type: DataTypes.JSON, allowNull: false },
    decided_by: { type: DataTypes.STRING(80), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("learning_decisions", ["shop_id", "at"]);
}
