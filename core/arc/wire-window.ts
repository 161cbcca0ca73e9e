import type { BaseMetal, Position } from '../case/schema';
import { OUT_OF_POSITION, WIRE_RANGE } from './coefficients';
import { readBySize } from './read-rows';
import { isTubular, requireRange, type Wire } from './wire';

/** What a wire can be run at: amps, and volts where the wire has a window of its own for them. */
export type WireWindow = { lowA: number; highA: number; lowV: number | null; highV: number | null };

/**
 * The window of a wire, straight between the listed sizes.
 * @param wire class and diameter, 0.5 to 2.4 mm
 * @returns amps, and volts for tubular wire
 * @throws RangeError outside those diameters
 */
export function wireWindow(wire: Wire): WireWindow {
  requireRange(wire.diameterMm, 0.5, 2.4, 'wire diameter in mm');
  const of = <Row extends { diameterMm: number }>(rows: readonly Row[], figure: (row: Row) => number): number =>
    readBySize(rows, figure, wire.diameterMm);
  if (wire.class !== 'tubular-self-shielded' && wire.class !== 'tubular-gas-shielded') {
    const rows = WIRE_RANGE.solid;
    return { lowA: of(rows, ({ lowA }) => lowA), highA: of(rows, ({ highA }) => highA), lowV: null, highV: null };
  }
  const rows = WIRE_RANGE[wire.class];
  return {
    lowA: of(rows, ({ lowA }) => lowA),
    highA: of(rows, ({ highA }) => highA),
    lowV: of(rows, ({ lowV }) => lowV),
    highV: of(rows, ({ highV }) => highV),
  };
}

/** The most current of one pass, and what sets it. */
export type PassCeiling = { currentA: number; by: 'wire' | 'position' | 'gun' | 'source' };

/** Positions in which the puddle has to be held up. */
export const isAgainstGravity = (position: Position): boolean => position === 'vertical-up' || position === 'overhead';

/**
 * The most current that one pass can be asked for.
 * @param wire class and diameter
 * @param position of the joint
 * @param pulse whether the machine pulses
 * @param baseMetal of the plate
 * @returns A, and whether wire or position is the limit
 */
export function passCeiling(wire: Wire, position: Position, pulse: boolean, baseMetal: BaseMetal): PassCeiling {
  const { highA } = wireWindow(wire);
  if (!isAgainstGravity(position)) return { currentA: highA, by: 'wire' };
  const { solidSteel, tubularShare, pulseFactor, aluminiumFactor } = OUT_OF_POSITION;
  const held = isTubular(wire.class)
    ? tubularShare.value * highA
    : readBySize(solidSteel, (row) => row.highA, wire.diameterMm) *
      (pulse ? pulseFactor.value : 1) *
      (baseMetal === 'aluminium' ? aluminiumFactor.value : 1);
  return held < highA ? { currentA: held, by: 'position' } : { currentA: highA, by: 'wire' };
}
