import type { Draft } from '@/core/record/draft';
import type { RigRecord } from '@/core/record/schema';
import { fineToday, RIG_WALK } from '@/core/record/walk';
import type { FindingState } from '@/core/case/schema';
import type { StatedId } from '@/core/evidence/ids';
import { walkOn } from '@/platform/kept';
import { platform } from '@/platform/ports';
import { store, stored } from '@/platform/stored';

/** Whether an instant lies in the day that is now, by the clock of this device. */
const isToday = (iso: string): boolean => new Date(iso).toDateString() === platform().now().toDateString();

/**
 * The first draft of a coupon with what was found fine on its rig today: the walk is good for the day, and is kept with
 * every coupon that it was good for.
 * @param isFirst whether no bead was run on the coupon yet
 */
export function withWalk(draft: Draft, { id, setup }: RigRecord, isFirst: boolean): Draft {
  if (!isFirst) return draft;
  const fine = fineToday(stored(walkOn(id)), setup.fittedAt, isToday);
  return { ...draft, findings: { ...Object.fromEntries(fine.map((check) => [check, 'absent'])), ...draft.findings } };
}

/** Notes that a part of a rig was found fine; or, found otherwise or taken back, that it was not. */
export function noteWalk(rigId: string, check: StatedId, state: FindingState): void {
  if (!(RIG_WALK as readonly string[]).includes(check)) return;
  const { [check as (typeof RIG_WALK)[number]]: _, ...others } = stored(walkOn(rigId));
  store(walkOn(rigId), state === 'absent' ? { ...others, [check]: platform().now().toISOString() } : others);
}
