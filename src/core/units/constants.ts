/**
 * Conversion constants. Inside the core everything is mm, ml, g, °C and seconds.
 * Source: NIST Handbook 44, appendix C (US gallon = 231 in³, inch = 25.4 mm, avoirdupois pound = 453.59237 g).
 */
export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 304.8;
export const MM_PER_MIL = 0.0254;
export const MM2_PER_FT2 = MM_PER_FOOT * MM_PER_FOOT;
export const MM2_PER_M2 = 1e6;
export const ML_PER_US_GALLON = (231 * MM_PER_INCH ** 3) / 1000;
export const ML_PER_US_FL_OZ = ML_PER_US_GALLON / 128;
export const G_PER_LB = 453.59237;
export const G_PER_OZ = G_PER_LB / 16;
export const MM3_PER_ML = 1000;
