import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from "sequelize";
import type { BenchTest } from "@/core/cure/resin-card";

export class ResinCardRow extends Model<
  InferAttributes<ResinCardRow>,
  InferCreationAttributes<ResinCardRow>
> {
  declare id: string;
  declare shopId: string;
  declare name: string;
  declare kind: "coating" | "fast" | "casting" | "hybrid" | "paint";
  declare ratioBy: "volume" | "mass";
  declare ratioA: number;
  declare ratioB: number;
  declare ratioTolerancePct: number;
  declare densityAGPerMl: number;
  declare densityBGPerMl: number;
  declare viscosityPaS: number | null;
  declare viscosityTempC: number;
  declare potLifeMin: number | null;
  declare potMassG: number;
  declare potTempC: number;
  declare filmTempC: number;
  declare workMin: number | null;
  declare gelH: number | null;
  declare tackFreeH: number | null;
  declare recoatFromH: number | null;
  declare recoatUntilH: number | null;
  declare sandH: number | null;
  declare hardH: number | null;
  declare gel2H: number | null;
  declare gel2TempC: CreationOptional<number>;
  declare roomFromC: number | null;
  declare roomToC: number | null;
  declare humidityMaxPct: number | null;
  declare heatedToC: CreationOptional<number | null>;
  declare heatHalfMin: CreationOptional<number | null>;
  declare benchTests: BenchTest[] | null;
  declare largestMixG: number | null;
  declare thickestFilmMm: number | null;
  declare fillerGPer100G: number | null;
  declare fillerDensityGPerMl: number | null;
  declare kits: { ml: number; price: number }[] | null;
  /** DECIMAL: an exact string. */
  declare pricePerLitre: string | null;
  declare forCounters: boolean;
  declare removedAt: CreationOptional<Date | null>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

export function defineResinCard(sequelize: Sequelize): typeof ResinCardRow {
  class ResinCard extends ResinCardRow {}
  const number = { type: DataTypes.DOUBLE, allowNull: false };
  const perhaps = { type: DataTypes.DOUBLE, allowNull: true };
  ResinCard.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      shopId: DataTypes.UUID,
      name: DataTypes.STRING(80),
      kind: DataTypes.ENUM("coating", "fast", "casting", "hybrid", "paint"),
      ratioBy: DataTypes.ENUM("volume", "mass"),
      ratioA: { ...number, field: "ratio_a" },
      ratioB: { ...number, field: "ratio_b" },
      ratioTolerancePct: { ...number, field: "ratio_tolerance_pct" },
      densityAGPerMl: { ...number, field: "density_a_g_per_ml" },
      densityBGPerMl: { ...number, field: "density_b_g_per_ml" },
      viscosityPaS: { ...perhaps, field: "viscosity_pa_s" },
      viscosityTempC: { ...number, field: "viscosity_temp_c" },
      potLifeMin: { ...perhaps, field: "pot_life_min" },
      potMassG: { ...number, field: "pot_mass_g" },
      potTempC: { ...number, field: "pot_temp_c" },
      filmTempC: { ...number, field: "film_temp_c" },
      workMin: { ...perhaps, field: "work_min" },
      gelH: { ...perhaps, field: "gel_h" },
      tackFreeH: { ...perhaps, field: "tack_free_h" },
      recoatFromH: { ...perhaps, field: "recoat_from_h" },
      recoatUntilH: { ...perhaps, field: "recoat_until_h" },
      sandH: { ...perhaps, field: "sand_h" },
      hardH: { ...perhaps, field: "hard_h" },
      gel2H: { ...perhaps, field: "gel2_h" },
      gel2TempC: { ...number, field: "gel2_temp_c", defaultValue: 30 },
      roomFromC: { ...perhaps, field: "room_from_c" },
      roomToC: { ...perhaps, field: "room_to_c" },
      humidityMaxPct: { ...perhaps, field: "humidity_max_pct" },
      heatedToC: { ...perhaps, field: "heated_to_c" },
      heatHalfMin: { ...perhaps, field: "heat_half_min" },
      benchTests: { type: DataTypes.JSON, field: "bench_tests" },
      largestMixG: { ...perhaps, field: "largest_mix_g" },
      thickestFilmMm: { ...perhaps, field: "thickest_film_mm" },
      fillerGPer100G: { ...perhaps, field: "filler_g_per_100g" },
      fillerDensityGPerMl: { ...perhaps, field: "filler_density_g_per_ml" },
      kits: DataTypes.JSON,
      pricePerLitre: DataTypes.DECIMAL(10, 2),
      forCounters: DataTypes.BOOLEAN,
      removedAt: DataTypes.DATE(3),
      createdAt: DataTypes.DATE(3),
      updatedAt: DataTypes.DATE(3),
    },
    { sequelize, underscored: true, tableName: "resin_cards" },
  );
  return ResinCard;
}
