import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class RecipeRow extends Model<InferAttributes<RecipeRow>, InferCreationAttributes<RecipeRow>> {
  declare id: string;
  declare shopId: string;
  declare name: string;
  declare removedAt: CreationOptional<Date | null>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

/** One version of a recipe. Never changed, never removed. */
export class RecipeVersionRow extends Model<
  InferAttributes<RecipeVersionRow>,
  InferCreationAttributes<RecipeVersionRow>
> {
  declare id: string;
  declare shopId: string;
  declare recipeId: string;
  declare number: number;
  declare parentId: string | null;
  declare document: Record<string, unknown> | string;
  declare changeNote: string;
  declare madeBy: string;
  declare createdAt: CreationOptional<Date>;
}

export class SampleBoardRow extends Model<
  InferAttributes<SampleBoardRow>,
  InferCreationAttributes<SampleBoardRow>
> {
  declare id: string;
  declare shopId: string;
  declare versionId: string;
  declare number: number;
  declare pouredOn: string;
  declare lengthMm: number;
  declare depthMm: number;
  declare pictureId: string | null;
  declare measured: Record<string, unknown> | string | null;
  declare result: string;
  declare clientWord: string;
  declare decision: "open" | "approved" | "refused";
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

export function defineRecipe(sequelize: Sequelize): {
  Recipe: typeof RecipeRow;
  RecipeVersion: typeof RecipeVersionRow;
  SampleBoard: typeof SampleBoardRow;
} {
  class Recipe extends RecipeRow {}
  class RecipeVersion extends RecipeVersionRow {}
  class SampleBoard extends SampleBoardRow {}
  Recipe.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      name: DataTypes.STRING(80),
      removedAt: DataTypes.DATE(3),
      createdAt: DataTypes.DATE(3),
      updatedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "recipes" },
  );
  RecipeVersion.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      recipeId: DataTypes.UUID,
      number: DataTypes.INTEGER,
      parentId: DataTypes.UUID,
      document: DataTypes.JSON,
      changeNote: DataTypes.STRING(400),
      madeBy: DataTypes.STRING(80),
      createdAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "recipe_versions", updatedAt: false },
  );
  SampleBoard.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      versionId: DataTypes.UUID,
      number: DataTypes.INTEGER,
      pouredOn: DataTypes.DATEONLY,
      lengthMm: DataTypes.DOUBLE,
      depthMm: DataTypes.DOUBLE,
      pictureId: DataTypes.UUID,
      measured: DataTypes.JSON,
      result: DataTypes.STRING(1000),
      clientWord: DataTypes.STRING(400),
      decision: DataTypes.ENUM("open", "approved", "refused"),
      createdAt: DataTypes.DATE(3),
      updatedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "sample_boards" },
  );
  return { Recipe, RecipeVersion, SampleBoard };
}
