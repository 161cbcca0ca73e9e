import type { UnitSystem } from './units';

/**
 * What the trade calls a wire in inches: a nominal size, not the millimetres converted.
 * Source: usual catalogue sizes of welding wire.
 */
const NOMINAL_INCHES: readonly (readonly [mm: number, name: string])[] = [
  [0.6, '.023'],
  [0.8, '.030'],
  [0.9, '.035'],
  [1.0, '.040'],
  [1.2, '.045'],
  [1.4, '.052'],
  [1.6, '1/16'],
  [2.0, '5/64'],
  [2.4, '3/32'],
];

/**
 * A wire's size as a person calls it.
 * @param diameterMm in mm
 * @returns for example "0.9 mm" or ".035 in"; a size without a name of its own is converted
 */
export function wireSize(diameterMm: number, units: UnitSystem): string {
  if (units === 'metric') return `${diameterMm} mm`;
  const named = NOMINAL_INCHES.find(([mm]) => Math.abs(mm - diameterMm) < 0.03);
  return `${named?.[1] ?? (diameterMm / 25.4).toFixed(3).replace(/^0/, '')} in`;
}
