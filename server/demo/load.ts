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
import { prove } from '../db/proven';
import { inspect, logWeld, repair } from '../db/welds';
import { writeNow, type Writing } from '../db/write';
import { COUPONS, type ToldCoupon } from './coupons';
import { demoId } from './demo-id';
import { demoRigs } from './rigs';
import { KEPT, type ToldProven } from './welds';

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

const STEP_AFTER = 60 * 60 * 1000;

/** A kept setting as it is told, with its welds: each the same day, an hour after what came before it. */
function keepTold(
  writing: Writing,
  { coupon: title, welds, ...setting }: ToldProven,
  index: number,
  told: readonly { coupon: NewCoupon; beads: NewBead[] }[],
): void {
  const bead = told.find(({ coupon }) => coupon.title === title)?.beads.findLast(({ outcome }) => outcome === 'sound');
  if (bead === undefined) throw new Error(`the demo keeps the setting of "${title}", which has no sound bead`);
  let at = Date.parse(bead.ranAt);
  const later = (): string => new Date((at += STEP_AFTER)).toISOString();
  const provenId = demoId(5, index);
  prove(writing, { ...setting, id: provenId, couponId: bead.couponId, beadId: bead.id, provenAt: later() });
  welds.forEach(({ steps, note = '', ...weld }, w) => {
    const weldId = demoId(6, index * 100 + w);
    logWeld(writing, { ...weld, note, id: weldId, provenId, weldedAt: later() });
    let inspectionId = '';
    steps.forEach(({ note: said = '', ...step }, s) => {
      const id = demoId(7, (index * 100 + w) * 100 + s);
      if (step.kind === 'inspection') {
        inspectionId = id;
        const { by, measured, level } = step;
        const { id: levelId, name, limits } = level;
        const held = { level: { id: levelId, name, limits }, measured, by, note: said };
        inspect(writing, weldId, { id, inspectedAt: later(), ...held });
      } else {
        const { by, defects, done, settings } = step;
        repair(writing, weldId, { id, inspectionId, repairedAt: later(), by, defects, done, settings, note: said });
      }
    });
  });
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
    const told = COUPONS.map((coupon, index) => couponAndBeads(coupon, index, rigs, now));
    told.forEach(({ coupon, beads }) => {
      beginCoupon(writing, coupon);
      beads.forEach((bead) => logBead(writing, bead));
    });
    KEPT.forEach((kept, index) => keepTold(writing, kept, index, told));
  });
}
