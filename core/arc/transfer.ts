import type { GasMix } from '../case/gas-mix';
import { SPRAY_TRANSITION } from './coefficients';
import { readBySize } from './read-rows';
import { isTubular, wireMetal, type Wire } from './wire';

/** How the metal crosses the arc. `unstable` is pure argon on steel; `tubular` wires have a transfer of their own. */
export type Transfer = 'short-circuit' | 'globular' | 'spray' | 'pulse' | 'tubular' | 'unstable';

/** Share of CO2 over which a steel wire has no spray. */
const noSprayAbove = ({ class: wireClass }: Wire): number =>
  wireClass === 'metal-cored'
    ? SPRAY_TRANSITION.metalCored.noSprayAboveCo2Pct
    : SPRAY_TRANSITION.noSprayAboveCo2Pct.value;

/**
 * Current above which a wire sprays in a gas.
 * @param wire class and diameter
 * @param gas all four shares
 * @returns transition current in A, or null where there is no spray (tubular wire, over about 20 % CO2)
 */
export function sprayTransitionCurrent(wire: Wire, gas: GasMix): number | null {
  if (isTubular(wire.class)) return null;
  const metal = wireMetal(wire.class);
  if (metal === 'aluminium') return readBySize(SPRAY_TRANSITION.aluminium, (row) => row.currentA, wire.diameterMm);
  if (gas.co2Pct > noSprayAbove(wire)) return null;
  const base = readBySize(SPRAY_TRANSITION.steel, (row) => row.currentA, wire.diameterMm);
  const stainless = metal === 'stainless' ? SPRAY_TRANSITION.stainlessFactor.value : 1;
  const cored = wire.class === 'metal-cored' ? SPRAY_TRANSITION.metalCored.factor : 1;
  return base * stainless * cored * (1 + SPRAY_TRANSITION.perCo2Pct.value * gas.co2Pct);
}

/** Pure argon gives steel no stable arc: the arc spot wanders and the toes do not wet. */
export function isUnstableGas(wire: Wire, gas: GasMix): boolean {
  return wireMetal(wire.class) !== 'aluminium' && !isTubular(wire.class) && gas.co2Pct + gas.oxygenPct < 0.5;
}

/**
 * Returns how far a wire is in spray, 0 to 1: a smooth step around the transition current.
 * Above about 20 % CO2 the same current range gives globular transfer, see {@link transferMode}.
 * @param currentA welding current in A
 */
export function sprayShare(currentA: number, wire: Wire, gas: GasMix): number {
  return shareOfSpray(currentA, sprayTransitionCurrent(wire, gas));
}

/** The same, where the transition is known. @param transitionA null where there is no spray */
export function shareOfSpray(currentA: number, transitionA: number | null): number {
  if (transitionA === null) return 0;
  return 1 / (1 + Math.exp(-(currentA - transitionA) / (SPRAY_TRANSITION.blend.value * transitionA)));
}

/**
 * Returns how far a CO2-rich arc is globular, 0 to 1. A short arc can be held to about one and a half times
 * the spray transition of argon-oxygen; past it the drops grow larger than the arc is long.
 * @param currentA welding current in A
 */
export function globularShare(currentA: number, wire: Wire, gas: GasMix): number {
  if (isTubular(wire.class) || wireMetal(wire.class) === 'aluminium') return 0;
  if (gas.co2Pct <= noSprayAbove(wire)) return 0;
  const limit = 1.4 * readBySize(SPRAY_TRANSITION.steel, (row) => row.currentA, wire.diameterMm);
  return 1 / (1 + Math.exp(-(currentA - limit) / (SPRAY_TRANSITION.blend.value * limit)));
}

/**
 * The transfer a balanced arc has at a current.
 * @param currentA welding current in A
 * @param wire class and diameter
 * @param gas all four shares
 */
export function transferMode(currentA: number, wire: Wire, gas: GasMix): Transfer {
  if (isTubular(wire.class)) return 'tubular';
  if (isUnstableGas(wire, gas)) return 'unstable';
  if (sprayShare(currentA, wire, gas) >= 0.5) return 'spray';
  return globularShare(currentA, wire, gas) >= 0.5 ? 'globular' : 'short-circuit';
}

/** How far inside the zone its edges lie, and how sharp they are, as shares of the transition: a current just at the edge is still quiet. */
const WILD_EDGE = { inside: 0.035, width: 0.007 };

/**
 * Returns how far a current lies in the zone between short arc and spray, where drops are large and wild: 0 outside, 1 inside. Only solid steel
 * and stainless wire have one that matters.
 * @param currentA welding current in A
 */
export function wildness(currentA: number, wire: Wire, gas: GasMix): number {
  if (wireMetal(wire.class) === 'aluminium') return 0;
  const transition = sprayTransitionCurrent(wire, gas);
  if (transition === null) return 0;
  const { wildFrom, wildTo } = SPRAY_TRANSITION;
  const share = currentA / transition;
  const over = 1 / (1 + Math.exp(-(share - wildFrom.value - WILD_EDGE.inside) / WILD_EDGE.width));
  const under = 1 / (1 + Math.exp((share - wildTo.value + WILD_EDGE.inside) / WILD_EDGE.width));
  return over * under;
}
