import matchesTrueSize from '../../core/compiled/true-size';
import type { TrueSize } from '../../core/school/true-size-schema';
import type { StoredShape } from '../../platform/stored';

/** How many dots this screen has in a mm, as it was held against a card. */
export const TRUE_SIZE: StoredShape<TrueSize> = {
  key: 'true-size',
  version: 1,
  matches: matchesTrueSize,
  migrations: {},
  initial: { dotsPerMm: null },
};
