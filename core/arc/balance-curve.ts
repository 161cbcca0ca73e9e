import { balanceHalfWidth, withinCurrentRange } from './balance';
import { AS_SHOWN, type Machine } from './machine';
import { balancedVolts, currentAt, wireSpeedAt, type WireSetup } from './setup';
import { SETTINGS } from '../setting/table';
import { wireWindow } from './wire-window';
import { clamp } from '../quantity/clamp';

/** The good volts at one wire speed, both as the machine shows them. */
export type BalancePoint = { wireSpeedMPerMin: number; lowV: number; highV: number };

/** Volts against wire speed: where the laws see balance, and where this machine has shown it to lie. */
export type BalanceCurve = {
  usual: BalancePoint[];
  /** Null for a machine that nothing has been learned of. */
  learned: BalancePoint[] | null;
};

/** Points of a curve: enough that straight lines between them are not seen. */
const POINTS = 13;
/** How far the curve goes beyond the wire speeds that are looked at, as a factor. */
const BEYOND = { below: 0.7, above: 1.4 };

function pointAt(setup: WireSetup, machine: Machine, wireSpeedMPerMin: number, stickOutMm: number): BalancePoint {
  const on: WireSetup = { ...setup, machine };
  const current = withinCurrentRange(currentAt(on, wireSpeedMPerMin, stickOutMm));
  const [middle, half] = [balancedVolts(on, current), balanceHalfWidth(current, setup.wire, setup.gas)];
  return { wireSpeedMPerMin, lowV: middle - half, highV: middle + half };
}

/**
 * The band of balance around some wire speeds, in steps of a tenth of its width or finer.
 * @param setup with the machine as it was learned
 * @param looked wire speeds that are looked at in m/min: today's, the corrected, those of the coupon
 * @param stickOutMm contact tip to work
 * @returns null on a pulsing machine, whose arc is set by trim, and where no wire speed is looked at
 */
export function balanceCurve(setup: WireSetup, looked: readonly number[], stickOutMm: number): BalanceCurve | null {
  if (setup.pulse || looked.length === 0) return null;
  const { lowA, highA } = wireWindow(setup.wire);
  const ends = [lowA, highA].map((current) => wireSpeedAt(setup, current, stickOutMm));
  // What was run outside the wire's window is shown where it was.
  const low = Math.min(...looked, Math.max(ends[0], BEYOND.below * Math.min(...looked)));
  const high = Math.max(...looked, Math.min(ends[1], BEYOND.above * Math.max(...looked)), low + 1);
  const { minimum, maximum } = SETTINGS.wireSpeedMPerMin;
  const drawn = (speed: number): number => clamp(speed, minimum, maximum);
  const speeds = Array.from({ length: POINTS }, (_, i) => drawn(low + ((high - low) * i) / (POINTS - 1)));
  const curve = (machine: Machine): BalancePoint[] => speeds.map((speed) => pointAt(setup, machine, speed, stickOutMm));
  return { usual: curve(AS_SHOWN), learned: setup.machine.sure === null ? null : curve(setup.machine) };
}
