import type { Bead, Outcome } from '../record/shapes/bead-schema';
import type { Settings } from '../setting/table';

/** Figures that were changed from one bead to the next, and how the next was judged against the one before. */
export type JudgedChange = { before: Settings; after: Settings; outcome: Exclude<Outcome, 'sound'> };

type Run = Pick<Bead, 'setupId' | 'settings' | 'outcome' | 'cured'>;

/**
 * Returns what was changed from bead to bead of a coupon, and how that was judged: figures alone, with the same things fitted and
 * nothing cured between the two. What came before a sound bead was answered by it.
 * @param beads of the coupon, in the order they were run
 * @param setupId of what is fitted now
 */
export function changesOf(beads: readonly Run[], setupId: string): JudgedChange[] {
  const since = Math.max(
    0,
    beads.findLastIndex(({ outcome }) => outcome === 'sound'),
  );
  return beads.slice(since + 1).flatMap(({ settings: after, outcome, ...bead }, i): JudgedChange[] => {
    const before = beads[since + i];
    const alike = bead.setupId === setupId && before.setupId === setupId && (before.cured ?? []).length === 0;
    if (outcome === null || outcome === 'sound' || !alike) return [];
    return [{ before: before.settings, after, outcome }];
  });
}
