import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/** What stands on the shelf, its lots, what happened to them (append-only), and up to where pours are booked. */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  const shop = { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } };
  await tables.createTable("shelf_items", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: shop,
    kind: { type: DataTypes.STRING(12), allowNull: false },
    name: { type: DataTypes.STRING(80), allowNull: false },
    // Of a resin or a colour; two tables, so no key.
    card_id: { type: DataTypes.UUID, allowNull: true },
    fields: { type: DataTypes.JSON, allowNull: false },
    since: { type: DataTypes.DATE(3), allowNull: false },
    removed_at: { type: DataTypes.DATE(3), allowNull: true },
  });
  await tables.addIndex("shelf_items", ["shop_id", "kind"]);
  await tables.createTable("shelf_lots", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: shop,
    item_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shelf_items", key: "id" } },
    code: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  });
  await tables.addIndex("shelf_lots", ["shop_id", "code"], { unique: true });
  await tables.addIndex("shelf_lots", ["item_id"]);
  await tables.createTable("stock_entries", {
    id: { type: DataTypes.UUID, primaryKey: true },
    // Numbered as they come: of entries with one time the order.
    sequence: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false, autoIncrement: true, unique: true },
    lot_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shelf_lots", key: "id" } },
    kind: { type: DataTypes.STRING(12), allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
    detail: { type: DataTypes.JSON, allowNull: false },
    // The pour that took it: what is in which piece is looked up by it.
    pour_id: { type: DataTypes.UUID, allowNull: true, references: { model: "pours", key: "id" } },
    recorded_by: { type: DataTypes.STRING(80), allowNull: false },
  });
  await tables.addIndex("stock_entries", ["lot_id", "sequence"]);
  await tables.createTable("booked_pours", {
    pour_id: { type: DataTypes.UUID, primaryKey: true, references: { model: "pours", key: "id" } },
    up_to: { type: DataTypes.BIGINT.UNSIGNED, allowNull: false },
    unplaced: { type: DataTypes.JSON, allowNull: false },
  });
}
