import { DataTypes, type QueryInterface } from "sequelize";

/** Practices of people with their scores; pictures that a client approved, kept with the recipe version they show. */
export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.createTable("practices", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    person_id: {
      type: DataTypes.UUID,
      allowNull: true,
      references: { model: "people", key: "id" },
      // Who leaves the shop takes the name along, not the practice.
      onDelete: "SET NULL",
    },
    done_at: { type: DataTypes.DATE(3), allowNull: false },
    score: { type: DataTypes.INTEGER, allowNull: false },
    result: { type: DataTypes.JSON, allowNull: false },
  });
  await tables.addIndex("practices", ["shop_id", "person_id", "done_at"]);
  await tables.createTable("approved_pictures", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    version_id: {
      type: DataTypes.UUID,
      allowNull: false,
      references: { model: "recipe_versions", key: "id" },
    },
    picture_id: { type: DataTypes.UUID, allowNull: false, references: { model: "pictures", key: "id" } },
    approved_at: { type: DataTypes.DATE(3), allowNull: false },
    approved_by: { type: DataTypes.STRING(80), allowNull: false },
    words: { type: DataTypes.STRING(200), allowNull: false },
  });
  await tables.addIndex("approved_pictures", ["shop_id", "version_id"]);
}
