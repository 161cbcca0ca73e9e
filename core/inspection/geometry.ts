import { PASSES } from '../arc/coefficients';
import { requireRange } from '../arc/wire';

/**
 * Throat of a flat-faced fillet with two legs at right angles: the height of the triangle between them,
 * `z1 z2 / sqrt(z1^2 + z2^2)`. Of equal legs it is 0.707 of the leg.
 * @param uprightMm one leg, over 0 mm
 * @param flatMm the other
 * @returns mm
 * @throws RangeError for a leg of nothing
 */
export function throatOfLegs(uprightMm: number, flatMm: number): number {
  requireRange(uprightMm, 0.1, 200, 'leg in mm');
  requireRange(flatMm, 0.1, 200, 'leg in mm');
  return (uprightMm * flatMm) / Math.hypot(uprightMm, flatMm);
}

/** What a fillet carries by. */
export type Fillet = {
  /** What counts: metal over the line between the toes adds nothing, a hollow face takes away. */
  throatMm: number;
  /** How far the face stands over that line; under 0 for a hollow one; null where no throat was measured. */
  convexityMm: number | null;
  /** From toe to toe. */
  faceMm: number;
  /** Leg of the equal fillet that has this throat. */
  equalLegMm: number;
};

/**
 * Effective throat of a fillet from its legs and, where it was measured, its throat. A gap under the upright plate comes off
 * the legs on that side: metal in the gap carries nothing across it.
 * @param uprightMm measured leg on the upright plate
 * @param flatMm measured leg on the lying plate
 * @param throatMm measured throat, corner to face; null where nobody measured
 * @param gapMm gap between the plates
 */
export function filletOf(uprightMm: number, flatMm: number, throatMm: number | null, gapMm = 0): Fillet {
  const upright = Math.max(0.1, uprightMm - gapMm);
  const byLegs = throatOfLegs(upright, flatMm);
  const convexityMm = throatMm === null ? null : throatMm - throatOfLegs(uprightMm, flatMm);
  const effective = Math.max(0.1, byLegs + Math.min(0, convexityMm ?? 0));
  return {
    throatMm: effective,
    convexityMm,
    faceMm: Math.hypot(uprightMm, flatMm),
    equalLegMm: effective * Math.SQRT2,
  };
}

/**
 * Leg a fillet on one side wants: as large as the thinner part up to 6 mm, from there on no less than 0.7 of it. Source: shop
 * rule for a fillet that carries what the plate does; a drawing comes first.
 * @param thinnestMm of the parts, mm
 */
export const wantedLeg = (thinnestMm: number): number =>
  Math.max(Math.min(thinnestMm, PASSES.legUpToMm), PASSES.legShareAbove.value * thinnestMm);
