import matchesChange from '../compiled/change';
import matchesCouponChange from '../compiled/coupon-change';
import matchesJobVersion from '../compiled/job-version';
import matchesSetup from '../compiled/new-setup';
import matchesRigChange from '../compiled/rig-change';
import { jobProblems } from '../case/job-problems';
import { rigProblems } from '../case/rig-problems';
import { validateWith, type Validated } from '../schema/validate';
import type { ChangeKind, CouponChange, RigChange, WaitingChange } from './change-schema';
import type { BeadChange, JobVersion, NewBead, NewCoupon, NewRig, NewSetup } from './schema';
import { validateBead, validateBeadChange } from './validate-bead';
import { validateCoupon } from './validate-coupon';
import { validateRig } from './validate-rig';

/** What each kind of change puts. What is begun has its id in `of`. */
export type FieldsOf = {
  'log-bead': Omit<NewBead, 'id'>;
  'change-bead': BeadChange;
  'begin-coupon': Omit<NewCoupon, 'id'>;
  'change-coupon': CouponChange;
  'correct-job': JobVersion;
  'begin-rig': Omit<NewRig, 'id'>;
  'change-rig': RigChange;
  refit: NewSetup;
};

/** One change, by its kind. */
export type ChangeOf<Kind extends ChangeKind> = Omit<WaitingChange, 'kind' | 'fields'> & {
  kind: Kind;
  fields: FieldsOf[Kind];
};
export type Change = { [Kind in ChangeKind]: ChangeOf<Kind> }[ChangeKind];

type Read = (fields: object, of: string) => Validated<unknown>;

/** The fields of each kind are read by what reads the thing itself, so that a wrong one is named as it always is. */
const READ: Record<ChangeKind, Read> = {
  'log-bead': (fields, of) => validateBead({ ...fields, id: of }),
  'change-bead': (fields) => validateBeadChange(fields),
  'begin-coupon': (fields, of) => validateCoupon({ ...fields, id: of }),
  'change-coupon': (fields) => validateWith<CouponChange>(matchesCouponChange, fields),
  'correct-job': (fields) => validateWith<JobVersion>(matchesJobVersion, fields, ({ job }) => jobProblems(job, 'job')),
  'begin-rig': (fields, of) => validateRig({ ...fields, id: of }),
  'change-rig': (fields) => validateWith<RigChange>(matchesRigChange, fields),
  refit: (fields) => validateWith<NewSetup>(matchesSetup, fields, ({ rig }) => rigProblems(rig, 'rig')),
};

/** A change, or every wrong field with what it takes. */
export function validateChange(input: unknown): Validated<Change> {
  const read = validateWith<WaitingChange>(matchesChange, input);
  if (read.problems !== null) return read;
  const { fields, of, kind } = read.value;
  const { problems } = READ[kind](fields, of);
  return problems === null ? { value: read.value as unknown as Change, problems } : { value: null, problems };
}
