import matchesChange from '../../compiled/change';
import matchesCouponChange from '../../compiled/coupon-change';
import matchesJobVersion from '../../compiled/job-version';
import matchesSetup from '../../compiled/new-setup';
import matchesCare from '../../compiled/new-care';
import matchesInspection from '../../compiled/new-inspection';
import matchesLevelChange from '../../compiled/level-change';
import matchesPicture from '../../compiled/new-picture';
import matchesPictureChange from '../../compiled/picture-change';
import matchesProven from '../../compiled/new-proven';
import matchesProvenChange from '../../compiled/proven-change';
import matchesRepair from '../../compiled/new-repair';
import matchesRigChange from '../../compiled/rig-change';
import matchesWeld from '../../compiled/new-weld';
import matchesWeldChange from '../../compiled/weld-change';
import { jobProblems } from '../../case/job-problems';
import { rigProblems } from '../../case/rig-problems';
import { inspectionProblems } from '../../inspection/problems';
import type { LevelChange } from '../../inspection/level-schema';
import { validateWith, type Validated } from '../../schema/validate';
import type { ChangeKind, CouponChange, RigChange, ChangeEnvelope } from '../shapes/change-schema';
import type { NewCare } from '../shapes/care-schema';
import type { NewPicture, PictureChange } from '../shapes/picture-schema';
import { pictureProblems } from './validate-picture';
import type { NewSavedSetting, SavedSettingChange } from '../shapes/saved-setting-schema';
import type { NewInspection, NewRepair, NewWeld, WeldChange } from '../shapes/weld-schema';
import type { BeadChange, JobVersion, NewBead, NewCoupon, NewRig, NewSetup } from '../shapes/record-schema';
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
  prove: Omit<NewSavedSetting, 'id'>;
  'change-proven': SavedSettingChange;
  'log-weld': Omit<NewWeld, 'id'>;
  'change-weld': WeldChange;
  inspect: NewInspection;
  repair: NewRepair;
  'change-level': LevelChange;
  care: NewCare;
  'add-picture': Omit<NewPicture, 'id'>;
  'change-picture': PictureChange;
};

/** One change, by its kind. */
export type ChangeOf<Kind extends ChangeKind> = Omit<ChangeEnvelope, 'kind' | 'fields'> & {
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
  prove: (fields, of) => validateWith<NewSavedSetting>(matchesProven, { ...fields, id: of }),
  'change-proven': (fields) => validateWith<SavedSettingChange>(matchesProvenChange, fields),
  'log-weld': (fields, of) => validateWith<NewWeld>(matchesWeld, { ...fields, id: of }),
  'change-weld': (fields) => validateWith<WeldChange>(matchesWeldChange, fields),
  inspect: (fields) => validateWith<NewInspection>(matchesInspection, fields, inspectionProblems),
  repair: (fields) => validateWith<NewRepair>(matchesRepair, fields),
  'change-level': (fields) => validateWith<LevelChange>(matchesLevelChange, fields),
  care: (fields) => validateWith<NewCare>(matchesCare, fields),
  'add-picture': (fields, of) => validateWith<NewPicture>(matchesPicture, { ...fields, id: of }, pictureProblems),
  'change-picture': (fields) => validateWith<PictureChange>(matchesPictureChange, fields),
};

/** A change, or every wrong field with what it takes. */
export const validateChange = (input: unknown): Validated<Change> =>
  validateWith<Change>(matchesChange, input, ({ kind, fields, of }) => READ[kind](fields, of).problems ?? []);
