import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class ShelfItemRow extends Model<
  InferAttributes<ShelfItemRow>,
  InferCreationAttributes<ShelfItemRow>
> {
  declare id: string;
  declare shopId: string;
  declare kind: string;
  declare name: string;
  declare cardId: string | null;
  declare fields: Record<string, unknown> | string;
  /** What was weighed before is not booked. */
  declare since: Date;
  declare removedAt: CreationOptional<Date | null>;
}

export class ShelfLotRow extends Model<InferAttributes<ShelfLotRow>, InferCreationAttributes<ShelfLotRow>> {
  declare id: string;
  declare shopId: string;
  declare itemId: string;
  declare code: number;
}

/** Append-only. The sequence is ours. */
export class StockEntryRow extends Model<
  InferAttributes<StockEntryRow>,
  InferCreationAttributes<StockEntryRow>
> {
  declare id: string;
  declare sequence: CreationOptional<string>;
  declare lotId: string;
  declare kind: string;
  declare at: Date;
  declare detail: Record<string, unknown> | string;
  declare pourId: string | null;
  declare recordedBy: string;
}

export class BookedPourRow extends Model<
  InferAttributes<BookedPourRow>,
  InferCreationAttributes<BookedPourRow>
> {
  declare pourId: string;
  /** The sequence of the last entry of the pour that was booked. */
  declare upTo: string;
  declare unplaced: unknown[] | string;
}

export function defineShelf(sequelize: Sequelize): {
  ShelfItem: typeof ShelfItemRow;
  ShelfLot: typeof ShelfLotRow;
  StockEntry: typeof StockEntryRow;
  BookedPour: typeof BookedPourRow;
} {
  class ShelfItem extends ShelfItemRow {}
  class ShelfLot extends ShelfLotRow {}
  class StockEntry extends StockEntryRow {}
  class BookedPour extends BookedPourRow {}
  const options = (tableName: string) => ({ sequelize, underscored: true, tableName, timestamps: false });
  ShelfItem.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      kind: DataTypes.STRING(12),
      name: DataTypes.STRING(80),
      cardId: DataTypes.UUID,
      fields: DataTypes.JSON,
      since: DataTypes.DATE(3),
      removedAt: DataTypes.DATE(3),
    },
    options("shelf_items"),
  );
  ShelfLot.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      itemId: DataTypes.UUID,
      code: DataTypes.INTEGER.UNSIGNED,
    },
    options("shelf_lots"),
  );
  StockEntry.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      sequence: { type: DataTypes.BIGINT.UNSIGNED, unique: true },
      lotId: DataTypes.UUID,
      kind: DataTypes.STRING(12),
      at: DataTypes.DATE(3),
      detail: DataTypes.JSON,
      pourId: DataTypes.UUID,
      recordedBy: DataTypes.STRING(80),
    },
    options("stock_entries"),
  );
  BookedPour.init(
    {
      pourId: { type: DataTypes.UUID, primaryKey: true },
      upTo: DataTypes.BIGINT.UNSIGNED,
      unplaced: DataTypes.JSON,
    },
    options("booked_pours"),
  );
  return { ShelfItem, ShelfLot, StockEntry, BookedPour };
}
