import type { GasMix } from '../case/gas-mix';
import { BEAD } from './coefficients';
import { isTubular, requireRange, wireMetal, type Wire } from './wire';
import { clamp } from '../quantity/clamp';

/** Share of the wire that ends in the joint: 0.95 mixed gas, 0.92 CO2, 0.83 tubular. */
export function depositionEfficiency(wire: Wire, gas: GasMix): number {
  if (isTubular(wire.class)) return BEAD.efficiency.tubular;
  const co2 = clamp((gas.co2Pct - 25) / 75, 0, 1);
  return BEAD.efficiency.mixedGas + co2 * (BEAD.efficiency.co2 - BEAD.efficiency.mixedGas);
}

/**
 * Cross-section of metal laid down.
 * @param wireSpeedMPerMin wire feed speed in m/min
 * @param wire class and diameter
 * @param gas all four shares
 * @param travelMmPerMin travel speed in mm/min, 20 to 2500
 * @returns area in mm^2
 */
export function depositedArea(wireSpeedMPerMin: number, wire: Wire, gas: GasMix, travelMmPerMin: number): number {
  requireRange(travelMmPerMin, 20, 2500, 'travel speed in mm/min');
  const wireArea = (Math.PI / 4) * wire.diameterMm ** 2;
  return (wireArea * wireSpeedMPerMin * 1000 * depositionEfficiency(wire, gas)) / travelMmPerMin;
}

/** Leg of an equal-leg flat-faced fillet from its area: `sqrt(2 A)`, mm from mm^2. */
export function filletLeg(areaMm2: number): number {
  return Math.sqrt(2 * areaMm2);
}

/**
 * Metal laid down in an hour of arc time.
 * @returns kg/h
 */
export function depositionRate(wireSpeedMPerMin: number, wire: Wire, gas: GasMix): number {
  const density = wireMetal(wire.class) === 'aluminium' ? BEAD.densityGPerCm3.aluminium : BEAD.densityGPerCm3.steel;
  const wireArea = (Math.PI / 4) * wire.diameterMm ** 2;
  return (wireArea * wireSpeedMPerMin * 60 * density * depositionEfficiency(wire, gas)) / 1000;
}

/**
 * Width of a bead on plate: grows with the root of heat input, narrower under balance, wider over it.
 * @param heatInputKJPerMm heat input in kJ/mm
 * @param voltageErrorV volts over (+) or under (-) balance
 * @returns mm
 */
export function beadWidth(heatInputKJPerMm: number, voltageErrorV: number): number {
  const spread = clamp(1 + BEAD.widthPerVolt.value * voltageErrorV, 0.55, 1.5);
  return BEAD.widthMm.value * Math.sqrt(heatInputKJPerMm) * spread;
}

/** Height of a parabolic cap: `1.5 A / W`, mm. */
export function crownHeight(areaMm2: number, widthMm: number): number {
  return (1.5 * areaMm2) / widthMm;
}

/**
 * Depth of fusion, `K (I^4 / (v V^2))^(1/3)` (Jackson), for comparing settings only; it is no proof of fusion.
 * @param arc current in A, voltage in V, travel in mm/min, push (+) or drag (-) angle in degrees
 * @param gas all four shares
 * @returns mm
 */
export function penetration(
  arc: { currentA: number; voltageV: number; travelMmPerMin: number; travelAngleDeg: number },
  gas: GasMix,
): number {
  requireRange(arc.travelMmPerMin, 20, 2500, 'travel speed in mm/min');
  const jackson = (arc.currentA ** 4 / (arc.travelMmPerMin * arc.voltageV ** 2)) ** (1 / 3);
  const co2 = Math.min(1, gas.co2Pct / 100);
  const gasFactor = BEAD.penetrationMixedGas.value + co2 * (1 - BEAD.penetrationMixedGas.value);
  // The reference is a drag of about 10 degrees.
  const push = clamp(arc.travelAngleDeg, -15, 30) + 10;
  return BEAD.penetration.value * jackson * gasFactor * (1 - BEAD.penetrationPerPushDegree.value * push);
}
