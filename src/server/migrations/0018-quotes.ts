import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** Quotes as they were given, numbered by year, and what became of them; both append-only. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.createTable("quotes", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    job_id: { type: DataTypes.UUID, allowNull: false, references: { model: "jobs", key: "id" } },
    year: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
    number: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    quote: { type: DataTypes.JSON, allowNull: false },
    made_by: { type: DataTypes.STRING(80), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("quotes", ["shop_id", "year", "number"], { unique: true });
  await tables.addIndex("quotes", ["job_id"]);
  await tables.createTable("quote_entries", {
    id: { type: DataTypes.UUID, primaryKey: true },
    // Numbered as they come: of entries with one time the order.
    sequence: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false, autoIncrement: true, unique: true },
    quote_id: { type: DataTypes.UUID, allowNull: false, references: { model: "quotes", key: "id" } },
    kind: { type: DataTypes.STRING(12), allowNull: false },
    look_id: { type: DataTypes.STRING(40), allowNull: true },
    words: { type: DataTypes.STRING(400), allowNull: false },
    recorded_by: { type: DataTypes.STRING(80), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("quote_entries", ["quote_id", "sequence"]);
}
