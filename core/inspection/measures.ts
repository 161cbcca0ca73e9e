import type { Joint } from '../case/schema';

/** How a weld lies in its joint: what can be measured of it follows from that. */
export type WeldForm = 'fillet' | 'butt';

/** A fillet has two legs; everything else has a cap on a face, and a back where the plate is welded through. */
export const weldForm = (joint: Joint | undefined): WeldForm =>
  joint === 'fillet' || joint === 'lap' ? 'fillet' : 'butt';

export type MeasureId =
  | 'crackMm'
  | 'unfusedMm'
  | 'poreCount'
  | 'poreLargestMm'
  | 'undercutMm'
  | 'overlapMm'
  | 'legUprightMm'
  | 'legFlatMm'
  | 'throatMm'
  | 'widthMm'
  | 'capMm'
  | 'rootMm'
  | 'craterMm'
  | 'burnThroughs'
  | 'misalignmentMm'
  | 'badLengthMm'
  | 'lengthMm';

/** One thing that is measured of a weld: what it takes, where, and how it is done by hand. */
export type Measure = {
  id: MeasureId;
  name: string;
  /** What is counted has no unit. */
  unit: 'mm' | null;
  minimum: number;
  maximum: number;
  /** Only welds of this form have it; null for all. */
  form: WeldForm | null;
  /** Whether a weld cannot be passed without it: where there is nothing of it, nothing is entered as 0. */
  needed: boolean;
  how: string;
};

/** Everything that is measured, in the order of an inspection: what passes no weld first, then what is counted, then sizes. */
export const MEASURES: readonly Measure[] = [
  {
    ...{ id: 'crackMm', name: 'Cracks', unit: 'mm', minimum: 0, maximum: 10_000, form: null, needed: true },
    how: 'All of them added up, along the bead, at the toes and in the crater. Brushed clean, in slanting light; dye shows what the eye does not.',
  },
  {
    ...{ id: 'unfusedMm', name: 'Not fused', unit: 'mm', minimum: 0, maximum: 10_000, form: null, needed: true },
    how: 'Length where an edge or the root is plainly not melted in, by eye from face and back, or in a broken coupon. What looks fused may still not be.',
  },
  {
    ...{ id: 'poreCount', name: 'Holes', unit: null, minimum: 0, maximum: 500, form: null, needed: true },
    how: 'Counted over the whole length; a hole is one that a scriber catches in.',
  },
  {
    ...{ id: 'poreLargestMm', name: 'Largest hole', unit: 'mm', minimum: 0, maximum: 30, form: null, needed: false },
    how: 'Across its mouth, with a rule or a drill that just goes in.',
  },
  {
    ...{ id: 'undercutMm', name: 'Undercut', unit: 'mm', minimum: 0, maximum: 20, form: null, needed: true },
    how: 'The deepest place beside a toe: depth gauge, or a straight edge and a feeler.',
  },
  {
    ...{ id: 'overlapMm', name: 'Overlap', unit: 'mm', minimum: 0, maximum: 30, form: null, needed: false },
    how: 'How far the edge lies on the plate without being melted in: a thin feeler goes under it.',
  },
  {
    ...{ id: 'legUprightMm', name: 'Upright leg', unit: 'mm', minimum: 0.5, maximum: 60, form: 'fillet', needed: true },
    how: 'Fillet gauge or rule, from the corner to the toe on the upright plate; the smallest of three places.',
  },
  {
    ...{ id: 'legFlatMm', name: 'Flat leg', unit: 'mm', minimum: 0.5, maximum: 60, form: 'fillet', needed: true },
    how: 'The same on the lying plate.',
  },
  {
    ...{ id: 'throatMm', name: 'Throat', unit: 'mm', minimum: 0.3, maximum: 60, form: 'fillet', needed: false },
    how: 'Throat gauge, from the corner to the middle of the face. Less than the legs give is a hollow face, more a full one.',
  },
  {
    ...{ id: 'widthMm', name: 'Width', unit: 'mm', minimum: 1, maximum: 80, form: 'butt', needed: false },
    how: 'From toe to toe across the face, in the middle of the run.',
  },
  {
    ...{ id: 'capMm', name: 'Cap over the plate', unit: 'mm', minimum: -20, maximum: 30, form: 'butt', needed: true },
    how: 'The highest place; under 0 where the groove is not full.',
  },
  {
    ...{
      id: 'rootMm',
      name: 'Back over the plate',
      unit: 'mm',
      minimum: -20,
      maximum: 30,
      form: 'butt',
      needed: false,
    },
    how: 'How far it stands out behind; under 0 where it is hollow or the root is not reached.',
  },
  {
    ...{ id: 'craterMm', name: 'Hollow at the end', unit: 'mm', minimum: 0, maximum: 20, form: null, needed: false },
    how: 'Depth of the end crater under the face.',
  },
  {
    ...{ id: 'burnThroughs', name: 'Burned through', unit: null, minimum: 0, maximum: 100, form: null, needed: false },
    how: 'Places where the sheet was blown through, whether filled since or not.',
  },
  {
    ...{
      id: 'misalignmentMm',
      name: 'Step of the plates',
      unit: 'mm',
      minimum: 0,
      maximum: 50,
      form: 'butt',
      needed: false,
    },
    how: 'How far one face stands over the other, by straight edge.',
  },
  {
    ...{
      id: 'badLengthMm',
      name: 'Length of what is bad',
      unit: 'mm',
      minimum: 0,
      maximum: 100_000,
      form: null,
      needed: false,
    },
    how: 'Along the weld, everything together that would have to come out.',
  },
  {
    ...{ id: 'lengthMm', name: 'Length looked at', unit: 'mm', minimum: 5, maximum: 100_000, form: null, needed: true },
    how: 'What the holes were counted on.',
  },
];

/** What was measured; what nobody measured is left out. */
export type Measured = { [id in MeasureId]?: number };

/** Returns what can be measured of a weld in a joint. */
export const measuresFor = (joint: Joint | undefined): Measure[] =>
  MEASURES.filter(({ form }) => form === null || form === weldForm(joint));
