import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare id: string;
  declare shopId: string;
  declare name: string;
  declare client: string;
  declare status: "planning" | "approved" | "pouring" | "curing" | "done";
  declare dueOn: string | null;
  declare archivedAt: CreationOptional<Date | null>;
  /** Deleted: it can be brought back for a while, and nobody finds it otherwise. */
  declare removedAt: CreationOptional<Date | null>;
  declare revision: number;
  /** What lists ask for of the document as it is now: see `columnsOf` in the repository. */
  declare startOn: CreationOptional<string | null>;
  declare pieces: CreationOptional<number>;
  declare recipeVersionId: CreationOptional<string | null>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

/**
 * One version of a job's document, never changed. Old ones are thinned out by age: see `thin-versions.ts`.
 * `undoRevision` and `redoRevision` say which version undo and redo lead to from here.
 */
export class JobRevisionRow extends Model<
  InferAttributes<JobRevisionRow>,
  InferCreationAttributes<JobRevisionRow>
> {
  declare jobId: string;
  declare revision: number;
  declare document: Record<string, unknown> | string;
  declare undoRevision: number | null;
  declare redoRevision: number | null;
  declare savedBy: string;
  declare savedAt: Date;
}

export function defineJob(sequelize: Sequelize): { Job: typeof JobRow; JobRevision: typeof JobRevisionRow } {
  class Job extends JobRow {}
  class JobRevision extends JobRevisionRow {}
  Job.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      name: DataTypes.STRING(80),
      client: DataTypes.STRING(80),
      status: DataTypes.ENUM("planning", "approved", "pouring", "curing", "done"),
      dueOn: DataTypes.DATEONLY,
      archivedAt: DataTypes.DATE(3),
      removedAt: DataTypes.DATE(3),
      revision: DataTypes.INTEGER,
      startOn: DataTypes.DATEONLY,
      pieces: { type: DataTypes.INTEGER, defaultValue: 0 },
      recipeVersionId: DataTypes.UUID,
      createdAt: DataTypes.DATE(3),
      updatedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "jobs" },
  );
  JobRevision.init(
    {
      jobId: { type: DataTypes.UUID, primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: DataTypes.JSON,
      undoRevision: DataTypes.INTEGER,
      redoRevision: DataTypes.INTEGER,
      savedBy: DataTypes.STRING(80),
      savedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "job_revisions", timestamps: false },
  );
  return { Job, JobRevision };
}
