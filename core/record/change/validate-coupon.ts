import matchesCoupon from '../../compiled/fields-of-begin-coupon';
import { validateWith, type Validated } from '../../schema/validate';
import { newCouponProblems } from '../shapes/problems';
import type { NewCoupon } from '../shapes/record-schema';

/** A coupon with the job as it is known, or every wrong field with what it takes. */
export const validateCoupon = (input: unknown): Validated<NewCoupon> =>
  validateWith(matchesCoupon, input, newCouponProblems);
