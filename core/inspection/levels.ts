import type { Level, LimitId } from './level-schema';

/** Whoever answers for the part decides; these are only a table to measure by. */
export const LEVELS_NOTE =
  'These limits are this workshop’s own and made up for it. A code, a drawing or the engineer who answers for the part comes first.';

/**
 * The three levels that a workshop begins with, named after what they are for. The figures are our own judgement, coarse to
 * fine, each some half of the one before; the table is there to be edited.
 */
export const LEVELS: readonly Level[] = [
  {
    id: '019a0000-0000-7000-8000-000000000001',
    name: 'Stopgap',
    use: 'Holds until it is done properly: a guard, a bracket, a gate. Nobody is hurt when it lets go.',
    limits: {
      ...{ poreLargestMm: 4, poresPer100Mm: 12, undercutMm: 1.5, undercutPct: 20, overlapMm: 2 },
      ...{ convexityBaseMm: 2.5, convexityPct: 25, throatShortPct: 20, legDifferenceMm: 4, underfillMm: 1.5 },
      ...{ rootShortMm: 1.5, rootExcessMm: 4, craterMm: 2, burnThroughs: 2, misalignmentPct: 30 },
    },
    revision: 0,
  },
  {
    id: '019a0000-0000-7000-8000-000000000002',
    name: 'Everyday',
    use: 'Usual repair work: frames, gratings, railings that nobody leans on, tanks without pressure.',
    limits: {
      ...{ poreLargestMm: 2.5, poresPer100Mm: 5, undercutMm: 0.8, undercutPct: 12, overlapMm: 1 },
      ...{ convexityBaseMm: 1.5, convexityPct: 18, throatShortPct: 10, legDifferenceMm: 2.5, underfillMm: 0.8 },
      ...{ rootShortMm: 0.8, rootExcessMm: 3, craterMm: 1, burnThroughs: 0, misalignmentPct: 15 },
    },
    revision: 0,
  },
  {
    id: '019a0000-0000-7000-8000-000000000003',
    name: 'Careful',
    use: 'Where it shakes, carries or is leaned on. Where someone could be hurt, looking is not enough.',
    limits: {
      ...{ poreLargestMm: 1.5, poresPer100Mm: 2, undercutMm: 0.4, undercutPct: 7, overlapMm: 0 },
      ...{ convexityBaseMm: 1, convexityPct: 12, throatShortPct: 0, legDifferenceMm: 1.5, underfillMm: 0.3 },
      ...{ rootShortMm: 0.3, rootExcessMm: 2, craterMm: 0.5, burnThroughs: 0, misalignmentPct: 8 },
    },
    revision: 0,
  },
];

/** What each limit is called, and what it counts in. */
export const LIMIT_WORDS: Record<LimitId, { name: string; unit: 'mm' | '%' | null }> = {
  poreLargestMm: { name: 'Largest hole', unit: 'mm' },
  poresPer100Mm: { name: 'Holes on 100 mm', unit: null },
  undercutMm: { name: 'Undercut, deepest', unit: 'mm' },
  undercutPct: { name: 'Undercut, share of the thinner part', unit: '%' },
  overlapMm: { name: 'Overlap', unit: 'mm' },
  convexityBaseMm: { name: 'Full face, so much', unit: 'mm' },
  convexityPct: { name: 'and so much of its width', unit: '%' },
  throatShortPct: { name: 'Throat under what is wanted', unit: '%' },
  legDifferenceMm: { name: 'Legs apart', unit: 'mm' },
  underfillMm: { name: 'Cap under the plate', unit: 'mm' },
  rootShortMm: { name: 'Back hollow', unit: 'mm' },
  rootExcessMm: { name: 'Back standing out', unit: 'mm' },
  craterMm: { name: 'Hollow at the end', unit: 'mm' },
  burnThroughs: { name: 'Places burned through', unit: null },
  misalignmentPct: { name: 'Step, share of the thinner part', unit: '%' },
};
