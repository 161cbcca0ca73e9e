import type { Joint, Position } from '../case/schema';
import { PASSES } from './coefficients';
import { requireRange } from './wire';

/** Several passes in place of one: how many, and the leg of each, mm. */
export type Passes = { count: number; legMm: number };

/** Area in mm^2 of the weld a joint wants: an equal-leg fillet that suits the plate, or a bevel filled. */
function areaWanted(thicknessMm: number, joint: Joint, gapMm: number): number {
  const { legUpToMm, legShareAbove, bevelPerMm2 } = PASSES;
  if (joint === 'fillet' || joint === 'lap' || joint === 'corner') {
    const leg = Math.max(Math.min(thicknessMm, legUpToMm), legShareAbove.value * thicknessMm);
    return leg ** 2 / 2;
  }
  return bevelPerMm2.value * thicknessMm ** 2 + gapMm * thicknessMm;
}

/**
 * How many passes a joint takes where one cannot do it, each no larger than the position holds up. A leg counts the
 * metal: a pass of a bevel has the area of a fillet of that leg.
 * @param thicknessMm of the thinner part, 0.3 to 100 mm
 * @param joint what is welded
 * @param position where
 * @param gapMm root gap in mm
 * @returns two passes or more
 * @throws RangeError outside 0.3 to 100 mm
 */
export function passesFor(thicknessMm: number, joint: Joint, position: Position, gapMm = 0): Passes {
  requireRange(thicknessMm, 0.3, 100, 'thickness in mm');
  const area = areaWanted(thicknessMm, joint, gapMm);
  const most = PASSES.largestLegMm[position] ** 2 / 2;
  const count = Math.max(2, Math.ceil(area / most));
  return { count, legMm: Math.sqrt((2 * area) / count) };
}
