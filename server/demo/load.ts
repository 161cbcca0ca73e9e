import { answer } from '../../core/answer';
import { beadFrom } from '../../core/record/bead-from';
import { caseOf } from '../../core/record/case-of';
import { emptyDraft } from '../../core/record/draft';
import { USUAL_HABITS } from '../../core/record/habits';
import type { NewBead, NewCoupon, NewRig } from '../../core/record/schema';
import { logBead } from '../db/beads';
import { beginCoupon } from '../db/coupons';
import type { Store } from '../db/store';
import { beginRig } from '../db/rigs';
import { writeNow } from '../db/write';
import { COUPONS, type ToldCoupon } from './coupons';
import { demoId } from './demo-id';
import { demoRigs } from './rigs';

const DAY = 24 * 60 * 60 * 1000;
const FIRST_ARC = (9 * 60 + 20) * 60 * 1000;
const BETWEEN_BEADS = 6 * 60 * 1000;

/** Work starts at twenty past nine, the day before at the latest, so that nothing lies in the future. */
const startOf = (daysAgo: number, now: number): number => Math.floor(now / DAY - 1 - daysAgo) * DAY + FIRST_ARC;

/** A coupon as it is told, with each bead judged as it would have been at the bench. */
function couponAndBeads(
  told: ToldCoupon,
  index: number,
  rigs: readonly NewRig[],
  now: number,
): { coupon: NewCoupon; beads: NewBead[] } {
  const started = startOf(told.daysAgo, now);
  const createdAt = new Date(started).toISOString();
  const { rigId, title, job } = told;
  const coupon: NewCoupon = {
    id: demoId(1, index),
    rigId,
    title,
    createdAt,
    job: { id: demoId(4, index), at: createdAt, job },
  };
  const rig = rigs.find(({ id }) => id === rigId);
  if (rig === undefined) throw new Error(`the demo coupon "${title}" names no demo rig`);
  const ran = { couponId: coupon.id, setupId: rig.setup.id, jobId: coupon.job.id };
  const beads = told.beads.map(({ settings, findings, outcome, note = '' }, i): NewBead => {
    const draft = { ...emptyDraft(demoId(2, index * 100 + i)), settings, findings };
    const input = caseOf(rig.setup, job, draft, USUAL_HABITS.schools);
    const bead = beadFrom(draft, input, answer(input), ran, USUAL_HABITS, new Date(started + i * BETWEEN_BEADS));
    const judged = { ...bead, outcome, note };
    // A sound bead leaves nothing to say and nothing to change.
    return outcome === 'sound' ? { ...judged, verdict: null, move: null } : judged;
  });
  return { coupon, beads };
}

/**
 * Fills a store with the demo workshop, in one transaction.
 * @param now time of loading, ms since 1970; the newest coupon is from the day before
 */
export function loadWorkshop(store: Store, now: number = Date.now()): void {
  const longest = Math.max(...COUPONS.map(({ daysAgo }) => daysAgo));
  const rigs = demoRigs(new Date(startOf(longest + 1, now)).toISOString());
  writeNow(store, (writing) => {
    rigs.forEach((rig) => beginRig(writing, rig));
    COUPONS.forEach((told, index) => {
      const { coupon, beads } = couponAndBeads(told, index, rigs, now);
      beginCoupon(writing, coupon);
      beads.forEach((bead) => logBead(writing, bead));
    });
  });
}
