import type { GasMix } from '../case/gas-mix';
import { ARC_LENGTH_MM } from './coefficients';
import { sprayShare } from './transfer';
import type { Wire } from './wire';

/**
 * Length of the arc: that of a balanced one, and a millimetre more or less for what the volts are over or under balance
 * by the gradient of the column. For comparing two settings; in short circuit it is the average over the shorts.
 * @param currentA welding current in A
 * @param voltageErrorV volts over (+) or under (-) balance
 * @returns mm, never under 0: a stubbing wire has no arc
 */
export function arcLength(currentA: number, voltageErrorV: number, wire: Wire, gas: GasMix): number {
  const { shortCircuit, spray, gradientVPerMm } = ARC_LENGTH_MM;
  const balanced = shortCircuit.value + sprayShare(currentA, wire, gas) * (spray.value - shortCircuit.value);
  return Math.max(0, balanced + voltageErrorV / gradientVPerMm.value);
}
