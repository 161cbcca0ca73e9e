/** Metals whose sheet is numbered, each in its own way. */
export type SheetMetal = 'mild-steel' | 'stainless' | 'aluminium';

/**
 * Sheet gauge numbers, which mean another thickness in every metal.
 *
 * Sources. Plain steel: Manufacturers' Standard Gauge, by weight: 41.82 lb/ft2 per inch, one number standing for a weight in
 * ounces per square foot (16 gauge: 40 oz, 0.0598 in). Stainless: the older standard gauge of the same weights at 40 lb/ft2 per
 * inch (16 gauge: 0.0625 in). Aluminium: Brown & Sharpe, a geometric row from 0.0050 in (36) to 0.4600 in (0000), 39 steps.
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
const POUNDS_PER_INCH = { 'mild-steel': 41.82, stainless: 40 } as const;
const MM_PER_INCH = 25.4;

/** Gauge numbers that {@link gaugeToMm} knows, thick to thin. */
export const GAUGES = Object.keys(OUNCES_PER_SQUARE_FOOT).map(Number);
/** Those that sheet is commonly sold in. */
export const COMMON_GAUGES: readonly number[] = [10, 11, 12, 14, 16, 18, 20, 22];

/**
 * Thickness of a sheet from its gauge number.
 * @param gauge whole number 3 to 26
 * @param metal whose sheet it is
 * @returns thickness in mm
 * @throws RangeError for a number outside the table
 */
export function gaugeToMm(gauge: number, metal: SheetMetal = 'mild-steel'): number {
  const ounces = OUNCES_PER_SQUARE_FOOT[gauge];
  if (ounces === undefined) throw new RangeError('gauge takes a whole number from 3 to 26');
  return metal === 'aluminium'
    ? 0.005 * 92 ** ((36 - gauge) / 39) * MM_PER_INCH
    : (ounces / 16 / POUNDS_PER_INCH[metal]) * MM_PER_INCH;
}

/**
 * The gauge number nearest to a thickness, for showing beside the millimetres.
 * @param thicknessMm thickness in mm
 * @param metal whose sheet it is
 * @returns the gauge number, or null when no gauge lies within 8 %
 */
export function nearestGauge(thicknessMm: number, metal: SheetMetal = 'mild-steel'): number | null {
  const off = (gauge: number): number => Math.abs(gaugeToMm(gauge, metal) - thicknessMm);
  const best = GAUGES.reduce((nearest, gauge) => (off(gauge) < off(nearest) ? gauge : nearest));
  return off(best) <= 0.08 * thicknessMm ? best : null;
}
