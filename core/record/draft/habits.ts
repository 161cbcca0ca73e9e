import type { Habits } from '../shapes/habits-schema';

export type { Habits } from '../shapes/habits-schema';

/** The first of each is the default; trade practice says why in the panel. */
export const USUAL_HABITS: Habits = {
  units: 'metric',
  changes: 'one',
  schools: {
    ...{ imbalance: 'by-heat', gasFlow: 'ample', stickOut: 'standard' },
    ...{ heat: 'as-wanted', gun: 'push', run: 'straight' },
  },
};
