import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Append-only. The id is the client's. */
export class PracticeRow extends Model<InferAttributes<PracticeRow>, InferCreationAttributes<PracticeRow>> {
  declare id: string;
  declare shopId: string;
  declare personId: string | null;
  declare doneAt: Date;
  declare score: number;
  declare result: Record<string, unknown> | string;
}

/** Append-only. The id is the client's. */
export class ApprovedPictureRow extends Model<
  InferAttributes<ApprovedPictureRow>,
  InferCreationAttributes<ApprovedPictureRow>
> {
  declare id: string;
  declare shopId: string;
  declare versionId: string;
  declare pictureId: string;
  declare approvedAt: Date;
  declare approvedBy: string;
  declare words: string;
}

export function defineRehearsal(sequelize: Sequelize): {
  Practice: typeof PracticeRow;
  ApprovedPicture: typeof ApprovedPictureRow;
} {
  class Practice extends PracticeRow {}
  Practice.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      personId: DataTypes.UUID,
      doneAt: DataTypes.DATE(3),
      score: DataTypes.INTEGER,
      result: DataTypes.JSON,
    },
    { sequelize, underscored: true, tableName: "practices", timestamps: false },
  );
  class ApprovedPicture extends ApprovedPictureRow {}
  ApprovedPicture.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      versionId: DataTypes.UUID,
      pictureId: DataTypes.UUID,
      approvedAt: DataTypes.DATE(3),
      approvedBy: DataTypes.STRING(80),
      words: DataTypes.STRING(200),
    },
    { sequelize, underscored: true, tableName: "approved_pictures", timestamps: false },
  );
  return { Practice, ApprovedPicture };
}
