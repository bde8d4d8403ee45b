import { DataTypes, type QueryInterface } from "sequelize";

const perhaps = { type: DataTypes.DOUBLE, allowNull: true };

/** What a shop has and when it works, readings of its room; limits, a second gel time and own tests on resin cards. */
export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.addColumn("shops", "bench", { type: DataTypes.JSON, allowNull: true });
  await tables.createTable("room_readings", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    at: { type: DataTypes.DATE(3), allowNull: false },
    temp_c: { type: DataTypes.DOUBLE, allowNull: false },
    humidity_pct: perhaps,
    read_by: { type: DataTypes.STRING(80), allowNull: false },
  });
  await tables.addIndex("room_readings", ["shop_id", "at"]);
  await tables.addColumn("resin_cards", "gel2_h", perhaps);
  await tables.addColumn("resin_cards", "gel2_temp_c", {
    type: DataTypes.DOUBLE,
    allowNull: false,
    defaultValue: 30,
  });
  await tables.addColumn("resin_cards", "room_from_c", perhaps);
  await tables.addColumn("resin_cards", "room_to_c", perhaps);
  await tables.addColumn("resin_cards", "humidity_max_pct", perhaps);
  await tables.addColumn("resin_cards", "bench_tests", { type: DataTypes.JSON, allowNull: true });
}
