import { dialRange } from './dial';
import type { Dials } from './dials';

/** Between what, and how finely, a machine is set. */
export type MachineRange = { low: number; high: number; step: number };

type RangeName = 'voltageV' | 'wireSpeedMPerMin';
/** What of a rig says how far it can be set. */
type Settable = { range?: { [name in RangeName]?: MachineRange } | undefined; dials?: Dials };

/** A machine of unknown range: what most can be set to. */
const DEFAULT_RANGE = {
  voltageV: { low: 12, high: 38, step: 0.1 },
  wireSpeedMPerMin: { low: 1.5, high: 20, step: 0.1 },
};

/**
 * Returns what a machine can be set to: its range as stated, no further than its knob turns.
 * @param name volts, or wire speed in m/min
 */
export function machineRange({ range, dials }: Settable, name: RangeName): MachineRange {
  const stated = range?.[name];
  const dial = dials?.[name];
  if (dial === undefined) return stated ?? DEFAULT_RANGE[name];
  const { step } = stated ?? DEFAULT_RANGE[name];
  const knob = dialRange(dial);
  const { low, high } = stated ?? knob;
  const both = { low: Math.max(low, knob.low), high: Math.min(high, knob.high), step };
  // A range and a knob that do not meet were not taken down from one machine: the knob is what a hand turns.
  return both.low < both.high ? both : { ...knob, step };
}
