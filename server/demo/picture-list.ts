import type { BeadAppearance } from '../../core/bead/appearance';
import type { PictureView } from '../../core/picture/sizes';

/**
 * Photographs of the demo, as they are told: of which bead or weld, from where, and what is measured in them. They are drawn by
 * `npm run demo-pictures` from the drawing of the bead, with a rule beside it, into `server/demo/pictures/`.
 */
export type DemoPicture = {
  /** A bead of a coupon, by its title and place, or a weld by its title. */
  of: { coupon: string; bead: number } | { weld: string };
  view: PictureView;
  /** How the plate lay under the camera, degrees. */
  turned: number;
  note?: string;
  /** What the drawing of the bead does not say of itself. */
  shows?: Partial<BeadAppearance>;
  /** Whether somebody has measured in it. */
  measured?: boolean;
};

export const DEMO_PICTURES: readonly DemoPicture[] = [
  { of: { coupon: 'Sluice rack 2, new bracket', bead: 0 }, view: 'face', turned: 2 },
  { of: { coupon: 'Sluice rack 2, new bracket', bead: 1 }, view: 'face', turned: -1.5 },
  {
    ...{ of: { coupon: 'Swing bridge handrail, tube stub', bead: 0 }, view: 'face', turned: 1, measured: true },
    note: 'Zinc burnt off beside it.',
  },
  { of: { coupon: 'Paddle gear cover, 1.2 mm lap', bead: 0 }, view: 'back', turned: -2 },
  {
    ...{ of: { coupon: 'Mooring ring, 10 mm back plate', bead: 0 }, view: 'section', turned: 1.5, measured: true },
    note: 'Sawn, filed, etched: the root was not reached.',
  },
  {
    ...{ of: { coupon: 'Mooring ring, 10 mm back plate', bead: 2 }, view: 'section', turned: -1, measured: true },
    note: 'The one that was kept.',
  },
  {
    of: { weld: 'Mooring ring 15, north quay' },
    ...{ view: 'face', turned: 1.2, shows: { holes: 'one-spot', lean: 0.4 } },
    note: 'Holes at the end of the run.',
  },
];
