import { BURN_OFF } from './coefficients';
import { requireRange, type Wire } from './wire';

/**
 * Returns how fast a wire melts: `w = a I + b L I^2` (Lesnewich). The first term is heat from the arc,
 * the second the current heating the wire between tip and arc.
 * @returns a in mm/s per A, b in mm/s per mm A^2
 * @throws RangeError for a wire of under 0.5 or over 2.4 mm
 */
export function meltingTerms(wire: Wire): { arc: number; resistance: number } {
  requireRange(wire.diameterMm, 0.5, 2.4, 'wire diameter in mm');
  const kind = BURN_OFF.byWire[wire.class];
  const scale = (BURN_OFF.referenceDiameterMm / wire.diameterMm) ** BURN_OFF.diameterPower.value;
  return {
    arc: BURN_OFF.arcTerm.value * scale * kind.arc,
    resistance: BURN_OFF.resistanceTerm.value * scale ** 2 * kind.resistance,
  };
}

/**
 * Wire speed that a current melts off.
 * @param currentA welding current in A, 0 to 600
 * @param wire class and diameter
 * @param extensionMm electrode extension in mm (tip to work less the arc), 1 to 60
 * @returns wire feed speed in m/min
 * @throws RangeError outside those ranges
 */
export function wireSpeedFromCurrent(currentA: number, wire: Wire, extensionMm: number): number {
  requireRange(currentA, 0, 600, 'current in A');
  requireRange(extensionMm, 1, 60, 'electrode extension in mm');
  const { arc, resistance } = meltingTerms(wire);
  return ((arc * currentA + resistance * extensionMm * currentA ** 2) * 60) / 1000;
}

/**
 * Current that a wire speed draws; the inverse of {@link wireSpeedFromCurrent}.
 * @param wireSpeedMPerMin wire feed speed in m/min, 0 to 40
 * @param wire class and diameter
 * @param extensionMm electrode extension in mm, 1 to 60
 * @returns welding current in A
 * @throws RangeError outside those ranges
 */
export function currentFromWireSpeed(wireSpeedMPerMin: number, wire: Wire, extensionMm: number): number {
  return currentMelting(meltingTerms(wire), wireSpeedMPerMin, extensionMm);
}

/** The same, where the terms of the wire are known. @param melting of {@link meltingTerms} */
export function currentMelting(
  { arc, resistance }: ReturnType<typeof meltingTerms>,
  wireSpeedMPerMin: number,
  extensionMm: number,
): number {
  requireRange(wireSpeedMPerMin, 0, 40, 'wire speed in m/min');
  requireRange(extensionMm, 1, 60, 'electrode extension in mm');
  const speed = (wireSpeedMPerMin * 1000) / 60;
  const quadratic = resistance * extensionMm;
  // The stable form of the root: it stays exact as the resistance term goes to nothing (aluminium).
  return (2 * speed) / (arc + Math.sqrt(arc ** 2 + 4 * quadratic * speed));
}
