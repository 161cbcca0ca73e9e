/** What a run-out of the wire shows: the true wire speed over the one that is set. */
const RUN_OUT_LIMITS = { low: 0.7, high: 1.3 };

/**
 * The scale of a machine's wire from a run-out: the trigger held for some seconds with the wire in the open, and what came
 * out measured.
 * @param lengthMm of the wire that came out
 * @param seconds the trigger was held
 * @param setMPerMin wire speed that was set
 * @returns true speed over set speed, to a thousandth; null where a figure is missing, or they cannot be of one run
 */
export function runOutScale(lengthMm: number | null, seconds: number | null, setMPerMin: number | null): number | null {
  if (lengthMm === null || seconds === null || setMPerMin === null) return null;
  if (!(lengthMm > 0 && seconds > 0 && setMPerMin > 0)) return null;
  const scale = ((lengthMm / 1000 / seconds) * 60) / setMPerMin;
  return scale >= RUN_OUT_LIMITS.low && scale <= RUN_OUT_LIMITS.high ? Number(scale.toFixed(3)) : null;
}
