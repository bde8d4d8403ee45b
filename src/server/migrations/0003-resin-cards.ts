import { DataTypes, type QueryInterface } from "sequelize";

export async function up({ context: tables }: { context: QueryInterface }): Promise<void> {
  const number = { type: DataTypes.DOUBLE, allowNull: false };
  const perhaps = { type: DataTypes.DOUBLE, allowNull: true };
  await tables.createTable("resin_cards", {
    id: { type: DataTypes.UUID, primaryKey: true },
    shop_id: { type: DataTypes.UUID, allowNull: false, references: { model: "shops", key: "id" } },
    name: { type: DataTypes.STRING(80), allowNull: false },
    kind: { type: DataTypes.ENUM("coating", "fast", "casting", "paint"), allowNull: false },
    ratio_by: { type: DataTypes.ENUM("volume", "mass"), allowNull: false },
    ratio_a: number,
    ratio_b: number,
    ratio_tolerance_pct: number,
    density_a_g_per_ml: number,
    density_b_g_per_ml: number,
    viscosity_pa_s: perhaps,
    viscosity_temp_c: number,
    pot_life_min: perhaps,
    pot_mass_g: number,
    pot_temp_c: number,
    film_temp_c: number,
    work_min: perhaps,
    gel_h: perhaps,
    tack_free_h: perhaps,
    recoat_from_h: perhaps,
    recoat_until_h: perhaps,
    sand_h: perhaps,
    hard_h: perhaps,
    largest_mix_g: perhaps,
    thickest_film_mm: perhaps,
    price_per_litre: { type: DataTypes.DECIMAL(10, 2), allowNull: true },
    for_counters: { type: DataTypes.BOOLEAN, allowNull: false },
    removed_at: { type: DataTypes.DATE(3), allowNull: true },
    created_at: { type: DataTypes.DATE(3), allowNull: false },
    updated_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("resin_cards", ["shop_id", "removed_at", "name"]);
}
