import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

export class ShopRow extends Model<InferAttributes<ShopRow>, InferCreationAttributes<ShopRow>> {
  declare id: string;
  declare name: string;
  /** What it has and when it works; null until somebody said so. */
  declare bench: CreationOptional<Record<string, unknown> | string | null>;
  /** What it reckons with; null until somebody said so. */
  declare rates: CreationOptional<Record<string, unknown> | string | null>;
  declare createdAt: CreationOptional<Date>;
}

export class PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  declare id: string;
  declare shopId: string;
  declare name: string;
  declare email: string;
  declare role: "owner" | "hand";
  declare units: "us" | "metric";
  declare clock: "24h" | "12h";
  declare passwordHash: string;
  declare createdAt: CreationOptional<Date>;
}

export function defineShop(sequelize: Sequelize): { Shop: typeof ShopRow; Person: typeof PersonRow } {
  class Shop extends ShopRow {}
  class Person extends PersonRow {}
  const common = { sequelize, underscored: true, updatedAt: false } as const;
  Shop.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: DataTypes.STRING(80),
      bench: DataTypes.JSON,
      rates: DataTypes.JSON,
      createdAt: DataTypes.DATE(3),
    },
    { ...common, tableName: "shops" },
  );
  Person.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      name: DataTypes.STRING(80),
      email: DataTypes.STRING(200),
      role: DataTypes.ENUM("owner", "hand"),
      units: DataTypes.ENUM("us", "metric"),
      clock: DataTypes.ENUM("24h", "12h"),
      passwordHash: DataTypes.STRING(255),
      createdAt: DataTypes.DATE(3),
    },
    { ...common, tableName: "people" },
  );
  return { Shop, Person };
}
