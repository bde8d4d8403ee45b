import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Append-only, both. Ids are the client's. */
export class QuoteRow extends Model<InferAttributes<QuoteRow>, InferCreationAttributes<QuoteRow>> {
  declare id: string;
  declare shopId: string;
  declare jobId: string;
  declare year: number;
  declare number: number;
  declare quote: Record<string, unknown> | string;
  declare madeBy: string;
  declare at: Date;
}

export class QuoteEntryRow extends Model<
  InferAttributes<QuoteEntryRow>,
  InferCreationAttributes<QuoteEntryRow>
> {
  declare id: string;
  declare sequence: CreationOptional<string>;
  declare quoteId: string;
  declare kind: "sent" | "accepted" | "declined" | "withdrawn";
  declare lookId: string | null;
  declare words: string;
  declare recordedBy: string;
  declare at: Date;
}

export function defineQuote(sequelize: Sequelize): {
  Quote: typeof QuoteRow;
  QuoteEntry: typeof QuoteEntryRow;
} {
  class Quote extends QuoteRow {}
  class QuoteEntry extends QuoteEntryRow {}
  Quote.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      jobId: DataTypes.UUID,
      year: DataTypes.SMALLINT,
      number: DataTypes.INTEGER,
      quote: DataTypes.JSON,
      madeBy: DataTypes.STRING(80),
      at: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "quotes", timestamps: false },
  );
  QuoteEntry.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      sequence: { type: DataTypes.BIGINT.UNSIGNED, unique: true },
      quoteId: DataTypes.UUID,
      kind: DataTypes.STRING(12),
      lookId: DataTypes.STRING(40),
      words: DataTypes.STRING(400),
      recordedBy: DataTypes.STRING(80),
      at: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "quote_entries", timestamps: false },
  );
  return { Quote, QuoteEntry };
}
