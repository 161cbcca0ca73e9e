import { requireRange } from './wire';

/**
 * Travel speed of a run.
 * @param runMm length of the run, 5 to 5000 mm
 * @param seconds it took, 0.5 to 3600
 * @returns mm/min
 * @throws RangeError outside those
 */
export function travelFromRun(runMm: number, seconds: number): number {
  requireRange(runMm, 5, 5000, 'run in mm');
  requireRange(seconds, 0.5, 3600, 'time in s');
  return (runMm * 60) / seconds;
}

/**
 * Travel speed from a measured fillet leg: the metal of a given wire speed makes a leg that falls with the root of the pace.
 * @param legMm measured leg, 1 to 40 mm
 * @param legAtMetreMm leg that one metre a minute would lay at this wire speed
 * @returns mm/min
 * @throws RangeError for a leg outside those
 */
export function travelFromLeg(legMm: number, legAtMetreMm: number): number {
  requireRange(legMm, 1, 40, 'leg in mm');
  return 1000 * (legAtMetreMm / legMm) ** 2;
}

/** The leg that a pace lays, the inverse of {@link travelFromLeg}. @param travelMmPerMin above 0 */
export function legAtTravel(travelMmPerMin: number, legAtMetreMm: number): number {
  return legAtMetreMm * Math.sqrt(1000 / travelMmPerMin);
}

/** Watch and rule agree within this, as a ratio of paces: a millimetre on a 6 mm leg is a third of the pace. */
const AGREE_WITHIN = 1.35;

/** Returns whether two paces cannot both be right. */
export function pacesDisagree(a: number, b: number): boolean {
  return Math.max(a / b, b / a) > AGREE_WITHIN;
}
