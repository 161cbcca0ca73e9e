import type { BaseMetal, Preferences } from '../case/schema';
import { STITCH_UNDER_MM } from '../arc/coefficients';
import { requireRange } from '../arc/wire';
import { clamp } from '../quantity/clamp';

/** How thin sheet is sewn together: tacks, stitches, the wait between them, and the order against warping. */
export type StitchPlan = {
  tackEveryMm: number;
  stitchMm: number;
  /** From the start of one stitch to that of the next beside it, mm. */
  pitchMm: number;
  /** Wait between stitches that lie beside each other, s. */
  pauseS: number;
  /** Stretches from tack to tack in the order they are sewn, beginning with 1; empty where the length is not known. */
  order: number[];
  backing: boolean;
};

/**
 * Sheet up to which it is stitched by a school that stitches all it can, and from which it is run by one that runs all it can, mm;
 * between them welders differ. Source: trade practice; thinner than the last, a bead in one falls through any hand.
 */
export const STITCH_SCHOOL_MM = {
  stitch: { 'mild-steel': 2, stainless: 2, aluminium: 3 },
  run: { 'mild-steel': 0.8, stainless: 0.8, aluminium: 1.5 },
} as const;

/** Thickness under which a sheet is stitched, mm. @param school of the welder; by its thickness where nothing is said */
export function stitchUnder(baseMetal: BaseMetal, school: Preferences['sheet'] = 'by-thickness'): number {
  return school === 'by-thickness' ? STITCH_UNDER_MM[baseMetal] : STITCH_SCHOOL_MM[school][baseMetal];
}

/** A backing bar under so thin a sheet, mm, or over any gap in one. */
const BACKING_UNDER_MM = 1;
/** Tacks stand so many thicknesses apart, and not outside these, mm. Source: trade practice, 25 mm at 0.8 and 75 at 2.5. */
const TACKS = { perThickness: 30, leastMm: 20, mostMm: 80 };
/** A stitch is so many thicknesses long, and not outside these, mm. */
const STITCH = { perThickness: 10, leastMm: 8, mostMm: 25 };
/** Stitches lie over each other by about half: less leaves dimples between them. */
const OVERLAP = 0.5;
/**
 * Heat spread in a sheet and the temperature at which the glow is gone. Source: handbook conductivities at some hundred
 * degrees, W/(mm K); 530 K over a cold sheet is where dark red fades, and about half of melting in aluminium.
 */
const SPREAD: Record<BaseMetal, { conductivity: number; coolerByK: number }> = {
  'mild-steel': { conductivity: 0.035, coolerByK: 530 },
  stainless: { conductivity: 0.022, coolerByK: 530 },
  aluminium: { conductivity: 0.19, coolerByK: 300 },
};
/** Stretches that one seam is planned for at most: a longer one repeats. */
const MOST_STRETCHES = 24;
/** Less than a breath is no wait, and nobody waits longer than that beside a stitch: they go elsewhere, s. */
const PAUSE_S = { least: 1, most: 30 };

/**
 * Seconds until a stitch is no longer glowing: its heat spread from a point in a thin sheet, `T = Q / (4 pi k d t)`, solved
 * for the time.
 * @param heatJ heat of the stitch, above 0
 * @param thicknessMm of the sheet, 0.3 to 5
 * @throws RangeError outside those: a thick plate carries heat down as well as away
 * @see Carslaw and Jaeger, Conduction of Heat in Solids, instantaneous line source
 */
export function secondsToCool(heatJ: number, thicknessMm: number, baseMetal: BaseMetal): number {
  requireRange(thicknessMm, 0.3, 5, 'sheet thickness in mm');
  requireRange(heatJ, 1e-9, 1e6, 'heat of a stitch in J');
  const { conductivity, coolerByK } = SPREAD[baseMetal];
  return heatJ / (4 * Math.PI * conductivity * thicknessMm * coolerByK);
}

/**
 * The order that keeps each stretch of a seam as far as can be from those that are still warm: the middle first, then always
 * the place furthest from the last few.
 * @param count how many, 1 to 24
 * @returns places from 1
 */
export function stretchOrder(count: number): number[] {
  const left = new Set(Array.from({ length: count }, (_, i) => i + 1));
  const order: number[] = [];
  /** So many stretches back a place is still warm. */
  const WARM = 3;
  while (left.size > 0) {
    const warm = order.slice(-WARM);
    const cool = (place: number): number =>
      warm.length === 0
        ? -Math.abs(place - (count + 1) / 2)
        : Math.min(...warm.map((other) => Math.abs(place - other)));
    const next = [...left].reduce((best, place) => (cool(place) > cool(best) ? place : best));
    order.push(next);
    left.delete(next);
  }
  return order;
}

type Sheet = {
  baseMetal: BaseMetal;
  thinnestMm: number;
  gapMm: number;
  lengthMm: number | null;
  school?: Preferences['sheet'];
};

/**
 * Returns how a sheet is stitched; null for one that a bead can be drawn on in one.
 * @param heatInputKJPerMm of the run
 */
export function stitchPlan(
  { baseMetal, thinnestMm, gapMm, lengthMm, school }: Sheet,
  heatInputKJPerMm: number,
): StitchPlan | null {
  if (thinnestMm >= stitchUnder(baseMetal, school)) return null;
  const stitchMm = Math.round(clamp(STITCH.perThickness * thinnestMm, STITCH.leastMm, STITCH.mostMm));
  const pitchMm = Math.max(1, Math.round(stitchMm * (1 - OVERLAP)));
  const heatJ = 1000 * heatInputKJPerMm * stitchMm;
  const tackEveryMm = Math.round(clamp(TACKS.perThickness * thinnestMm, TACKS.leastMm, TACKS.mostMm) / 5) * 5;
  const stretches = lengthMm === null ? 0 : clamp(Math.round(lengthMm / tackEveryMm), 1, MOST_STRETCHES);
  return {
    tackEveryMm,
    stitchMm,
    pitchMm,
    pauseS: Math.round(clamp(secondsToCool(heatJ, thinnestMm, baseMetal), PAUSE_S.least, PAUSE_S.most)),
    order: stretchOrder(stretches),
    backing: thinnestMm < BACKING_UNDER_MM || gapMm > 0,
  };
}
