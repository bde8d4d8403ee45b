import { DataTypes, type QueryInterface } from "sequelize";

/** The colourants of a shop. How a colourant looks has many forms: they are one JSON column, read through its schema. */
export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.createTable("colour_cards", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    name: { type: DataTypes.STRING(80), allowNull: false },
    fields: { type: DataTypes.JSON, allowNull: false },
    removed_at: { type: DataTypes.DATE(3), allowNull: true },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
    updated_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("colour_cards", ["shop_id", "removed_at", "name"]);
}
