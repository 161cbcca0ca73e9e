import { desc, eq } from 'drizzle-orm';
import { answer } from '../../core/answer';
import type { Job } from '../../core/case/schema';
import { suggestedQuestions } from '../../core/diagnosis/safety-gate';
import { CAUTIONS } from '../../core/knowledge/cautions';
import { beadFrom } from '../../core/record/draft/bead-from-draft';
import { caseOf } from '../../core/record/draft/case-of';
import { emptyDraft } from '../../core/record/draft/draft';
import { USUAL_HABITS } from '../../core/record/draft/habits';
import type { NewBead, NewCoupon, NewRig } from '../../core/record/shapes/record-schema';
import { logBead } from '../db/records/beads';
import { beginCoupon } from '../db/records/coupons';
import { addPerson } from '../db/records/people';
import { insertAll } from '../db/kinds/insert-all';
import { welds } from '../db/tables/schema';
import type { Store } from '../db/engine/store';
import { beginRig, refit } from '../db/records/rigs';
import { writeNow, type Writing } from '../db/records/write';
import { COUPONS, type DemoCoupon } from './coupons';
import { demoId } from './demo-id';
import { saveDemo } from './save-demo';
import { attachPictures } from './pictures';
import { recordOfYears } from './record-of-years';
import { demoRigs } from './rigs';
import { instantOf, ON_THE_BENCH_MIN } from './time';
import { DEMO_SAVED_SETTINGS } from './welds';
import { YEARS } from './years';
import { clock } from '../system/clock';

/** Whoever signs in the demo. */
const PEOPLE = ['Ilse', 'Joos', 'Wout'].map((name, i) => ({ id: demoId(7, i), name, initials: name[0], colour: i }));

/** Setups that the machines had when the two years began, by their ids. */
const BEGUN = 900;
const BETWEEN_BEADS = 6 * 60 * 1000;

/**
 * A job with what it asks answered, as it was before its first bead: what its title names is so and was made safe, the rest is not so.
 */
function asAnswered({ title, job }: DemoCoupon): Job {
  const { concerns = [], ruledOut = [], madeSafe = [] } = job;
  const asked = suggestedQuestions(CAUTIONS, { job: { ...job, title } }, { usesGas: true }).filter(
    ({ concern }) => !concerns.includes(concern) && !ruledOut.includes(concern),
  );
  const isSo = asked.flatMap(({ concern, because }) => (because === null ? [] : [concern]));
  const isNot = asked.flatMap(({ concern, because }) => (because === null ? [concern] : []));
  return {
    ...job,
    ...(isSo.length === 0 ? {} : { concerns: [...concerns, ...isSo], madeSafe: [...madeSafe, ...isSo] }),
    ...(isNot.length === 0 ? {} : { ruledOut: [...ruledOut, ...isNot] }),
  };
}

/** A coupon as it is told, with each bead judged as it would have been at the bench. */
function couponAndBeads(
  told: DemoCoupon,
  index: number,
  rigs: readonly NewRig[],
  now: number,
): { coupon: NewCoupon; beads: NewBead[] } {
  const createdAt = instantOf({ ...told, minute: -ON_THE_BENCH_MIN }, now);
  const started = Date.parse(instantOf(told, now));
  const { rigId, title } = told;
  const job = asAnswered(told);
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
 * Puts the two years in, and fits each machine as it stands since: what was read on it anew, with the parts as the years left
 * them.
 */
function afterYears(writing: Writing, now: number, since: string): NewRig[] {
  const days = YEARS();
  const began = instantOf({ daysAgo: days[0].daysAgo + 1 }, now);
  const begun = demoRigs(began).map((rig, i) => ({ ...rig, setup: { ...rig.setup, id: demoId(3, BEGUN + i) } }));
  const kept = recordOfYears(days, begun, now);
  insertAll(writing, kept);
  return demoRigs(since).map((rig): NewRig => {
    const fittedAt = kept.setups.findLast(({ rigId }) => rigId === rig.id)?.rig.fittedAt;
    const setup = fittedAt === undefined ? rig.setup : { ...rig.setup, rig: { ...rig.setup.rig, fittedAt } };
    refit(writing, rig.id, setup);
    return { ...rig, setup };
  });
}

/** A weld of the demo by its title, with the time it was made. */
function weldTold(store: Store, title: string): { weldId: string; at: string } {
  const row = store
    .select({ weldId: welds.id, at: welds.weldedAt })
    .from(welds)
    .where(eq(welds.title, title))
    .orderBy(desc(welds.weldedAt))
    .get();
  if (row === undefined) throw new Error(`the demo has no weld "${title}"`);
  return row;
}

/**
 * Fills a store with the demo workshop, in one transaction: two years of work that a simulated welder did (see
 * `npm run demo-years`), and the last four weeks as the workshop would tell them.
 * @param now time of loading, ms since 1970; the newest coupon is from the day before
 * @param years whether the two years go in, or the four weeks alone
 */
export function loadWorkshop(store: Store, now: number = clock().getTime(), years = true): void {
  const longest = Math.max(...COUPONS.map(({ daysAgo }) => daysAgo));
  const since = instantOf({ daysAgo: longest + 1 }, now);
  writeNow(store, (writing) => {
    PEOPLE.forEach((person) => addPerson(writing.store, person));
    const rigs = years ? afterYears(writing, now, since) : demoRigs(since);
    if (!years) rigs.forEach((rig) => beginRig(writing, rig));
    const told = COUPONS.map((coupon, index) => couponAndBeads(coupon, index, rigs, now));
    told.forEach(({ coupon, beads }) => {
      beginCoupon(writing, coupon);
      beads.forEach((bead) => logBead(writing, bead));
    });
    DEMO_SAVED_SETTINGS.forEach(({ coupon: title, ...kept }, index) => {
      const beads = told.find(({ coupon }) => coupon.title === title)?.beads;
      const bead = beads?.findLast(({ outcome }) => outcome === 'sound');
      if (bead === undefined) throw new Error(`the demo keeps the setting of "${title}", which has no sound bead`);
      saveDemo(writing, kept, index, bead);
    });
    attachPictures(writing, (of) => {
      if ('weld' in of) return { ...weldTold(writing.store, of.weld), beadId: null };
      const bead = told.find(({ coupon }) => coupon.title === of.coupon)?.beads[of.bead];
      if (bead === undefined) throw new Error(`the demo has no bead ${of.bead + 1} of "${of.coupon}"`);
      return { beadId: bead.id, weldId: null, at: bead.ranAt };
    });
  });
}
