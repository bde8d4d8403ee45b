import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** How warm a resin's film is after a usual heating, and how soon half of that is gone, where a finisher has read it. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  for (const column of ["heated_to_c", "heat_half_min"])
    await tables.addColumn("resin_cards", column, { type: DataTypes.DOUBLE, allowNull: true });
}
