import { asc, between } from 'drizzle-orm';
import { JOBS as SAID } from '../../../core/record/kinds/coupons';
import { insertRows } from '../engine/insert-rows';
import { setRow } from '../engine/set-row';
import { beginCoupon, correctJob, couponNow, findCoupon, setCoupon, toCouponRow, withJob } from '../records/coupons';
import { readable, toJob } from '../tables/rows';
import { coupons, jobs } from '../tables/schema';
import { begun, put, required, setFields, type Shown, type Storage } from './storage';
import { storedRows } from './stored-rows';

export const COUPONS: Storage<'coupons'> = {
  table: coupons,
  rows: (store, ids) =>
    storedRows(store, coupons, ids).map(({ beadCount: _, soundNumber: __, revision: ___, ...row }) => row),
  insert: (store, rows, at) =>
    insertRows(
      store,
      coupons,
      rows.map((coupon) => ({ ...coupon, beadCount: 0, soundNumber: null, revision: at })),
    ),
  set: (store, { id, title, rigId, putAway, jobId }, at) =>
    setRow(store, coupons, id, { title, rigId, putAway, jobId, revision: at }),
  changes: {
    'begin-coupon': (writing, { of, fields }) => {
      const isNew = couponNow(writing.store, of) === null;
      if (isNew) beginCoupon(writing, { ...fields, id: of });
      return begun(isNew, of);
    },
    'change-coupon': (writing, { of, fields }) => {
      const now = required(couponNow(writing.store, of), of, 'coupon');
      return setFields(now, fields, of, () => setCoupon(writing, of, fields));
    },
  },
};

export const COUPONS_SHOWN: Shown<'coupon', 'coupons'> = {
  as: 'coupon',
  list: 'coupons',
  table: coupons,
  find: findCoupon,
  between: (store, from, to, report) => {
    const rows = withJob(store)
      .where(between(coupons.revision, from, to))
      .orderBy(asc(coupons.revision))
      .all();
    return readable(
      'coupons',
      rows.map((row) => ({ ...row, id: row.coupon.id })),
      toCouponRow,
      report,
    );
  },
};

export const JOBS: Storage<'jobs'> = {
  table: jobs,
  rows: (store, ids, report) =>
    readable('jobs', storedRows(store, jobs, ids), (row) => ({ ...toJob(row), couponId: row.couponId }), report),
  insert: (store, rows) =>
    insertRows(
      store,
      jobs,
      rows.map(({ job, ...row }) => ({ ...row, job: JSON.stringify(job) })),
    ),
  changes: {
    'correct-job': (writing, { of, fields }) => {
      const { jobId } = required(couponNow(writing.store, of), of, 'coupon');
      return put(correctJob(writing, of, fields), of, SAID.changes['correct-job'].puts!, fields.id, jobId);
    },
  },
};
