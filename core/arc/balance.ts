import type { GasMix } from '../case/gas-mix';
import { BALANCE } from './coefficients';
import { readBySize, readRows } from './read-rows';
import { globularShare, sprayShare } from './transfer';
import { requireRange, wireMetal, type Wire } from './wire';
import { clamp } from '../quantity/clamp';

/** The gas that the spray offsets by wire are stated for. */
const SPRAY_STATED_AT_CO2_PCT = 10;

function shortCircuitOffset(wire: Wire, gas: GasMix): number {
  if (wireMetal(wire.class) === 'aluminium') return BALANCE.aluminiumShortCircuitV.value;
  return readRows(
    BALANCE.shortCircuitByCo2,
    ({ co2Pct }) => co2Pct,
    ({ offsetV }) => offsetV,
    gas.co2Pct,
  );
}

function offset(currentA: number, wire: Wire, gas: GasMix): number {
  const bySize = (rows: readonly { diameterMm: number; offsetV: number }[]): number =>
    readBySize(rows, (row) => row.offsetV, wire.diameterMm);
  if (wire.class === 'tubular-self-shielded') return bySize(BALANCE.selfShieldedByDiameter);
  if (wire.class === 'tubular-gas-shielded') {
    const towardsCo2 = Math.max(0, (gas.co2Pct - 25) / 75);
    return BALANCE.gasShieldedTubularV.value + towardsCo2 * BALANCE.gasShieldedTubularCo2V.value;
  }
  const helium = BALANCE.heliumVPerPct.value * gas.heliumPct;
  const low = shortCircuitOffset(wire, gas);
  const spray =
    wireMetal(wire.class) === 'aluminium'
      ? BALANCE.aluminiumV.value -
        BALANCE.aluminiumFrom.lessVPerA * Math.max(0, currentA - BALANCE.aluminiumFrom.currentA)
      : bySize(BALANCE.sprayByDiameter) + BALANCE.sprayPerCo2PctV.value * (gas.co2Pct - SPRAY_STATED_AT_CO2_PCT);
  const bySpray = sprayShare(currentA, wire, gas) * (spray - low);
  // Pure CO2 lies so near the load line that going globular may not lower the balance.
  const byGlobule = globularShare(currentA, wire, gas) * Math.max(0, BALANCE.globularV.value - low);
  return low + bySpray + byGlobule + helium;
}

/**
 * Voltage at which arc length and wire speed agree: the load line of IEC 60974-1 plus an offset
 * for gas, transfer and wire. Valid for 15 to 500 A.
 * @param currentA welding current in A
 * @param wire class and diameter
 * @param gas all four shares; for self-shielded wire it does not matter
 * @returns volts at the arc
 * @throws RangeError outside 15 to 500 A
 */
export function balanceVoltage(currentA: number, wire: Wire, gas: GasMix): number {
  requireRange(currentA, CURRENT_RANGE_A.low, CURRENT_RANGE_A.high, 'current in A');
  return BALANCE.baseV.value + BALANCE.slopeVPerA.value * currentA + offset(currentA, wire, gas);
}

/** The currents that the laws of balance hold for. */
const CURRENT_RANGE_A = { low: 15, high: 500 };
/** A current brought into the range that the laws of balance hold for. */
export function withinCurrentRange(currentA: number): number {
  return clamp(currentA, CURRENT_RANGE_A.low, CURRENT_RANGE_A.high);
}

/** Halvings to come within a tenth of an amp. */
const HALVINGS = 13;

/**
 * The current that a voltage holds in balance, the inverse of {@link balanceVoltage}, which rises with the current.
 * @param voltageV volts at the arc
 * @param wire class and diameter
 * @param gas all four shares
 * @returns A, kept within 15 to 500
 */
export function currentInBalance(voltageV: number, wire: Wire, gas: GasMix): number {
  let { low, high } = CURRENT_RANGE_A;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (balanceVoltage(middle, wire, gas) < voltageV) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Returns how far {@link balanceVoltage} may be off, beside what the current is off: the tolerance of the offset by transfer.
 * @param currentA welding current in A
 * @param wire class and diameter
 * @param gas all four shares
 * @returns volts
 */
export function balanceTolerance(currentA: number, wire: Wire, gas: GasMix): number {
  const { toleranceV } = BALANCE;
  if (wire.class === 'tubular-self-shielded') return toleranceV.selfShielded;
  if (wire.class === 'tubular-gas-shielded') return toleranceV.gasShielded;
  const spray = sprayShare(currentA, wire, gas);
  const globular = globularShare(currentA, wire, gas);
  const open = wireMetal(wire.class) === 'aluminium' ? toleranceV.aluminium : toleranceV.spray;
  const short = wireMetal(wire.class) === 'aluminium' ? toleranceV.aluminium : toleranceV.shortCircuit;
  return short + spray * (open - short) + globular * (toleranceV.globular - short);
}

/**
 * Half the width of the good window around {@link balanceVoltage}.
 * @returns volts
 */
export function balanceHalfWidth(currentA: number, wire: Wire, gas: GasMix): number {
  const { shortCircuitMixed, shortCircuitCo2, spray, tubular } = BALANCE.halfWidthV;
  if (wire.class.startsWith('tubular')) return tubular;
  const short = shortCircuitMixed + (shortCircuitCo2 - shortCircuitMixed) * clamp((gas.co2Pct - 25) / 75, 0, 1);
  const open = Math.max(sprayShare(currentA, wire, gas), globularShare(currentA, wire, gas));
  return short + open * (spray - short);
}
