import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** How a person reads times and dates; those that are there keep what they are used to. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  await tables.addColumn("people", "clock", {
    type: DataTypes.ENUM("24h", "12h"),
    allowNull: false,
    defaultValue: "24h",
  });
}
