import matchesHabits from '../../core/compiled/habits';
import matchesPractice from '../../core/compiled/practice';
import type { Habits } from '../../core/record/draft/habits';
import type { Practice } from '../../core/school/practice-schema';
import type { CompiledValidator } from '../../core/schema/validate';
import { HABITS, PERSON, shapeOfEach } from './device-state';
import { PRACTICE } from './practice';
import { store, stored } from '../../platform/stored';

/** What of somebody stands on this device while another works with it; null where nothing does. */
const habitsOf = shapeOfEach<Habits | null>((person) => ({
  key: `habits-of-${person}`,
  version: 1,
  matches: ((value: unknown) => value === null || matchesHabits(value)) as CompiledValidator,
  migrations: {},
  initial: null,
}));
const practiceOf = shapeOfEach<Practice | null>((person) => ({
  key: `practice-of-${person}`,
  version: 1,
  matches: ((value: unknown) => value === null || matchesPractice(value)) as CompiledValidator,
  migrations: {},
  initial: null,
}));

const NOBODY = 'nobody';

/**
 * From now on another works with this device: how they weld and what they learned takes the place of what the one before has, which
 * is kept for them. Who is the first of all takes over what stands there, for it is most likely theirs.
 * @param next their id; null for nobody in particular
 */
export function changePersonHere(next: string | null): void {
  const before = stored(PERSON) ?? NOBODY;
  const after = next ?? NOBODY;
  if (before === after) return;
  const isFirst = before === NOBODY && stored(practiceOf(NOBODY)) === null;
  store(habitsOf(before), stored(HABITS));
  store(practiceOf(before), isFirst ? PRACTICE.initial : stored(PRACTICE));
  store(PERSON, next);
  // Who was never here welds as the device was set, until more is known of them.
  const habits = stored(habitsOf(after));
  if (habits !== null) store(HABITS, habits);
  const practice = stored(practiceOf(after));
  if (practice !== null || !isFirst) store(PRACTICE, practice ?? PRACTICE.initial);
}
