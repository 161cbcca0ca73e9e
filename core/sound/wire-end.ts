import { wireMetal, type Wire } from '../arc/wire';
import { WIRE_END } from './coefficients';

const { cbrt, min } = Math;

/** Cross-section of a wire, mm^2. */
export const wireArea = ({ diameterMm }: Wire): number => (Math.PI / 4) * diameterMm ** 2;

/** Width of a drop by its volume, mm. */
export const dropDiameter = (volumeMm3: number): number => cbrt((6 * volumeMm3) / Math.PI);

/** The inverse of {@link dropDiameter}, mm^3. */
export const dropVolume = (diameterMm: number): number => (Math.PI / 6) * diameterMm ** 3;

/** Returns how far a drop hangs under the solid wire, mm: a film at first, a ball when it is wider than the wire. */
export const dropLength = (volumeMm3: number, areaMm2: number): number =>
  min(volumeMm3 / areaMm2, dropDiameter(volumeMm3));

/** Resistance of the wire between tip and arc, ohm. */
export function wireOhm(wire: Wire, extensionMm: number): number {
  const { steel, aluminium } = WIRE_END.resistivityOhmMm;
  const resistivity = wireMetal(wire.class) === 'aluminium' ? aluminium : steel;
  return (resistivity.value * Math.max(0, extensionMm)) / wireArea(wire);
}
