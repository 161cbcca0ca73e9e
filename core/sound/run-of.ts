import { arcSetup, withWire } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { isUnstableGas } from '../arc/transfer';
import type { Case } from '../case/schema';
import { SETTINGS, type Settings } from '../setting/table';
import type { ArcRun } from './arc-run';

/** What the simulated arc holds for: wires and speeds of the laws of melting, and what a machine can show. */
const HOLDS = { diameterMm: [0.5, 1.7], wireSpeedMPerMin: [0.5, 25], voltageV: [8, 40], stickOutMm: [5, 40] } as const;

const within = (value: number, [low, high]: readonly [number, number]): boolean => value >= low && value <= high;

/**
 * Returns what an arc would be burned with on the rig of a case, the volts and the wire as they are at the arc by what the rig has taught.
 * @param settings volts and wire speed as the machine shows them; the usual stick-out and arc control stand in where they are not known
 * @param seed of the scatter
 * @returns null where wire, volts or wire speed are not known, or the arc is of a kind that is not simulated: pulse, pure argon on
 *   steel, figures far from any that are welded with
 */
export function arcRunOf(input: Case, settings: Settings, seed: number): ArcRun | null {
  const setup = withWire(arcSetup(input, input.experience?.machine));
  const { voltageV, wireSpeedMPerMin } = settings;
  if (setup === null || voltageV === undefined || wireSpeedMPerMin === undefined) return null;
  const { wire, gas, machine, pulse } = setup;
  if (pulse || isUnstableGas(wire, gas)) return null;
  const run: ArcRun = {
    wire,
    gas,
    voltageV: voltageV + machine.offsetV,
    wireSpeedMPerMin: wireSpeedMPerMin * machine.wireScale,
    stickOutMm: settings.stickOutMm ?? usualStickOut(setup, null).wanted,
    arcControlPct: settings.arcControlPct ?? SETTINGS.arcControlPct.usual,
    seed,
  };
  const holds =
    within(wire.diameterMm, HOLDS.diameterMm) &&
    within(run.wireSpeedMPerMin, HOLDS.wireSpeedMPerMin) &&
    within(run.voltageV, HOLDS.voltageV) &&
    within(run.stickOutMm, HOLDS.stickOutMm);
  return holds ? run : null;
}
