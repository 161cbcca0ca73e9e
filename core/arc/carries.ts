import type { GasMix } from '../case/gas-mix';
import type { Rig } from '../case/schema';

/** Source: the trade's third to two fifths, in mixes of three quarters of argon and more. */
const LESS_IN_ARGON = 0.36;

/**
 * The current a gun carries: rated in CO2, which cools it; in argon mixes about a third to two fifths less. Smooth in between.
 * @param ratedA as stamped, in CO2
 * @returns A
 */
export function gunCarries(ratedA: number, gas: GasMix): number {
  return ratedA * (1 - LESS_IN_ARGON * Math.min(1, (gas.argonPct + gas.heliumPct) / 75));
}

/**
 * The share of ten minutes that a machine may have its arc on: heat goes with the square of the current, so the rated share
 * falls with it. Source: the conventional extrapolation of a duty cycle.
 * @param currentA welding current
 * @param ratedA and @param ratedPct from the rating plate
 * @returns per cent, 0 to 100
 */
export function dutyAt(currentA: number, ratedA: number, ratedPct: number): number {
  return Math.min(100, ratedPct * (ratedA / currentA) ** 2);
}

/** Share of ten minutes that an arc burns where the work is not drawn out, per cent. Judged: tack, run, look, move on. */
export const ARC_ON_PCT = 35;

/**
 * The most that a machine is asked for: what it stands for {@link ARC_ON_PCT} of the time, its rating at least.
 * @param ratedA and @param ratedPct from the rating plate
 * @returns A
 */
export function sourceGives(ratedA: number, ratedPct: number): number {
  return ratedA * Math.max(1, Math.sqrt(ratedPct / ARC_ON_PCT));
}

/** The most current that gun and source carry, and which of them ends it; null where neither is recorded. */
export type MachineCeiling = { currentA: number; by: 'gun' | 'source' };

/**
 * Returns what the machine carries, whatever the plate wants.
 * @param rig gun and source as recorded
 * @param gas a gun carries less in argon mixes
 */
export function machineCeiling({ gun, source }: Pick<Rig, 'gun' | 'source'>, gas: GasMix): MachineCeiling | null {
  const ends: MachineCeiling[] = [
    ...(gun?.ratedA === undefined ? [] : [{ currentA: gunCarries(gun.ratedA, gas), by: 'gun' as const }]),
    ...(source === undefined ? [] : [{ currentA: sourceGives(source.ratedA, source.ratedPct), by: 'source' as const }]),
  ];
  return ends.length === 0 ? null : ends.reduce((least, end) => (end.currentA < least.currentA ? end : least));
}
