import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { JOB_SCHEMA, RIG_SCHEMA } from '../../case/schema';
import { ID, INSTANT, name, note, REVISION } from '../../schema/parts';
import { ARC_CONTROL_RISING } from '../../setting/dials';
import { READINGS } from '../../setting/table';
import { BEAD_PROPERTIES, BEAD_SCHEMA } from './bead-schema';

export * from './bead-schema';

/**
 * What is kept, stated once for page, server and tests; the types are inferred. What a device sends is a `NEW_…` or a
 * `…_CHANGE`; what the server answers with carries its number and revision too.
 */

/**
 * What stands on a machine from a moment on: wire, gas, polarity, nozzle, and how its knobs and figures were to be
 * read then. Never changed: refitting or taking a dial down anew makes the next one, so that a bead run on the old one
 * goes on saying what it said.
 */
const SETUP_PROPERTIES = {
  id: ID,
  fittedAt: INSTANT,
  /** The rig as the case format has it: what is fitted, the ranges, the dials taken down. */
  rig: RIG_SCHEMA,
  /** Whether more on the arc-control dial means softer on this machine. */
  arcControlRising: { enum: ARC_CONTROL_RISING },
  /** How this machine shows its figures. */
  display: { enum: READINGS },
} as const;

export const NEW_SETUP_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'fittedAt', 'rig', 'arcControlRising', 'display'],
  properties: SETUP_PROPERTIES,
} as const satisfies JSONSchema;

export const SETUP_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'rigId', 'fittedAt', 'rig', 'arcControlRising', 'display', 'assumed', 'revision'],
  properties: {
    ...SETUP_PROPERTIES,
    rigId: ID,
    /** True for a setup that was put together later, when beads were kept without one. */
    assumed: { type: 'boolean' },
    revision: REVISION,
  },
} as const satisfies JSONSchema;

/** A machine as the workshop names it. */
const RIG_PROPERTIES = {
  id: ID,
  name: name(80),
  note: note(2000),
  putAway: { type: 'boolean' },
  /** What was run before teaches no more; null where nothing is forgotten. */
  learnsSince: { ...INSTANT, type: ['string', 'null'] },
  /** Measured wire speed over the set one; null where no run-out was timed. */
  runOutScale: { type: ['number', 'null'], minimum: 0.7, maximum: 1.3 },
} as const;

export const NEW_RIG_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'note', 'setup'],
  properties: { ...RIG_PROPERTIES, setup: NEW_SETUP_SCHEMA },
} as const satisfies JSONSchema;

export const RIG_RECORD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'note', 'putAway', 'learnsSince', 'runOutScale', 'setup', 'revision'],
  properties: { ...RIG_PROPERTIES, setup: SETUP_SCHEMA, revision: REVISION },
} as const satisfies JSONSchema;

/** The plate as it was known from a moment on. A measurement that was wrong is corrected by the next version. */
const JOB_VERSION_PROPERTIES = { id: ID, at: INSTANT, job: JOB_SCHEMA } as const;

export const JOB_VERSION_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'at', 'job'],
  properties: JOB_VERSION_PROPERTIES,
} as const satisfies JSONSchema;

const COUPON_PROPERTIES = {
  id: ID,
  rigId: ID,
  title: name(120),
  createdAt: INSTANT,
  putAway: { type: 'boolean' },
} as const;

/** A scrap plate on the bench: the document that beads are run on. */
export const NEW_COUPON_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'rigId', 'title', 'createdAt', 'job'],
  properties: { ...COUPON_PROPERTIES, job: JOB_VERSION_SCHEMA },
} as const satisfies JSONSchema;

const COUPON_READ = {
  ...COUPON_PROPERTIES,
  rigName: { type: 'string' },
  job: JOB_VERSION_SCHEMA,
  revision: REVISION,
} as const;
const COUPON_READ_REQUIRED = ['id', 'rigId', 'rigName', 'title', 'createdAt', 'putAway', 'job', 'revision'] as const;

/** A coupon without its beads. */
export const COUPON_ROW_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: COUPON_READ_REQUIRED,
  properties: COUPON_READ,
} as const satisfies JSONSchema;

/** A coupon as the log lists it: how many beads, the first sound one, and the last few to draw. */
export const COUPON_SUMMARY_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [...COUPON_READ_REQUIRED, 'beadCount', 'soundNumber', 'lastBeads'],
  properties: {
    ...COUPON_READ,
    beadCount: { type: 'integer', minimum: 0 },
    soundNumber: { type: ['integer', 'null'] },
    lastBeads: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['number', 'appearance', 'outcome', 'shows'],
        properties: {
          number: { type: 'integer' },
          appearance: BEAD_PROPERTIES.appearance,
          outcome: BEAD_PROPERTIES.outcome,
          /** The first thing it showed, in words. */
          shows: { type: ['string', 'null'] },
        },
      },
    },
  },
} as const satisfies JSONSchema;

/** A coupon as it opens: its beads, and every setup and version of the job that they name. */
export const COUPON_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [...COUPON_READ_REQUIRED, 'rig', 'nextNumber', 'beads', 'jobs', 'setups'],
  properties: {
    ...COUPON_READ,
    /** The rig as it is fitted now: what the next bead is run with. */
    rig: RIG_RECORD_SCHEMA,
    /** The number that the next bead will get; numbers of beads that were taken back are not given again. */
    nextNumber: { type: 'integer', minimum: 1 },
    beads: { type: 'array', items: BEAD_SCHEMA },
    jobs: { type: 'array', items: JOB_VERSION_SCHEMA },
    setups: { type: 'array', items: SETUP_SCHEMA },
  },
} as const satisfies JSONSchema;

/** A page of summaries; `next` is the cursor of the following page. */
export const COUPON_PAGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['coupons', 'next'],
  properties: { coupons: { type: 'array', items: COUPON_SUMMARY_SCHEMA }, next: { type: ['string', 'null'] } },
} as const satisfies JSONSchema;

export type NewSetup = FromSchema<typeof NEW_SETUP_SCHEMA>;
export type Setup = FromSchema<typeof SETUP_SCHEMA>;
export type NewRig = FromSchema<typeof NEW_RIG_SCHEMA>;
export type RigRecord = FromSchema<typeof RIG_RECORD_SCHEMA>;
export type JobVersion = FromSchema<typeof JOB_VERSION_SCHEMA>;
export type NewCoupon = FromSchema<typeof NEW_COUPON_SCHEMA>;
export type CouponSummary = FromSchema<typeof COUPON_SUMMARY_SCHEMA>;
export type CouponRow = FromSchema<typeof COUPON_ROW_SCHEMA>;
export type Coupon = FromSchema<typeof COUPON_SCHEMA>;
export type CouponPage = FromSchema<typeof COUPON_PAGE_SCHEMA>;
