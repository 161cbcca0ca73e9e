import type { GasMix } from '../case/gas-mix';
import { PULSE_FROM, SHORT_UP_TO_MM, SPRAY_FROM_MM, SPRAY_TRANSITION } from './coefficients';
import { WIRE_RANGE } from './wire-ranges';
import { readBySize } from './read-rows';
import { sprayTransitionCurrent } from './transfer';
import { isTubular, wireMetal, type Wire } from './wire';

/** Currents between which a transfer runs quietly, A. */
export type Quiet = { lowA: number; highA: number };
/** What a solid wire can be run at in a gas; null where a transfer is not to be had. */
export type QuietRanges = { short: Quiet | null; spray: Quiet | null };

const rangeOf = (rows: readonly { diameterMm: number; lowA: number; highA: number }[], diameterMm: number): Quiet => ({
  lowA: readBySize(rows, ({ lowA }) => lowA, diameterMm),
  highA: readBySize(rows, ({ highA }) => highA, diameterMm),
});

/** The usable ranges of a steel or stainless wire, by transfer. */
export const rowsOf = ({ class: wireClass }: Pick<Wire, 'class'>) =>
  wireClass === 'metal-cored'
    ? { short: WIRE_RANGE.metalCoredShort, spray: WIRE_RANGE.metalCoredSpray }
    : { short: WIRE_RANGE.solidShort, spray: WIRE_RANGE.solidSpray };

/**
 * The least mean current of a solid or metal-cored wire in pulse, A: every drop is thrown by a pulse over the transition, however far the
 * mean lies under it.
 */
export function pulseFrom(wire: Wire): number {
  const rows = wireMetal(wire.class) === 'aluminium' ? WIRE_RANGE.aluminium : rowsOf(wire).spray;
  return PULSE_FROM.value * rangeOf(rows, wire.diameterMm).lowA;
}

const upright = (range: Quiet): Quiet | null => (range.lowA <= range.highA ? range : null);

/**
 * The quiet ranges of a wire in a gas: short arc up to 0.85 of the spray transition, spray from 1.12 of it, nothing between,
 * where drops are large and wild. Aluminium has spray alone. Tubular wire has a window of its own, and no ranges here.
 * @param wire class and diameter
 * @param gas all four shares
 */
export function quietRanges(wire: Wire, gas: GasMix): QuietRanges {
  if (isTubular(wire.class)) return { short: null, spray: null };
  const transition = sprayTransitionCurrent(wire, gas);
  const { wildFrom, wildTo, aluminiumFrom } = SPRAY_TRANSITION;
  if (wireMetal(wire.class) === 'aluminium') {
    const { lowA, highA } = rangeOf(WIRE_RANGE.aluminium, wire.diameterMm);
    return { short: null, spray: { lowA: Math.max(lowA, aluminiumFrom.value * (transition ?? 0)), highA } };
  }
  const rows = rowsOf(wire);
  const short = rangeOf(rows.short, wire.diameterMm);
  const spray = rangeOf(rows.spray, wire.diameterMm);
  return {
    short:
      wire.diameterMm > SHORT_UP_TO_MM
        ? null
        : upright({ ...short, highA: Math.min(short.highA, wildFrom.value * (transition ?? Infinity)) }),
    spray:
      transition === null || wire.diameterMm < SPRAY_FROM_MM
        ? null
        : upright({ ...spray, lowA: Math.max(spray.lowA, wildTo.value * transition) }),
  };
}
