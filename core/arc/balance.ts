import type { GasMix } from '../case/gas-mix';
import { BALANCE, readBySize, readTable } from './coefficients';
import { globularShare, sprayShare } from './transfer';
import { requireRange, wireMetal, type Wire } from './wire';

/** The gas that the spray offsets by wire are stated for. */
const SPRAY_STATED_AT_CO2_PCT = 10;

function shortCircuitOffset(wire: Wire, gas: GasMix): number {
  if (wireMetal(wire.class) === 'aluminium') return BALANCE.aluminiumShortCircuitV.value;
  return readTable(
    BALANCE.shortCircuitByCo2.map((row) => [row.co2Pct, row.offsetV]),
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
      ? BALANCE.aluminiumV.value
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
  requireRange(currentA, 15, 500, 'current in A');
  return BALANCE.baseV.value + BALANCE.slopeVPerA.value * currentA + offset(currentA, wire, gas);
}

/**
 * Half the width of the good window around {@link balanceVoltage}.
 * @returns volts
 */
export function balanceHalfWidth(currentA: number, wire: Wire, gas: GasMix): number {
  const { shortCircuitMixed, shortCircuitCo2, spray, tubular } = BALANCE.halfWidthV;
  if (wire.class.startsWith('tubular')) return tubular;
  const short =
    shortCircuitMixed + (shortCircuitCo2 - shortCircuitMixed) * Math.min(1, Math.max(0, (gas.co2Pct - 25) / 75));
  const open = Math.max(sprayShare(currentA, wire, gas), globularShare(currentA, wire, gas));
  return short + open * (spray - short);
}
