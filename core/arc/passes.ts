import type { Joint, Position } from '../case/schema';
import { PASSES } from './coefficients';
import { requireRange } from './wire';
import { clamp } from '../quantity/clamp';

/** The passes of a weld: how many, and the leg of each, mm. */
export type Passes = { count: number; legMm: number };

/** Leg a single pass usually gets: 2 mm and 0.9 mm per mm of the thinner part, up to 6 mm plate. */
const USUAL_LEG = { baseMm: 2, perMm: 0.9, leastMm: 0.6, mostMm: 6 };

/** Leg of a fillet with the area in mm^2 of what a joint has to be filled with; 0 where a bead lies on the plate. */
function legToFill(thicknessMm: number, joint: Joint, gapMm: number): number {
  const { legUpToMm, legShareAbove, bevelPerMm2, bevelFromMm } = PASSES;
  if (joint === 'bead-on-plate' || joint === 'plug') return 0;
  if (joint === 'butt') {
    const bevel = thicknessMm > bevelFromMm ? bevelPerMm2.value * thicknessMm ** 2 : 0;
    return Math.sqrt(2 * (bevel + gapMm * thicknessMm));
  }
  return Math.max(Math.min(thicknessMm, legUpToMm), legShareAbove.value * thicknessMm);
}

/** Area in mm^2 of what a joint has to be filled with; 0 where a bead lies on the plate. @param gapMm root gap */
export const areaToFill = (thicknessMm: number, joint: Joint, gapMm: number): number =>
  legToFill(thicknessMm, joint, gapMm) ** 2 / 2;

/**
 * The passes of a weld, by size alone: a pass is split only where the joint asks for more metal than one may lay in this position.
 * Want of amps splits nothing: two small cold passes fuse less than a slow one. A leg counts the metal: a pass of a bevel has
 * the area of a fillet of that leg.
 * @param thicknessMm of the thinner part, 0.3 to 100 mm
 * @param joint what is welded
 * @param position where
 * @param gapMm root gap in mm
 * @throws RangeError outside 0.3 to 100 mm
 */
export function passesFor(thicknessMm: number, joint: Joint, position: Position, gapMm = 0): Passes {
  requireRange(thicknessMm, 0.3, 100, 'thickness in mm');
  const { baseMm, perMm, leastMm, mostMm } = USUAL_LEG;
  const most = PASSES.largestLegMm[position];
  const usual = Math.min(most, baseMm + perMm * clamp(thicknessMm, leastMm, mostMm));
  const fill = legToFill(thicknessMm, joint, gapMm);
  if (fill <= most) return { count: 1, legMm: Math.max(usual, fill) };
  const count = Math.ceil((fill / most) ** 2);
  return { count, legMm: fill / Math.sqrt(count) };
}
