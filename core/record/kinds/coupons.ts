import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { jobProblems } from '../../case/job-problems';
import { ID, name } from '../../schema/parts';
import { newCouponProblems } from '../shapes/problems';
import {
  COUPON_ROW_SCHEMA,
  JOB_VERSION_SCHEMA,
  NEW_COUPON_SCHEMA,
  type JobVersion,
  type NewCoupon,
} from '../shapes/record-schema';
import { beginning, changing, thing } from './descriptor';

const { id, rigId, title, createdAt, putAway } = COUPON_ROW_SCHEMA.properties;
const COUPON_ROW = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'rigId', 'title', 'createdAt', 'putAway', 'jobId'],
  /** `jobId` is the plate as it is known now. */
  properties: { id, rigId, title, createdAt, putAway, jobId: ID },
} as const satisfies JSONSchema;

const JOB_ROW = {
  type: 'object',
  additionalProperties: false,
  required: [...JOB_VERSION_SCHEMA.required, 'couponId'],
  properties: { ...JOB_VERSION_SCHEMA.properties, couponId: ID },
} as const satisfies JSONSchema;

/** What may change of a coupon besides its job. */
export const COUPON_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'title, rigId or putAway',
  properties: { title: name(120), rigId: ID, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

export type CouponChange = FromSchema<typeof COUPON_CHANGE_SCHEMA>;

/** A plate that trial beads are run on. */
export const COUPONS = thing<FromSchema<typeof COUPON_ROW>>()({
  name: 'coupon',
  schema: COUPON_ROW,
  mayChange: ['title', 'rigId', 'putAway', 'jobId'],
  names: [
    ['rigId', 'rigs'],
    ['jobId', 'jobs'],
  ],
  changes: {
    'begin-coupon': beginning<NewCoupon>({ of: 'coupon', fields: NEW_COUPON_SCHEMA, problems: newCouponProblems }),
    'change-coupon': changing<CouponChange>({ of: 'coupon', fields: COUPON_CHANGE_SCHEMA }),
  },
});

/** The job as it was known from a time on. */
export const JOBS = thing<FromSchema<typeof JOB_ROW>>()({
  name: 'job',
  schema: JOB_ROW,
  mayChange: [],
  names: [['couponId', 'coupons']],
  changes: {
    'correct-job': changing<JobVersion>({
      of: 'coupon',
      fields: JOB_VERSION_SCHEMA,
      problems: ({ job }) => jobProblems(job, 'job'),
      puts: 'jobId',
    }),
  },
});
