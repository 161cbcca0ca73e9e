import type { GasMix } from '../case/gas-mix';
import type { BaseMetal, Position } from '../case/schema';
import { OUT_OF_POSITION, SHORT_UP_TO_MM, SPRAY_FROM_MM } from './coefficients';
import { WIRE_RANGE } from './wire-ranges';
import { pulseFrom, quietRanges, rowsOf } from './quiet-ranges';
import { readBySize } from './read-rows';
import { isTubular, requireRange, type Wire } from './wire';

/** What a wire can be run at: amps, and volts where the wire has a window of its own for them. */
export type WireWindow = { lowA: number; highA: number; lowV: number | null; highV: number | null };

const lowOf = ({ lowA }: { lowA: number }): number => lowA;
const highOf = ({ highA }: { highA: number }): number => highA;

/**
 * The window of a wire, straight between the listed sizes.
 * @param wire class and diameter, 0.5 to 2.4 mm
 * @param pulse whether the machine pulses: solid wire then runs far under its spray
 * @returns amps, and volts for tubular wire
 * @throws RangeError outside those diameters
 */
export function wireWindow(wire: Wire, pulse = false): WireWindow {
  requireRange(wire.diameterMm, 0.5, 2.4, 'wire diameter in mm');
  const of = <Row extends { diameterMm: number }>(rows: readonly Row[], figure: (row: Row) => number): number =>
    readBySize(rows, figure, wire.diameterMm);
  if (wire.class !== 'tubular-self-shielded' && wire.class !== 'tubular-gas-shielded') {
    const ends = { lowV: null, highV: null };
    const upTo = (lowA: number): number => (pulse ? Math.min(lowA, pulseFrom(wire)) : lowA);
    if (wire.class === 'solid-aluminium')
      return { lowA: upTo(of(WIRE_RANGE.aluminium, lowOf)), highA: of(WIRE_RANGE.aluminium, highOf), ...ends };
    const isThick = wire.diameterMm > SHORT_UP_TO_MM;
    const isThin = wire.diameterMm < SPRAY_FROM_MM;
    const { short, spray } = rowsOf(wire);
    return {
      lowA: upTo(of(isThick ? spray : short, lowOf)),
      highA: of(isThin ? short : spray, highOf),
      ...ends,
    };
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

/** The most that a wire is run at here, A: in spray where gas and position have one, else in short arc. */
function topOf(wire: Wire, gas: GasMix, position: Position, pulse: boolean): number {
  const { highA } = wireWindow(wire);
  if (isTubular(wire.class) || wire.class === 'solid-aluminium' || pulse) return highA;
  const { short, spray } = quietRanges(wire, gas);
  const level = position === 'flat' || position === 'horizontal';
  return (level ? spray?.highA : undefined) ?? short?.highA ?? highA;
}

/**
 * The most current that one pass can be asked for.
 * @param wire class and diameter
 * @param gas all four shares; where it does not spray, the short arc ends sooner
 * @param position of the joint
 * @param pulse whether the machine pulses
 * @param baseMetal of the plate
 * @returns A, and whether wire or position is the limit
 */
export function passCeiling(
  wire: Wire,
  gas: GasMix,
  position: Position,
  pulse: boolean,
  baseMetal: BaseMetal,
): PassCeiling {
  const highA = topOf(wire, gas, position, pulse);
  if (!isAgainstGravity(position)) return { currentA: highA, by: 'wire' };
  const { solidSteel, tubularShare, pulseFactor, aluminiumFactor, overheadFactor } = OUT_OF_POSITION;
  const held = isTubular(wire.class)
    ? tubularShare.value * highA
    : readBySize(solidSteel, (row) => row.highA, wire.diameterMm) *
      (position === 'overhead' ? overheadFactor.value : 1) *
      (pulse ? pulseFactor.value : 1) *
      (baseMetal === 'aluminium' ? aluminiumFactor.value : 1);
  return held < highA ? { currentA: held, by: 'position' } : { currentA: highA, by: 'wire' };
}
