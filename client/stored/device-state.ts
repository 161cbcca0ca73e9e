import matchesDraftHistory from '../../core/compiled/draft-history';
import matchesHabits from '../../core/compiled/habits';
import matchesWalk from '../../core/compiled/walk';
import type { ChangeKind } from '../../core/record/kinds/all';
import { emptyDraft, type DraftHistory } from '../../core/record/draft/draft';
import { USUAL_HABITS, type Habits } from '../../core/record/draft/habits';
import type { Walk } from '../../core/record/shapes/walk-schema';
import type { CompiledValidator } from '../../core/schema/validate';
import { platform } from '../../platform/ports';
import { store, stored, type StoredShape } from '../../platform/stored';

/** Everything that this device keeps, by name; what only one place asks for stands beside, so that the bench opens without it. */

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

/** What this device calls itself, so that others can tell their changes from its own; null until it is first asked. */
export const DEVICE: StoredShape<string | null> = {
  key: 'device',
  version: 2,
  matches: isIdOrNull,
  migrations: {},
  initial: null,
};

/** The id of this device, made when it is first asked for. */
export function deviceId(): string {
  const known = stored(DEVICE);
  if (known !== null) return known;
  const made = platform().newId();
  store(DEVICE, made);
  return made;
}

/** Who works with this device, by id; null where nobody has said. */
export const PERSON: StoredShape<string | null> = {
  key: 'person',
  version: 2,
  matches: isIdOrNull,
  migrations: {},
  initial: null,
};

/** One field that two devices changed: what each put, and whose change it was that came later and stands. */
export type Conflict = {
  id: string;
  kind: ChangeKind;
  of: string;
  couponId: string | null;
  field: string;
  was: unknown;
  now: unknown;
  /** The revision at which the later one was taken. */
  revision: number;
  /** Which of the two was made on this device. */
  mine: 'later' | 'earlier';
  /** The earlier change. */
  by: string;
  /** Whether it was read, and settled or left: the server may tell of it again. */
  settled: boolean;
};

const isConflicts = ((value: unknown) =>
  Array.isArray(value) &&
  value.every((one) => typeof one === 'object' && one !== null && 'field' in one && 'of' in one)) as CompiledValidator;

/** Conflicts, with those that were settled lately. */
export const CONFLICTS: StoredShape<readonly Conflict[]> = {
  key: 'conflicts',
  version: 2,
  matches: isConflicts,
  migrations: {},
  initial: [],
};

/** A draft of version 1 had no id and kept its whole past; the past is let go, what was tapped stays. */
function draftFromVersion1(old: unknown): DraftHistory | null {
  if (old === null) return null;
  const { now } = old as { now: Omit<DraftHistory['now'], 'id'> };
  return { now: { ...emptyDraft(platform().newId()), ...now }, past: [] };
}

const isDraftOrNull = ((value: unknown) => value === null || matchesDraftHistory(value)) as CompiledValidator;

/** A kind of value that is kept for each of some things, made once for each. */
export function shapeOfEach<T>(make: (id: string) => StoredShape<T>): (id: string) => StoredShape<T> {
  const made = new Map<string, StoredShape<T>>();
  return (id) => {
    const known = made.get(id) ?? make(id);
    made.set(id, known);
    return known;
  };
}

/** The bead in front of the welder on one coupon; null where none was begun. */
export const draftOn = shapeOfEach<DraftHistory | null>((couponId) => ({
  key: `draft-${couponId}`,
  version: 2,
  matches: isDraftOrNull,
  migrations: { 1: draftFromVersion1 },
  initial: null,
}));

/** What was found fine on a rig, and when. */
export const walkOn = shapeOfEach<Walk>((rigId) => ({
  key: `walk-${rigId}`,
  version: 2,
  matches: matchesWalk,
  migrations: {},
  initial: {},
}));
