import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CASE_SCHEMA, JOB_SCHEMA, RIG_SCHEMA, SETTINGS_SCHEMA } from '../case/schema';

/** What is kept: rigs, coupons, beads. Stated once here for server and app; the types are inferred. */

const id = { type: 'string', format: 'uuid' } as const;
const time = { type: 'string', format: 'date-time' } as const;
const text = <L extends number>(maxLength: L) => ({ type: 'string', maxLength }) as const;

export const OUTCOMES = ['sound', 'better', 'same', 'worse'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** A machine as the workshop names it, with what is fitted now. */
export const RIG_RECORD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'rig', 'note', 'arcControlRising', 'display'],
  properties: {
    id,
    name: { type: 'string', minLength: 1, maxLength: 80 },
    rig: RIG_SCHEMA,
    note: text(2000),
    /** Whether more on the arc-control dial means softer on this machine. */
    arcControlRising: { enum: ['softer', 'crisper'] },
    /** How this machine shows its figures. */
    display: { enum: ['digital', 'dial', 'estimate'] },
  },
} as const satisfies JSONSchema;

/** A scrap plate on the bench: the document that beads are run on. */
export const COUPON_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'rigId', 'title', 'job', 'createdAt'],
  properties: {
    id,
    rigId: id,
    title: { type: 'string', minLength: 1, maxLength: 120 },
    job: JOB_SCHEMA,
    createdAt: time,
  },
} as const satisfies JSONSchema;

/** The change made after a bead. */
export const TAKEN_MOVE_SCHEMA = {
  type: ['object', 'null'],
  additionalProperties: false,
  required: ['kind', 'text'],
  properties: {
    kind: { enum: ['setting', 'remedy'] },
    setting: { enum: Object.keys(SETTINGS_SCHEMA.properties) as (keyof typeof SETTINGS_SCHEMA.properties)[] },
    from: { type: ['number', 'null'] },
    to: { type: 'number' },
    cause: text(60),
    text: text(400),
  },
} as const satisfies JSONSchema;

/** One bead: what was set, what it showed, what was made of it. */
export const BEAD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'couponId', 'number', 'ranAt', 'settings', 'findings', 'verdict', 'move', 'outcome', 'note'],
  properties: {
    id,
    couponId: id,
    number: { type: 'integer', minimum: 1, maximum: 999 },
    ranAt: time,
    settings: SETTINGS_SCHEMA,
    readings: CASE_SCHEMA.properties.readings,
    findings: CASE_SCHEMA.properties.findings,
    verdict: {
      type: ['object', 'null'],
      additionalProperties: false,
      required: ['cause', 'probability'],
      properties: { cause: text(60), probability: { type: 'number', minimum: 0, maximum: 1 } },
    },
    move: TAKEN_MOVE_SCHEMA,
    outcome: { enum: [...OUTCOMES, null] },
    note: text(2000),
  },
} as const satisfies JSONSchema;

export type RigRecord = FromSchema<typeof RIG_RECORD_SCHEMA>;
export type Coupon = FromSchema<typeof COUPON_SCHEMA>;
export type Bead = FromSchema<typeof BEAD_SCHEMA>;
export type TakenMove = NonNullable<FromSchema<typeof TAKEN_MOVE_SCHEMA>>;

/** A coupon as the log lists it, and as it opens. */
export type CouponSummary = Coupon & { rigName: string; beads: Bead[] };
