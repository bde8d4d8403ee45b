import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class PictureRow extends Model<InferAttributes<PictureRow>, InferCreationAttributes<PictureRow>> {
  declare id: string;
  declare shopId: string;
  declare widthPx: number;
  declare heightPx: number;
  declare bytes: Buffer;
  /** The same for lists; null for pictures that were kept before there were any. */
  declare thumbnail: CreationOptional<Buffer | null>;
  declare addedBy: string;
  declare createdAt: CreationOptional<Date>;
}

export function definePicture(sequelize: Sequelize): typeof PictureRow {
  class Picture extends PictureRow {}
  Picture.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      widthPx: DataTypes.INTEGER,
      heightPx: DataTypes.INTEGER,
      bytes: DataTypes.BLOB("long"),
      thumbnail: DataTypes.BLOB("medium"),
      addedBy: DataTypes.STRING(80),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "pictures", updatedAt: false },
  );
  return Picture;
}
