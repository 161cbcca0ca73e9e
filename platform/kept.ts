import matchesDraftHistory from '../core/compiled/draft-history';
import matchesHabits from '../core/compiled/habits';
import { emptyDraft, type DraftHistory } from '../core/record/draft';
import { USUAL_HABITS, type Habits } from '../core/record/habits';
import type { CompiledValidator } from '../core/schema/validate';
import { platform } from './ports';
import type { StoredShape } from './stored';

/** Everything that this device keeps, by name. */

/** How this person welds. */
export const HABITS: StoredShape<Habits> = {
  key: 'habits',
  version: 2,
  matches: matchesHabits,
  migrations: {},
  initial: USUAL_HABITS,
};

const isIdOrNull = ((value: unknown) => value === null || typeof value === 'string') as CompiledValidator;

/** The coupon in work. */
export const BENCH_COUPON: StoredShape<string | null> = {
  key: 'bench-coupon',
  version: 2,
  matches: isIdOrNull,
  migrations: {},
  initial: null,
};

/** A draft of version 1 had no id and kept its whole past; the past is let go, what was tapped stays. */
function draftFromVersion1(old: unknown): DraftHistory | null {
  if (old === null) return null;
  const { now } = old as { now: Omit<DraftHistory['now'], 'id'> };
  return { now: { ...emptyDraft(platform().newId()), ...now }, past: [] };
}

const isDraftOrNull = ((value: unknown) => value === null || matchesDraftHistory(value)) as CompiledValidator;

const shapes = new Map<string, StoredShape<DraftHistory | null>>();

/** The bead in front of the welder on one coupon; null where none was begun. */
export function draftOn(couponId: string): StoredShape<DraftHistory | null> {
  const known = shapes.get(couponId);
  if (known !== undefined) return known;
  const shape: StoredShape<DraftHistory | null> = {
    key: `draft-${couponId}`,
    version: 2,
    matches: isDraftOrNull,
    migrations: { 1: draftFromVersion1 },
    initial: null,
  };
  shapes.set(couponId, shape);
  return shape;
}
