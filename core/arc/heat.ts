import type { BaseMetal, Joint, Position } from '../case/schema';
import { BEAD, HEAT_WANTED } from './coefficients';
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

/** A thickness that grows no further past about `levelsAtMm`, without a kink. */
const levelled = (thicknessMm: number, levelsAtMm: number): number =>
  thicknessMm / (1 + (thicknessMm / levelsAtMm) ** HEAT_WANTED.levelling) ** (1 / HEAT_WANTED.levelling);

function currentForPlate(thicknessMm: number, baseMetal: BaseMetal): number {
  const { steel, aluminium } = HEAT_WANTED;
  if (baseMetal === 'aluminium')
    return aluminium.perPowerA.value * levelled(thicknessMm, aluminium.levelsAtMm.value) ** aluminium.power;
  return steel.rootA.value * Math.sqrt(levelled(thicknessMm, steel.levelsAtMm.value)) - steel.lessA;
}

/**
 * Current one pass of the job wants, whatever wire and position carry: `85 sqrt(t) - 17.5` for steel, levelling out past
 * 6 mm; a law of its own for aluminium; set by joint, root gap, position and metal. Unequal parts: from the thicker one,
 * bounded by what the thinner one stands. Source: bands of charts and practice, within 15 %.
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
  const bounded = Math.min(
    currentForPlate(thick, job.baseMetal),
    currentForPlate(thin, job.baseMetal) * HEAT_WANTED.thinnerLimit.value,
  );
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
