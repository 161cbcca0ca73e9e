import { balancedVolts, currentAt, type WireSetup } from './setup';
import { depositedArea } from './bead';
import { withinCurrentRange } from './balance';
import { BEAD, FUSING_HEAT, PACE, PASSES } from './coefficients';
import { readRows } from './read-rows';
import { usualStickOut } from './stick-out';
import { sprayShare } from './transfer';
import { isTubular } from './wire';

/** How much more metal a woven bead lays than a straight one. */
const WOVEN = 1.33;

/**
 * Heat a pass needs to fuse, kJ/mm, straight between the points of {@link FUSING_HEAT}; steel, and stainless by the less current that
 * it wants. Aluminium fuses by its current, not by its pace: nothing is asked.
 * @param thinnestMm the thinner part; null where it is not known
 */
export function heatToFuse({ baseMetal, thinnestMm }: Pick<WireSetup, 'baseMetal' | 'thinnestMm'>): number {
  if (thinnestMm === null || baseMetal === 'aluminium') return 0;
  const kJPerMm = readRows(
    FUSING_HEAT,
    (row) => row.thicknessMm,
    (row) => row.kJPerMm,
    thinnestMm,
  );
  return kJPerMm * (baseMetal === 'stainless' ? 0.9 : 1);
}

/** Slowest and fastest pace that a hand holds here, mm/min. */
function paceHeld({ position, baseMetal, wire, gas }: WireSetup, currentA: number): { low: number; high: number } {
  if (baseMetal === 'aluminium') return PACE.aluminium;
  const level = position === 'flat' || position === 'horizontal';
  if (level && isTubular(wire.class)) return PACE.tubular;
  const open = level ? sprayShare(currentA, wire, gas) : 0;
  const [short, spray] = [PACE[position], PACE.spray];
  return { low: short.low + open * (spray.low - short.low), high: short.high + open * (spray.high - short.high) };
}

/**
 * Travel speed of a steady hand: the one that lays the leg of a pass, slower where the plate needs the heat to fuse, inside what the
 * position holds, and never so slow that a pass grows over the largest it holds up.
 * @param wireSpeedMPerMin wire feed speed in m/min
 * @param stickOutMm contact tip to work; the usual one where it is left out
 * @returns mm/min
 */
export function expectedTravel(setup: WireSetup, wireSpeedMPerMin: number, stickOutMm?: number): number {
  const { wire, gas, machine, hand, passLegMm, position } = setup;
  const perMetre = depositedArea(wireSpeedMPerMin * machine.wireScale, wire, gas, 1000) * 1000;
  const woven = hand.weaves ? WOVEN : 1;
  const currentA = withinCurrentRange(
    currentAt(setup, wireSpeedMPerMin, stickOutMm ?? usualStickOut(setup, null).wanted),
  );
  const volts = balancedVolts(setup, currentA) + machine.offsetV;
  const byLeg = perMetre / ((passLegMm ** 2 / 2) * woven);
  const needs = heatToFuse(setup);
  const byHeat = needs === 0 ? Infinity : (BEAD.arcEfficiency.value * volts * currentA * 60) / (1000 * needs);
  const { low, high } = paceHeld(setup, currentA);
  const largest = perMetre / (PASSES.largestLegMm[position] ** 2 / 2);
  return Math.min(high, Math.max(low, largest, Math.min(byLeg, byHeat)));
}
