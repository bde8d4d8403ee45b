import { DataTypes, type QueryInterface } from "sequelize";

/** Three-part systems, kits and hybrids on a resin card; pictures that are laid under a drawing. */
export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.changeColumn("resin_cards", "kind", {
    type: DataTypes.ENUM("coating", "fast", "casting", "hybrid", "paint"),
    allowNull: false,
  });
  await tables.addColumn("resin_cards", "filler_g_per_100g", { type: DataTypes.DOUBLE, allowNull: true });
  await tables.addColumn("resin_cards", "filler_density_g_per_ml", {
    type: DataTypes.DOUBLE,
    allowNull: true,
  });
  await tables.addColumn("resin_cards", "kits", { type: DataTypes.JSON, allowNull: true });
  await tables.createTable("pictures", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    width_px: { type: DataTypes.INTEGER, allowNull: false },
    height_px: { type: DataTypes.INTEGER, allowNull: false },
    bytes: { type: DataTypes.BLOB("long"), allowNull: false },
    added_by: { type: DataTypes.STRING(80), allowNull: false },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("pictures", ["shop_id", "created_at"]);
}
