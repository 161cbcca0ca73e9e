/**
 * Returns a value held between two bounds.
 * @param low the least @param high the most; it wins where the two are crossed
 */
export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
