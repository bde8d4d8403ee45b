import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** The lines of a job's price as they were typed last. */
export class JobPriceRow extends Model<InferAttributes<JobPriceRow>, InferCreationAttributes<JobPriceRow>> {
  declare jobId: string;
  declare draft: Record<string, unknown> | string;
  declare savedBy: string;
  declare savedAt: Date;
}

export function defineJobPrice(sequelize: Sequelize): typeof JobPriceRow {
  class JobPrice extends JobPriceRow {}
  JobPrice.init(
    {
      jobId: { type: DataTypes.UUID, primaryKey: true },
      draft: DataTypes.JSON,
      savedBy: DataTypes.STRING(80),
      savedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "job_prices", timestamps: false },
  );
  return JobPrice;
}
