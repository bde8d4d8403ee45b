import { DataTypes, type QueryInterface } from "sequelize";

export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.createTable("jobs", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    name: { type: DataTypes.STRING(80), allowNull: false },
    client: { type: DataTypes.STRING(80), allowNull: false },
    status: { type: DataTypes.ENUM("planning", "approved", "pouring", "curing", "done"), allowNull: false },
    due_on: { type: DataTypes.DATEONLY, allowNull: true },
    archived_at: { type: DataTypes.DATE(3), allowNull: true },
    revision: { type: DataTypes.INTEGER, allowNull: false },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
    updated_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("jobs", ["shop_id", "archived_at", "updated_at"]);
  await tables.createTable("job_revisions", {
    job_id: { type: DataTypes.UUID, primaryKey: true, references: { model: "jobs", key: "id" } },
    revision: { type: DataTypes.INTEGER, primaryKey: true },
    document: { type: DataTypes.JSON, allowNull: false },
    undo_revision: { type: DataTypes.INTEGER, allowNull: true },
    redo_revision: { type: DataTypes.INTEGER, allowNull: true },
    saved_by: { type: DataTypes.STRING(80), allowNull: false },
    saved_at: { type: DataTypes.DATE(3), allowNull: false },
  });
}
