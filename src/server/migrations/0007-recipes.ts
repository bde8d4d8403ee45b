import { DataTypes, type QueryInterface } from "sequelize";

const shop = { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } };
const id = { type: DataTypes.UUID, primaryKey: true };
const moment = { type: DataTypes.DATE(3), allowNull: false };

/** Recipes with their versions, sample boards poured of a version, and small pictures for lists. */
export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.addColumn("pictures", "thumbnail", { type: DataTypes.BLOB("medium"), allowNull: true });
  await tables.createTable("recipes", {
    id,
    shop_id: shop,
    name: { type: DataTypes.STRING(80), allowNull: false },
    removed_at: { type: DataTypes.DATE(3), allowNull: true },
    created_at: moment,
    updated_at: moment,
  });
  await tables.addIndex("recipes", ["shop_id", "removed_at", "updated_at"]);
  await tables.createTable("recipe_versions", {
    id,
    shop_id: shop,
    recipe_id: { type: DataTypes.UUID, allowNull: false, references: { model: "recipes", key: "id" } },
    number: { type: DataTypes.INTEGER, allowNull: false },
    parent_id: {
      type: DataTypes.UUID,
      allowNull: true,
      references: { model: "recipe_versions", key: "id" },
    },
    document: { type: DataTypes.JSON, allowNull: false },
    change_note: { type: DataTypes.STRING(400), allowNull: false },
    made_by: { type: DataTypes.STRING(80), allowNull: false },
    created_at: moment,
  });
  await tables.addIndex("recipe_versions", ["recipe_id", "number"], { unique: true });
  await tables.createTable("sample_boards", {
    id,
    shop_id: shop,
    version_id: {
      type: DataTypes.UUID,
      allowNull: false,
      references: { model: "recipe_versions", key: "id" },
    },
    number: { type: DataTypes.INTEGER, allowNull: false },
    poured_on: { type: DataTypes.DATEONLY, allowNull: false },
    length_mm: { type: DataTypes.DOUBLE, allowNull: false },
    depth_mm: { type: DataTypes.DOUBLE, allowNull: false },
    picture_id: { type: DataTypes.UUID, allowNull: true, references: { model: "pictures", key: "id" } },
    measured: { type: DataTypes.JSON, allowNull: true },
    result: { type: DataTypes.STRING(1000), allowNull: false },
    client_word: { type: DataTypes.STRING(400), allowNull: false },
    decision: { type: DataTypes.ENUM("open", "approved", "refused"), allowNull: false },
    created_at: moment,
    updated_at: moment,
  });
  await tables.addIndex("sample_boards", ["shop_id", "number"], { unique: true });
  await tables.addIndex("sample_boards", ["version_id", "number"]);
}
