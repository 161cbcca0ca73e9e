import { jobProblems } from '../../case/job-problems';
import { rigProblems } from '../../case/rig-problems';
import type { FieldProblem } from '../../schema/problems';
import type { NewCoupon, NewRig } from './record-schema';

/** Returns what is wrong with a new machine that its schema cannot say. */
export const newRigProblems = ({ setup }: NewRig): FieldProblem[] => rigProblems(setup.rig, 'setup.rig');

/** Returns what is wrong with a new coupon that its schema cannot say. */
export const newCouponProblems = ({ job }: NewCoupon): FieldProblem[] => jobProblems(job.job, 'job.job');
