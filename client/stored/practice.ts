import matchesPractice from '../../core/compiled/practice';
import type { Practice } from '../../core/school/practice-schema';
import type { StoredShape } from '../../platform/stored';

/** What was answered in the School on this device. */
export const PRACTICE: StoredShape<Practice> = {
  key: 'practice',
  version: 1,
  matches: matchesPractice,
  migrations: {},
  initial: { answers: [] },
};
