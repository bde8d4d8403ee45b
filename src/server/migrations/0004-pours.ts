import { DataTypes, type QueryInterface } from "sequelize";

export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.createTable("pours", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    job_id: { type: DataTypes.UUID, allowNull: false, references: { model: "jobs", key: "id" } },
    job_revision: { type: DataTypes.INTEGER, allowNull: false },
    plan: { type: DataTypes.JSON, allowNull: false },
    started_by: { type: DataTypes.STRING(80), allowNull: false },
    started_at: { type: DataTypes.DATE(3), allowNull: false },
    finished_at: { type: DataTypes.DATE(3), allowNull: true },
  });
  await tables.addIndex("pours", ["shop_id", "finished_at", "started_at"]);
  await tables.addIndex("pours", ["job_id", "started_at"]);
  await tables.createTable("pour_events", {
    id: { type: DataTypes.UUID, primaryKey: true },
    pour_id: { type: DataTypes.UUID, allowNull: false, references: { model: "pours", key: "id" } },
    kind: { type: DataTypes.STRING(20), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
    detail: { type: DataTypes.JSON, allowNull: false },
    recorded_by: { type: DataTypes.STRING(80), allowNull: false },
    received_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("pour_events", ["pour_id", "at"]);
}
