import type { Coupon, NewCoupon } from '@/core/record/shapes/record-schema';
import { forgetMemory } from '@/platform/stored';
import { couponChanges } from './job-changes';

beforeEach(forgetMemory);
const job = { id: 'job', at: 'x', job: { thicknessMm: 3 } };
const KEPT = { id: 'c', rigId: 'r', title: 'Plate', createdAt: 'x', job, revision: 7 } as unknown as Coupon;
const typed = (change: Partial<NewCoupon> = {}): NewCoupon => ({
  ...{ id: 'c', rigId: 'r', title: 'Plate', createdAt: 'x', job },
  ...change,
});
const made = (change?: Partial<NewCoupon>, from: Coupon | null = KEPT) =>
  couponChanges(typed(change), from).map(({ kind, of, fields, against }) => ({ kind, of, fields, against }));

describe('what the job form changes', () => {
  it('is nothing where nothing was changed', () => expect(made()).toEqual([]));

  it('is only what was changed, against what the form began with', () => {
    expect(made({ title: 'Pin' })).toEqual([{ kind: 'change-coupon', of: 'c', fields: { title: 'Pin' }, against: 7 }]);
    expect(made({ rigId: 's' })).toEqual([{ kind: 'change-coupon', of: 'c', fields: { rigId: 's' }, against: 7 }]);
    const corrected = { ...job, id: 'job-2' };
    expect(made({ title: 'Pin', job: corrected }).map(({ kind }) => kind)).toEqual(['change-coupon', 'correct-job']);
    expect(made({ job: corrected })).toEqual([{ kind: 'correct-job', of: 'c', fields: corrected, against: 7 }]);
  });

  it('of a new coupon is all of it, under its own id, so that it is there once', () => {
    const { id: _, ...fields } = typed();
    expect(made({}, null)).toEqual([{ kind: 'begin-coupon', of: 'c', fields, against: 0 }]);
    expect(couponChanges(typed(), null)[0].id).toBe('c');
  });
});
