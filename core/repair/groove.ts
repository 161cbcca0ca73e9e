import { PASSES } from '../arc/coefficients';
import type { Position } from '../case/schema';

/** A groove that was ground or gouged out, to be filled again. */
export type Groove = { depthMm: number; widthMm: number; lengthMm: number; passes: number; passLegMm: number };

/** Half the angle between its sides: 30 degrees each lets a nozzle in and a puddle wet both. */
const SIDE = Math.tan(Math.PI / 6);
/** Width of its round bottom, mm: a sharp one is not reached by the arc. */
const BOTTOM_MM = 4;

/**
 * The groove that takes out what lies so deep: sides of 60 degrees between them, a round bottom of 4 mm, so many passes to
 * fill it, each no larger than the position holds up.
 * @param depthMm how deep, over 0
 * @param lengthMm of the groove, with its run-outs
 * @param position in which it is filled
 */
export function grooveOf(depthMm: number, lengthMm: number, position: Position): Groove {
  const areaMm2 = depthMm ** 2 * SIDE + BOTTOM_MM * depthMm;
  const most = PASSES.largestLegMm[position] ** 2 / 2;
  const passes = Math.max(1, Math.ceil(areaMm2 / most));
  return {
    depthMm,
    widthMm: BOTTOM_MM + 2 * depthMm * SIDE,
    lengthMm,
    passes,
    passLegMm: Math.sqrt((2 * areaMm2) / passes),
  };
}
