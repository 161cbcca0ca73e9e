import type { Change } from '@/core/record/change/change';
import type { CouponChange } from '@/core/record/kinds/coupons';
import type { Coupon, NewCoupon } from '@/core/record/shapes/record-schema';
import { makeChange } from '../../client/send-changes';

/**
 * Returns what a form changes, and nothing else: a title that was not touched is not named, so that it puts back no old one.
 * @param typed the coupon that was typed
 * @param from as it was when the form was begun, or null for a new one
 */
export function couponChanges({ id, ...typed }: NewCoupon, from: Coupon | null): Change[] {
  if (from === null) return [makeChange('begin-coupon', id, typed, 0, id)];
  const { title, rigId, job } = typed;
  const fields: CouponChange = {
    ...(title === from.title ? {} : { title }),
    ...(rigId === from.rigId ? {} : { rigId }),
  };
  return [
    ...(Object.keys(fields).length === 0 ? [] : [makeChange('change-coupon', id, fields, from.revision)]),
    ...(job.id === from.job.id ? [] : [makeChange('correct-job', id, job, from.revision)]),
  ];
}
