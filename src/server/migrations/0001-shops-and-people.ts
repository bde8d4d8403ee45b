import { DataTypes, type QueryInterface } from "sequelize";

export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  await tables.createTable("shops", {
    id: { type: DataTypes.UUID, primaryKey: true },
    name: { type: DataTypes.STRING(80), allowNull: false },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.createTable("people", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    name: { type: DataTypes.STRING(80), allowNull: false },
    email: { type: DataTypes.STRING(200), allowNull: false, unique: true },
    role: { type: DataTypes.ENUM("owner", "hand"), allowNull: false },
    units: { type: DataTypes.ENUM("us", "metric"), allowNull: false, defaultValue: "us" },
    password_hash: { type: DataTypes.STRING(255), allowNull: false },
    session_version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  // Layout asked for by rate-limiter-flexible.
  await tables.createTable("sign_in_attempts", {
    key: { type: DataTypes.STRING(255), primaryKey: true },
    points: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
    expire: { type: DataTypes.BIGINT.UNSIGNED, allowNull: true },
  });
}
