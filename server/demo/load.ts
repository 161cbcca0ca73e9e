import { answer } from '../../core/answer';
import { caseOf } from '../../core/record/case-of';
import { takenMove } from '../../core/record/taken-move';
import type { Bead, Coupon } from '../../core/record/schema';
import type { Store } from '../db/open';
import { putBead, putCoupon, putRig } from '../db/queries';
import { COUPONS, type ToldCoupon } from './coupons';
import { RIGS } from './rigs';

const DAY = 24 * 60 * 60 * 1000;
const FIRST_ARC = (9 * 60 + 20) * 60 * 1000;
const BETWEEN_BEADS = 6 * 60 * 1000;
/** Fixed ids, so that loading twice writes the same rows. */
const demoId = (kind: number, index: number): string =>
  `0190a000-0000-7000-80${String(kind).padStart(2, '0')}-${String(index).padStart(12, '0')}`;

function couponAndBeads(told: ToldCoupon, index: number, now: number): { coupon: Coupon; beads: Bead[] } {
  // Work starts at twenty past nine, the day before at the latest, so that nothing lies in the future.
  const started = Math.floor(now / DAY - 1 - told.daysAgo) * DAY + FIRST_ARC;
  const coupon: Coupon = {
    id: demoId(1, index),
    rigId: told.rigId,
    title: told.title,
    job: told.job,
    createdAt: new Date(started).toISOString(),
  };
  const rig = RIGS.find(({ id }) => id === told.rigId);
  if (rig === undefined) throw new Error(`the demo coupon "${told.title}" names no demo rig`);
  const beads = told.beads.map(({ settings, findings, outcome, note = '' }, i): Bead => {
    const { causes, correction } = answer(caseOf(rig, coupon, { settings, findings }));
    const [move] = correction.moves;
    return {
      id: demoId(2, index * 100 + i),
      couponId: coupon.id,
      number: i + 1,
      ranAt: new Date(started + i * BETWEEN_BEADS).toISOString(),
      settings,
      findings,
      verdict:
        outcome === 'sound' || causes.length === 0
          ? null
          : { cause: causes[0].cause, probability: causes[0].probability },
      move: outcome === 'sound' || move === undefined ? null : takenMove(move),
      outcome,
      note,
    };
  });
  return { coupon, beads };
}

/**
 * Fills a store with the demo workshop, in one transaction.
 * @param now time of loading, ms since 1970; the newest coupon is minutes old
 */
export function loadWorkshop(store: Store, now: number = Date.now()): void {
  store.transaction((transaction) => {
    RIGS.forEach((rig) => putRig(transaction, rig));
    COUPONS.forEach((told, index) => {
      const { coupon, beads } = couponAndBeads(told, index, now);
      putCoupon(transaction, coupon);
      beads.forEach((bead) => putBead(transaction, bead));
    });
  });
}
