import { jobProblems } from '../../case/job-problems';
import matchesCoupon from '../../compiled/new-coupon';
import { validateWith, type Validated } from '../../schema/validate';
import type { NewCoupon } from '../shapes/record-schema';

/** A coupon with the job as it is known, or every wrong field with what it takes. */
export function validateCoupon(input: unknown): Validated<NewCoupon> {
  return validateWith<NewCoupon>(matchesCoupon, input, ({ job }) => jobProblems(job.job, 'job.job'));
}
