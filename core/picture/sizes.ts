import { MEASURES, type MeasureId, type WeldForm } from '../inspection/measures';

/** From where a picture was taken: of the face, of the back, or of a cut that was ground and etched. */
export const PICTURE_VIEWS = ['face', 'back', 'section'] as const;
export type PictureView = (typeof PICTURE_VIEWS)[number];
export const VIEW_WORDS: Record<PictureView, string> = { face: 'Face', back: 'Back', section: 'Etched section' };

/** What can be measured in a picture. Where an inspection asks for the same, it has the same id. */
export const SIZE_IDS = [
  'widthMm',
  'legUprightMm',
  'legFlatMm',
  'throatMm',
  'penetrationMm',
  'undercutMm',
  'overlapMm',
  'capMm',
  'rootMm',
  'poreLargestMm',
  'misalignmentMm',
  'backWidthMm',
  'burnedHoleMm',
] as const;
export type SizeId = (typeof SIZE_IDS)[number];

/** Of several places where the same is measured, which counts. */
type Counts = 'largest' | 'smallest' | 'mean';

export type Size = {
  id: SizeId;
  name: string;
  /** The views in which it shows. */
  views: readonly PictureView[];
  /** Only welds of this form have it; null for all. */
  form: WeldForm | null;
  counts: Counts;
  /** Where the two taps go. */
  taps: string;
};

const nameOf = (id: MeasureId): string => MEASURES.find((measure) => measure.id === id)!.name;

/**
 * Everything that is measured in a picture. What a weld is too small by counts at its smallest, what is wrong with it at its
 * largest, as the gauges of an inspection are used (see MEASURES). A leg or a throat is only true where it is seen along the
 * weld: from above a fillet both legs are foreshortened by half, so they are taken in a section alone.
 */
export const SIZES: readonly Size[] = [
  {
    ...{ id: 'widthMm', name: nameOf('widthMm'), views: ['face', 'section'], form: null, counts: 'mean' },
    taps: 'one toe, then the other, straight across the run',
  },
  {
    ...{ id: 'legUprightMm', name: nameOf('legUprightMm'), views: ['section'], form: 'fillet', counts: 'smallest' },
    taps: 'the corner where the plates meet, then the toe on the upright plate',
  },
  {
    ...{ id: 'legFlatMm', name: nameOf('legFlatMm'), views: ['section'], form: 'fillet', counts: 'smallest' },
    taps: 'the corner where the plates meet, then the toe on the lying plate',
  },
  {
    ...{ id: 'throatMm', name: nameOf('throatMm'), views: ['section'], form: 'fillet', counts: 'smallest' },
    taps: 'the corner where the plates meet, then the nearest place of the face',
  },
  {
    ...{ id: 'penetrationMm', name: 'Penetration', views: ['section'], form: null, counts: 'smallest' },
    taps: 'the old face of the plate, then the deepest place of what melted, straight in',
  },
  {
    ...{ id: 'undercutMm', name: nameOf('undercutMm'), views: ['section'], form: null, counts: 'largest' },
    taps: 'the face of the plate, then the bottom of the groove',
  },
  {
    ...{ id: 'overlapMm', name: nameOf('overlapMm'), views: ['section'], form: null, counts: 'largest' },
    taps: 'where it is melted in, then the edge that lies on the plate',
  },
  {
    ...{ id: 'capMm', name: nameOf('capMm'), views: ['section'], form: 'butt', counts: 'largest' },
    taps: 'the face of the plate, then the top of the bead',
  },
  {
    ...{ id: 'rootMm', name: nameOf('rootMm'), views: ['section'], form: 'butt', counts: 'largest' },
    taps: 'the back of the plate, then the lowest place of the bead',
  },
  {
    ...{ id: 'poreLargestMm', name: 'Hole', views: ['face', 'back', 'section'], form: null, counts: 'largest' },
    taps: 'one rim of the hole, then the other, across its widest',
  },
  {
    ...{ id: 'misalignmentMm', name: nameOf('misalignmentMm'), views: ['section'], form: 'butt', counts: 'largest' },
    taps: 'the face of one plate, then that of the other, straight up',
  },
  {
    ...{ id: 'backWidthMm', name: 'Width at the back', views: ['back'], form: null, counts: 'mean' },
    taps: 'one edge of what came through, then the other',
  },
  {
    ...{ id: 'burnedHoleMm', name: 'Burned hole', views: ['face', 'back'], form: null, counts: 'largest' },
    taps: 'one rim, then the other, across its widest',
  },
];

/** A size by its id. */
export const sizeOf = (id: SizeId): Size => SIZES.find((size) => size.id === id)!;

/** Returns what can be measured in a picture of a weld. @param form null where the joint is not known */
export const sizesIn = (view: PictureView, form: WeldForm | null): Size[] =>
  SIZES.filter((size) => size.views.includes(view) && (size.form === null || form === null || size.form === form));

/** Returns what an inspection asks for under the same id; null for what none asks for. */
export const measureOf = (id: SizeId): MeasureId | null =>
  MEASURES.find((measure) => (measure.id as string) === id)?.id ?? null;
