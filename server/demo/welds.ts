import type { Defect } from '../../core/inspection/defects';
import { LEVELS } from '../../core/inspection/levels';
import type { Measured } from '../../core/inspection/measures';
import type { NewSavedSetting } from '../../core/record/shapes/saved-setting-schema';
import type { Settings } from '../../core/setting/table';

/** A setting that was kept of a coupon, as the workshop would tell it. */
export type DemoSavedSetting = Pick<NewSavedSetting, 'by' | 'how' | 'run' | 'note'> & {
  /** Title of the coupon it ended in. */
  coupon: string;
  welds: DemoWeld[];
};
export type DemoStep =
  | { kind: 'inspection'; by: string; level: (typeof LEVELS)[number]; measured: Measured; note?: string }
  | { kind: 'repair'; by: string; defects: Defect[]; done: string[]; settings: Settings; note?: string };
export type DemoWeld = { title: string; by: string; lengthMm: number; note?: string; steps: DemoStep[] };

const [STOPGAP, EVERYDAY, CAREFUL] = LEVELS;
const NOTHING: Measured = { crackMm: 0, unfusedMm: 0, poreCount: 0, undercutMm: 0 };

/** What became of the coupons: the settings that were kept, and the parts welded with them. */
export const DEMO_SAVED_SETTINGS: readonly DemoSavedSetting[] = [
  {
    coupon: 'Mooring ring, 10 mm back plate',
    ...{ by: 'Ilse', how: ['looked', 'broken'], run: 'straight' },
    note: 'Start on the back plate and let the puddle come to the ring.',
    welds: [
      {
        ...{ title: 'Mooring ring 14, north quay', by: 'Ilse', lengthMm: 310 },
        steps: [
          {
            ...{ kind: 'inspection', by: 'Joos', level: CAREFUL },
            measured: { ...NOTHING, legUprightMm: 7, legFlatMm: 7.5, lengthMm: 310, undercutMm: 0.9, badLengthMm: 40 },
            note: 'Top toe, where the hand came round.',
          },
          {
            ...{ kind: 'repair', by: 'Ilse', defects: ['undercut'], settings: {} },
            done: ['Brush toe and plate bright. Open the notch where it is sharp, so that the arc reaches its bottom.'],
          },
          {
            ...{ kind: 'inspection', by: 'Joos', level: CAREFUL },
            measured: { ...NOTHING, legUprightMm: 8, legFlatMm: 7.5, lengthMm: 310, undercutMm: 0.2 },
          },
        ],
      },
      {
        ...{ title: 'Mooring ring 15, north quay', by: 'Ilse', lengthMm: 310 },
        steps: [
          {
            ...{ kind: 'inspection', by: 'Joos', level: CAREFUL },
            measured: {
              ...NOTHING,
              legUprightMm: 6,
              legFlatMm: 9,
              throatMm: 4.2,
              lengthMm: 310,
              poreCount: 3,
              poreLargestMm: 2,
            },
          },
        ],
      },
    ],
  },
  {
    coupon: 'Paddle gear cover, 1.2 mm lap',
    ...{ by: 'Wout', how: ['looked', 'bent'], run: 'straight' },
    note: 'Stitches of 20 mm, every second one, then back.',
    welds: [
      {
        ...{ title: 'Paddle gear cover, lock 4', by: 'Wout', lengthMm: 640 },
        steps: [
          {
            ...{ kind: 'inspection', by: 'Wout', level: STOPGAP },
            measured: {
              ...NOTHING,
              legUprightMm: 1.5,
              legFlatMm: 2,
              lengthMm: 640,
              poreCount: 2,
              poreLargestMm: 1,
              burnThroughs: 1,
            },
          },
        ],
      },
    ],
  },
  {
    coupon: 'Towpath grating, bearing bars',
    ...{ by: 'Joos', how: ['looked'], run: 'straight', note: '' },
    welds: [{ title: 'Grating 22, weir bridge', by: 'Joos', lengthMm: 480, steps: [] }],
  },
  {
    coupon: 'Lock gate 4, walkway toe board',
    ...{ by: 'Ilse', how: ['looked', 'cut'], run: 'weave', note: 'Rest at both sides, none in the middle.' },
    welds: [
      {
        ...{ title: 'Toe board, lock gate 4 east', by: 'Ilse', lengthMm: 1200 },
        steps: [
          {
            ...{ kind: 'inspection', by: 'Joos', level: EVERYDAY },
            measured: {
              ...NOTHING,
              capMm: 1.2,
              widthMm: 6,
              rootMm: 0.5,
              lengthMm: 1200,
              poreCount: 4,
              poreLargestMm: 1.5,
            },
          },
        ],
      },
    ],
  },
];
