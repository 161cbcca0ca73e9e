/**
 * Sheet gauge numbers for uncoated steel.
 *
 * Source: Manufacturers' Standard Gauge for sheet steel, by weight: 41.82 lb/ft2 per inch,
 * one gauge number standing for a weight in ounces per square foot (16 gauge: 40 oz, 0.0598 in).
 * Valid for plain carbon steel only; stainless and aluminium use other tables.
 */
const OUNCES_PER_SQUARE_FOOT: Record<number, number> = {
  3: 160,
  4: 150,
  5: 140,
  6: 130,
  7: 120,
  8: 110,
  9: 100,
  10: 90,
  11: 80,
  12: 70,
  13: 60,
  14: 50,
  15: 45,
  16: 40,
  17: 36,
  18: 32,
  19: 28,
  20: 24,
  21: 22,
  22: 20,
  23: 18,
  24: 16,
  25: 14,
  26: 12,
};
const MM_PER_OUNCE_PER_SQUARE_FOOT = 25.4 / (41.82 * 16);

/** Gauge numbers that {@link gaugeToMm} knows, thick to thin. */
export const STEEL_GAUGES = Object.keys(OUNCES_PER_SQUARE_FOOT).map(Number);

/**
 * Thickness of a steel sheet from its gauge number.
 * @param gauge whole number 3 to 26
 * @returns thickness in mm
 * @throws RangeError for a number outside the table
 */
export function gaugeToMm(gauge: number): number {
  const ounces = OUNCES_PER_SQUARE_FOOT[gauge];
  if (ounces === undefined) throw new RangeError('gauge takes a whole number from 3 to 26');
  return ounces * MM_PER_OUNCE_PER_SQUARE_FOOT;
}

/**
 * The gauge number nearest to a thickness, for showing beside the millimetres.
 * @param thicknessMm thickness in mm
 * @returns the gauge number, or null when no gauge lies within 8 %
 */
export function nearestGauge(thicknessMm: number): number | null {
  const best = STEEL_GAUGES.reduce((nearest, gauge) =>
    Math.abs(gaugeToMm(gauge) - thicknessMm) < Math.abs(gaugeToMm(nearest) - thicknessMm) ? gauge : nearest,
  );
  return Math.abs(gaugeToMm(best) - thicknessMm) <= 0.08 * thicknessMm ? best : null;
}
