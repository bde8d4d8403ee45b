import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class PourRow extends Model<InferAttributes<PourRow>, InferCreationAttributes<PourRow>> {
  declare id: string;
  declare shopId: string;
  declare jobId: string;
  declare jobRevision: number;
  /** The document and cards it was started from. */
  declare plan: Record<string, unknown> | string;
  declare startedBy: string;
  declare startedAt: Date;
  declare finishedAt: Date | null;
}

/** Append-only. The id is the client's; the sequence is ours. */
export class PourEventRow extends Model<
  InferAttributes<PourEventRow>,
  InferCreationAttributes<PourEventRow>
> {
  declare id: string;
  declare pourId: string;
  declare kind: string;
  declare at: Date;
  declare detail: Record<string, unknown> | string;
  declare recordedBy: string;
  declare receivedAt: CreationOptional<Date>;
  /** Numbered by the server as they come; of entries with one time the order. */
  declare sequence: CreationOptional<string>;
}

export function definePour(sequelize: Sequelize): { Pour: typeof PourRow; PourEvent: typeof PourEventRow } {
  class Pour extends PourRow {}
  class PourEvent extends PourEventRow {}
  Pour.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      jobId: DataTypes.UUID,
      jobRevision: DataTypes.INTEGER,
      plan: DataTypes.JSON,
      startedBy: DataTypes.STRING(80),
      startedAt: DataTypes.DATE(3),
      finishedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "pours", timestamps: false },
  );
  PourEvent.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      pourId: DataTypes.UUID,
      kind: DataTypes.STRING(20),
      at: DataTypes.DATE(3),
      detail: DataTypes.JSON,
      recordedBy: DataTypes.STRING(80),
      receivedAt: DataTypes.DATE(3),
      sequence: { type: DataTypes.BIGINT.UNSIGNED, unique: true },
    },
    {
      sequelize,
      underscored: true,
      tableName: "pour_events",
      timestamps: true,
      createdAt: "receivedAt",
      updatedAt: false,
    },
  );
  return { Pour, PourEvent };
}
