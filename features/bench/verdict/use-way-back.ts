import type { FindingState } from '@/core/case/schema';
import { isCheckId } from '@/core/evidence/ids';
import type { Bead } from '@/core/record/shapes/record-schema';
import { backAt, takeBackOf, type TakeBack } from '@/core/record/draft/take-back';
import { useBenchRecords, useDraftPart } from '../state/bench';

/** What stands open after a bead that came out worse: its change is to be taken back, or was, and another way is due. */
export type WayBack = { takeBack: TakeBack } | { bead: Bead; worse: Bead };

const isLookedAt = (findings: Readonly<Record<string, FindingState>>): boolean =>
  Object.keys(findings).some((id) => !isCheckId(id));

const useLookedAt = (): boolean => useDraftPart((draft) => isLookedAt(draft.findings));

/** The way back that stands open, null where none does. Once the next bead is looked at, it speaks for itself. */
export function useWayBack(): WayBack | null {
  const { coupon } = useBenchRecords();
  const settings = useDraftPart((draft) => draft.settings);
  const lookedAt = useLookedAt();
  const takeBack = takeBackOf(coupon.beads, settings);
  if (takeBack !== null) return { takeBack };
  return lookedAt ? null : backAt(coupon.beads, settings);
}

/** The same where nothing is seen of the next bead yet, so that nothing else may be said to turn. */
export function useHeldBack(): WayBack | null {
  const way = useWayBack();
  return useLookedAt() ? null : way;
}
