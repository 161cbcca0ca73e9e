import { SOURCE } from './coefficients';

/** A source of constant voltage as an arc sees it. */
export type Source = { openCircuitV: number; slopeVPerA: number; leadsOhm: number; inductanceMh: number };

/**
 * The source that holds a voltage at a current.
 * @param voltageV volts at the machine while it welds
 * @param currentA the current that goes with them: over time the choke takes nothing, so the mean is held exactly there
 * @param arcControlPct 0 crisp to 100 soft
 */
export function sourceFor(voltageV: number, currentA: number, arcControlPct: number): Source {
  const { slopeVPerA, leadsOhm, crispMh, softMh } = SOURCE;
  return {
    openCircuitV: voltageV + slopeVPerA.value * currentA,
    slopeVPerA: slopeVPerA.value,
    leadsOhm: leadsOhm.value,
    inductanceMh: crispMh.value + (arcControlPct / 100) * (softMh.value - crispMh.value),
  };
}

/**
 * Returns how fast the current rises: what the voltages leave over, by the choke.
 * @param resistanceOhm of all that the current goes through outside of the machine
 * @param loadV of the arc; nothing in a short
 * @returns A/ms
 */
export const currentRise = (source: Source, currentA: number, resistanceOhm: number, loadV: number): number =>
  (source.openCircuitV - (source.slopeVPerA + resistanceOhm) * currentA - loadV) / source.inductanceMh;
