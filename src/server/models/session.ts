import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Who is signed in where. Ended sessions are deleted. */
export class SessionRow extends Model<InferAttributes<SessionRow>, InferCreationAttributes<SessionRow>> {
  declare id: string;
  declare personId: string;
  declare openedAt: Date;
  declare endsAt: Date;
}

/** A word that one process at a time holds, or that says how far something is. */
export class MarkRow extends Model<InferAttributes<MarkRow>, InferCreationAttributes<MarkRow>> {
  declare name: string;
  declare value: string;
}

export function defineSession(sequelize: Sequelize): { Session: typeof SessionRow; Mark: typeof MarkRow } {
  class Session extends SessionRow {}
  Session.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      personId: DataTypes.UUID,
      openedAt: DataTypes.DATE(3),
      endsAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "sessions", timestamps: false },
  );
  class Mark extends MarkRow {}
  Mark.init(
    { name: { type: DataTypes.STRING(40), primaryKey: true }, value: DataTypes.STRING(40) },
    { sequelize, underscored: true, tableName: "marks", timestamps: false },
  );
  return { Session, Mark };
}
