import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class ColourCardRow extends Model<
  InferAttributes<ColourCardRow>,
  InferCreationAttributes<ColourCardRow>
> {
  declare id: string;
  declare shopId: string;
  declare name: string;
  declare fields: Record<string, unknown> | string;
  declare removedAt: CreationOptional<Date | null>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

export function defineColourCard(sequelize: Sequelize): typeof ColourCardRow {
  class ColourCard extends ColourCardRow {}
  ColourCard.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      name: DataTypes.STRING(80),
      fields: DataTypes.JSON,
      removedAt: DataTypes.DATE(3),
      createdAt: DataTypes.DATE(3),
      updatedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "colour_cards" },
  );
  return ColourCard;
}
