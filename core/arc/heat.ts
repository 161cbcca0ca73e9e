import type { BaseMetal, Joint, Position } from '../case/schema';
import { BEAD, HEAT_WANTED, WIRE_RANGE } from './coefficients';
import { requireRange } from './wire';

/** What the heat wanted depends on. `otherThicknessMm` and `gapMm` may be left out. */
export type HeatJob = {
  baseMetal: BaseMetal;
  thicknessMm: number;
  otherThicknessMm?: number;
  joint: Joint;
  position: Position;
  gapMm?: number;
};

function currentForPlate(thicknessMm: number): number {
  const { perMmA, kneeMm, perMmAboveA } = HEAT_WANTED;
  const below = Math.min(thicknessMm, kneeMm.value) * perMmA.value;
  return below + Math.max(0, thicknessMm - kneeMm.value) * perMmAboveA.value;
}

/**
 * Current the job wants: an amp per thousandth of an inch up to 3.2 mm, then 17 A per mm more,
 * set by joint, root gap, position and metal. Unequal parts: from the thicker one, bounded by what
 * the thinner one stands.
 * @param job thickness 0.3 to 100 mm
 * @returns current in A
 * @throws RangeError outside 0.3 to 100 mm
 */
export function currentWanted(job: HeatJob): number {
  const other = job.otherThicknessMm ?? job.thicknessMm;
  const thick = Math.max(job.thicknessMm, other);
  const thin = Math.min(job.thicknessMm, other);
  requireRange(thin, 0.3, 100, 'thickness in mm');
  requireRange(thick, 0.3, 100, 'thickness in mm');
  const bounded = Math.min(currentForPlate(thick), currentForPlate(thin) * HEAT_WANTED.thinnerLimit.value);
  const openRoot = job.joint === 'butt' && (job.gapMm ?? 0) >= 1 ? HEAT_WANTED.openRootFactor.value : 1;
  return (
    bounded *
    openRoot *
    HEAT_WANTED.byJoint[job.joint] *
    HEAT_WANTED.byPosition[job.position] *
    HEAT_WANTED.byMetal[job.baseMetal]
  );
}

/**
 * Usable current of a wire diameter.
 * @param diameterMm 0.5 to 2.4
 * @returns lowest and highest current in A of the nearest listed diameter
 */
export function usableCurrent(diameterMm: number): { lowA: number; highA: number } {
  requireRange(diameterMm, 0.5, 2.4, 'wire diameter in mm');
  return WIRE_RANGE.reduce((nearest, row) =>
    Math.abs(row.diameterMm - diameterMm) < Math.abs(nearest.diameterMm - diameterMm) ? row : nearest,
  );
}

/**
 * Heat input `Q = 0.8 V I 60 / (1000 v)`. Source: EN 1011-1, gas metal arc.
 * @param voltageV volts
 * @param currentA amps
 * @param travelMmPerMin travel speed in mm/min, 20 to 2500
 * @returns kJ/mm
 */
export function heatInput(voltageV: number, currentA: number, travelMmPerMin: number): number {
  requireRange(travelMmPerMin, 20, 2500, 'travel speed in mm/min');
  return (BEAD.arcEfficiency.value * voltageV * currentA * 60) / (1000 * travelMmPerMin);
}
