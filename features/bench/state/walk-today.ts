import type { Draft } from '@/core/record/draft/draft';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { fineToday, isLasting, RIG_WALK } from '@/core/record/draft/rig-walk';
import type { FindingState } from '@/core/case/schema';
import type { CheckId, StatedId } from '@/core/evidence/ids';
import { walkOn } from '@/client/stored/device-state';
import { platform } from '@/platform/ports';
import { store, stored, useStored } from '@/platform/stored';

/** Returns whether an instant lies in the day that is now, by the clock of this device. */
const isToday = (iso: string): boolean => new Date(iso).toDateString() === platform().now().toDateString();

/** Looks at a rig that were made today and found fine; heard anew when one is made. */
export function useFineToday({ id, setup }: RigRecord): readonly CheckId[] {
  const [walk] = useStored(walkOn(id));
  return fineToday(walk, setup.fittedAt, isToday);
}

/**
 * The first draft of a coupon with what was found on its rig today and only a refit changes: that speaks for this coupon
 * too, and is kept with it.
 * @param isFirst whether no bead was run on the coupon yet
 */
export function withWalk(draft: Draft, { id, setup }: RigRecord, isFirst: boolean): Draft {
  if (!isFirst) return draft;
  const fine = fineToday(stored(walkOn(id)), setup.fittedAt, isToday).filter(isLasting);
  return { ...draft, findings: { ...Object.fromEntries(fine.map((check) => [check, 'absent'])), ...draft.findings } };
}

/** Notes that a part of a rig was found fine; or, found otherwise or taken back, that it was not. */
export function noteWalk(rigId: string, check: StatedId, state: FindingState): void {
  if (!(RIG_WALK as readonly string[]).includes(check)) return;
  const { [check as (typeof RIG_WALK)[number]]: _, ...others } = stored(walkOn(rigId));
  store(walkOn(rigId), state === 'absent' ? { ...others, [check]: platform().now().toISOString() } : others);
}
