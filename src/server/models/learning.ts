import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Append-only. The id is the client's. */
export class LearningDecisionRow extends Model<
  InferAttributes<LearningDecisionRow>,
  InferCreationAttributes<LearningDecisionRow>
> {
  declare id: string;
  declare shopId: string;
  declare kind: string;
  declare detail: Record<string, unknown> | string;
  declare decidedBy: string;
  declare at: Date;
}

export function defineLearning(sequelize: Sequelize): { LearningDecision: typeof LearningDecisionRow } {
  class LearningDecision extends LearningDecisionRow {}
  LearningDecision.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      kind: DataTypes.STRING(20),
      detail: DataTypes.JSON,
      decidedBy: DataTypes.STRING(80),
      at: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "learning_decisions", timestamps: false },
  );
  return { LearningDecision };
}
