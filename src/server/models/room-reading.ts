import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";

/** Append-only. The id is the client's. */
export class RoomReadingRow extends Model<
  InferAttributes<RoomReadingRow>,
  InferCreationAttributes<RoomReadingRow>
> {
  declare id: string;
  declare shopId: string;
  declare at: Date;
  declare tempC: number;
  declare humidityPct: number | null;
  declare readBy: string;
}

export function defineRoomReading(sequelize: Sequelize): typeof RoomReadingRow {
  class RoomReading extends RoomReadingRow {}
  RoomReading.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      at: DataTypes.DATE(3),
      tempC: { type: DataTypes.DOUBLE, field: "temp_c" },
      humidityPct: { type: DataTypes.DOUBLE, field: "humidity_pct" },
      readBy: DataTypes.STRING(80),
    },
    { sequelize, underscored: true, tableName: "room_readings", timestamps: false },
  );
  return RoomReading;
}
