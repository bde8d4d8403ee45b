import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Append-only, both. Ids are the client's. */
export class TrialRow extends Model<InferAttributes<TrialRow>, InferCreationAttributes<TrialRow>> {
  declare id: string;
  declare shopId: string;
  declare plan: Record<string, unknown> | string;
  declare begunBy: string;
  declare at: Date;
}

export class TrialEntryRow extends Model<
  InferAttributes<TrialEntryRow>,
  InferCreationAttributes<TrialEntryRow>
> {
  declare id: string;
  declare trialId: string;
  declare said: Record<string, unknown> | string;
  declare saidBy: string;
  declare at: Date;
}

export function defineTrial(sequelize: Sequelize): {
  Trial: typeof TrialRow;
  TrialEntry: typeof TrialEntryRow;
} {
  class Trial extends TrialRow {}
  class TrialEntry extends TrialEntryRow {}
  Trial.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      plan: DataTypes.JSON,
      begunBy: DataTypes.STRING(80),
      at: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "trials", timestamps: false },
  );
  TrialEntry.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      trialId: DataTypes.UUID,
      said: DataTypes.JSON,
      saidBy: DataTypes.STRING(80),
      at: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "trial_entries", timestamps: false },
  );
  return { Trial, TrialEntry };
}
