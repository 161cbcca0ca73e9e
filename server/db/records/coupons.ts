import { and, asc, desc, eq, inArray, isNotNull, isNull, sql, type SQL } from 'drizzle-orm';
import type { CouponChange } from '../../../core/record/kinds/coupons';
import type {
  Coupon,
  CouponPage,
  CouponRow,
  CouponSummary,
  JobVersion,
  NewCoupon,
} from '../../../core/record/shapes/record-schema';
import type { Store } from '../engine/store';
import { nextNumber } from './next-number';
import { Refusal } from '../../errors/refusal';
import { findRig } from './rigs';
import { sameDocument } from '../tables/same-document';
import { readable, toAppearance, toBead, toJob, toSetup, type Unreadable } from '../tables/rows';
import { beads, coupons, jobs, rigs, setups } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Writing } from './write';

type Report = (unreadable: Unreadable) => void;

/** Which coupons a page of the log holds. */
export type CouponFilter = {
  state?: 'sound' | 'open';
  rigId?: string;
  text?: string;
  putAway?: boolean;
  /** The last coupon of the page before. */
  after?: { createdAt: string; id: string };
  limit: number;
};

/** Beads that a line of the log draws. */
const DRAWN = 4;

/** Coupons with the name of their rig and the job as it is known now. */
export const withJob = (store: Store) =>
  store
    .select({ coupon: coupons, rigName: rigs.name, job: jobs })
    .from(coupons)
    .innerJoin(rigs, eq(coupons.rigId, rigs.id))
    .innerJoin(jobs, eq(coupons.jobId, jobs.id));
type JoinedRow = { coupon: typeof coupons.$inferSelect; rigName: string; job: typeof jobs.$inferSelect };

export function toCouponRow({ coupon, rigName, job }: JoinedRow): CouponRow {
  const { id, rigId, title, createdAt, putAway, revision } = coupon;
  return { id, rigId, rigName, title, createdAt, putAway, revision, job: toJob(job) };
}

/** Returns what a filter asks for, its values left open. */
function conditions({ state, rigId, text, after }: CouponFilter): SQL | undefined {
  return and(
    eq(coupons.putAway, sql.placeholder('putAway')),
    state === undefined ? undefined : state === 'sound' ? isNotNull(coupons.soundNumber) : isNull(coupons.soundNumber),
    rigId === undefined ? undefined : eq(coupons.rigId, sql.placeholder('rigId')),
    text === undefined ? undefined : sql`${coupons.title} LIKE ${sql.placeholder('like')}`,
    // A comparison of rows is one seek in the index of time and id.
    after === undefined
      ? undefined
      : sql`(${coupons.createdAt}, ${coupons.id}) < (${sql.placeholder('createdAt')}, ${sql.placeholder('id')})`,
  );
}

function pageQuery(store: Store, filter: CouponFilter) {
  return withJob(store)
    .where(conditions(filter))
    .orderBy(desc(coupons.createdAt), desc(coupons.id))
    .limit(sql.placeholder('limit'))
    .prepare();
}

/** The last few beads of a coupon, newest first; as a line of the log draws them. */
function lastBeadsQuery(store: Store) {
  return store
    .select({ number: beads.number, appearance: beads.appearance, outcome: beads.outcome, shows: beads.shows })
    .from(beads)
    .where(and(eq(beads.couponId, sql.placeholder('couponId')), eq(beads.takenBack, false)))
    .orderBy(desc(beads.number))
    .limit(DRAWN)
    .prepare();
}

/** Queries put together once for a store: the pages by what they ask for, and the beads of a line. */
type Prepared = {
  pages: Map<string, ReturnType<typeof pageQuery>>;
  lastBeads: ReturnType<typeof lastBeadsQuery>;
};
const prepared = new WeakMap<Store, Prepared>();

function preparedFor(store: Store): Prepared {
  const known = prepared.get(store) ?? { pages: new Map(), lastBeads: lastBeadsQuery(store) };
  prepared.set(store, known);
  return known;
}

function pageOf(store: Store, filter: CouponFilter): JoinedRow[] {
  const { state, rigId, text, putAway = false, after, limit } = filter;
  const shape = [state, rigId === undefined, text === undefined, after === undefined].join(' ');
  const { pages } = preparedFor(store);
  const query = pages.get(shape) ?? pageQuery(store, filter);
  pages.set(shape, query);
  return query.all({
    putAway: putAway ? 1 : 0,
    rigId,
    like: text === undefined ? undefined : `%${text.replace(/[%_]/g, '')}%`,
    createdAt: after?.createdAt,
    id: after?.id,
    limit: limit + 1,
  });
}

function summaryOf(store: Store, joined: JoinedRow): CouponSummary {
  const last = preparedFor(store).lastBeads.all({ couponId: joined.coupon.id });
  const { beadCount, soundNumber } = joined.coupon;
  const lastBeads = last.reverse().map((bead) => ({ ...bead, appearance: toAppearance(bead.appearance) }));
  return { ...toCouponRow(joined), beadCount, soundNumber, lastBeads };
}

/** One page of the log, newest first. */
export function pageOfCoupons(store: Store, filter: CouponFilter, report: Report): CouponPage {
  const rows = pageOf(store, filter);
  const page = rows.slice(0, filter.limit);
  const last = page[page.length - 1]?.coupon;
  return {
    coupons: readable(
      'coupons',
      page.map((row) => ({ id: row.coupon.id, ...row })),
      (row) => summaryOf(store, row),
      report,
    ),
    next: rows.length > page.length && last !== undefined ? `${last.createdAt}~${last.id}` : null,
  };
}

/** A coupon with its beads in order, and every setup and version of the job that they name; null where there is none. */
export function findCoupon(store: Store, id: string, report: Report): Coupon | null {
  const row = withJob(store).where(eq(coupons.id, id)).get();
  if (row === undefined) return null;
  const its = store
    .select()
    .from(beads)
    .where(and(eq(beads.couponId, id), eq(beads.takenBack, false)))
    .orderBy(asc(beads.number))
    .all();
  const versions = store.select().from(jobs).where(eq(jobs.couponId, id)).orderBy(asc(jobs.at)).all();
  const named = [...new Set(its.map(({ setupId }) => setupId))];
  const fitted = store.select().from(setups).where(inArray(setups.id, named)).orderBy(asc(setups.fittedAt)).all();
  const rig = findRig(store, row.coupon.rigId);
  if (rig === null) throw new Error(`coupon ${id} names a rig that is not there`);
  return {
    ...toCouponRow(row),
    rig,
    nextNumber: nextNumber(store, id),
    beads: readable('beads', its, toBead, report),
    jobs: readable('jobs', versions, toJob, report),
    setups: readable('setups', fitted, toSetup, report),
  };
}

/** Returns what may change of a coupon, as it stands; null where there is none. */
export function couponNow(store: Store, id: string): (Required<CouponChange> & { jobId: string }) | null {
  const { title, rigId, putAway, jobId } = coupons;
  return store.select({ title, rigId, putAway, jobId }).from(coupons).where(eq(coupons.id, id)).get() ?? null;
}

/**
 * Adds a version of the job that is new, as what is known of the plate now. One that is kept already may only be named
 * as it stands, and changes nothing.
 * @returns whether it was new
 * @throws Refusal when a version that is kept would change
 */
export function correctJob({ store, revision }: Writing, couponId: string, { id, at, job }: JobVersion): boolean {
  const kept = store.select().from(jobs).where(eq(jobs.id, id)).get();
  const text = JSON.stringify(job);
  if (kept !== undefined) {
    if (kept.couponId !== couponId || kept.at !== at || !sameDocument(kept.job, text))
      throw new Refusal('conflict', [
        { field: 'job', takes: 'an id of its own when it differs: a correction is kept beside it' },
      ]);
    return false;
  }
  store.insert(jobs).values({ id, couponId, at, job: text }).run();
  setRow(store, coupons, couponId, { jobId: id, revision: revision() });
  return true;
}

function requireRig(store: Store, rigId: string): void {
  if (store.select({ id: rigs.id }).from(rigs).where(eq(rigs.id, rigId)).get() === undefined)
    throw new Refusal('wrong-fields', [{ field: 'rigId', takes: 'the id of a rig that is kept' }]);
}

/**
 * Begins a coupon that is not kept yet.
 * @throws Refusal when its rig is not kept, or its job is another's
 */
export function beginCoupon(writing: Writing, coupon: NewCoupon): void {
  const { id, rigId, title, createdAt, job, putAway = false } = coupon;
  requireRig(writing.store, rigId);
  const row = { id, rigId, title, createdAt, putAway, jobId: job.id, beadCount: 0, soundNumber: null };
  writing.store
    .insert(coupons)
    .values({ ...row, revision: writing.revision() })
    .run();
  correctJob(writing, id, job);
}

/** Names a coupon otherwise, moves it to another rig, puts it away or brings it back. @throws Refusal for no rig */
export function setCoupon({ store, revision }: Writing, id: string, fields: CouponChange): void {
  if (fields.rigId !== undefined) requireRig(store, fields.rigId);
  setRow(store, coupons, id, { ...fields, revision: revision() });
}
