import type { Rig } from '../case/schema';
import { balancedVolts, currentAt, withWire, arcSetup } from './setup';
import { usualStickOut } from './stick-out';

/**
 * The volts that a bead was run with when it was sound: those in balance at its wire speed. Good to about the half of the
 * window of balance, 1 V, and to the laws.
 * @param rig wire and gas it was run with
 * @param wireSpeedMPerMin above 0
 * @param stickOutMm contact tip to work; the usual one where null
 * @returns V; null where the wire is not known, or in pulse, whose arc is set by trim
 */
export function voltsOfGoodBead(rig: Rig, wireSpeedMPerMin: number, stickOutMm: number | null): number | null {
  const setup = withWire(arcSetup({ format: 'jolly-tinker/case@1', rig }));
  if (setup === null || setup.pulse) return null;
  const near = currentAt(setup, wireSpeedMPerMin, usualStickOut(setup, null).wanted);
  return balancedVolts(setup, currentAt(setup, wireSpeedMPerMin, stickOutMm ?? usualStickOut(setup, near).wanted));
}
