import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { LEVEL_SCHEMA } from '../../inspection/level-schema';
import { ID, INSTANT } from '../../schema/parts';
import { BEAD_SCHEMA, type Bead } from './bead-schema';
import { NEW_CARE_SCHEMA } from './care-schema';
import { STORED_PICTURE_SCHEMA, type StoredPicture } from './picture-schema';
import { NEW_SAVED_SETTING_SCHEMA } from './saved-setting-schema';
import { COUPON_ROW_SCHEMA, JOB_VERSION_SCHEMA, NEW_SETUP_SCHEMA, RIG_RECORD_SCHEMA } from './record-schema';
import { INSPECTION_SCHEMA, NEW_REPAIR_SCHEMA, NEW_WELD_SCHEMA } from './weld-schema';

/**
 * Everything that a workshop has written down, as one open document: each kind of thing a list, each thing with its own id,
 * naming others by theirs. What the server counts or numbers for itself (revisions, how a weld stands) is made anew.
 */
export const RECORD_FORMAT = 'jolly-tinker/record';
export const RECORD_VERSION = 1;

const { id, name, note, putAway, learnsSince, runOutScale } = RIG_RECORD_SCHEMA.properties;
const KEPT_RIG = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'note', 'putAway', 'learnsSince', 'runOutScale', 'setupId'],
  /** `setupId` is what is fitted now. */
  properties: { id, name, note, putAway, learnsSince, runOutScale, setupId: ID },
} as const satisfies JSONSchema;

const KEPT_SETUP = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_SETUP_SCHEMA.required, 'rigId', 'assumed'],
  properties: { ...NEW_SETUP_SCHEMA.properties, rigId: ID, assumed: { type: 'boolean' } },
} as const satisfies JSONSchema;

const coupon = COUPON_ROW_SCHEMA.properties;
const KEPT_COUPON = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'rigId', 'title', 'createdAt', 'putAway', 'jobId'],
  /** `jobId` is the plate as it is known now. */
  properties: {
    ...{ id: coupon.id, rigId: coupon.rigId, title: coupon.title, createdAt: coupon.createdAt },
    ...{ putAway: coupon.putAway, jobId: ID },
  },
} as const satisfies JSONSchema;

const KEPT_JOB = {
  type: 'object',
  additionalProperties: false,
  required: [...JOB_VERSION_SCHEMA.required, 'couponId'],
  properties: { ...JOB_VERSION_SCHEMA.properties, couponId: ID },
} as const satisfies JSONSchema;

/** Findings and causes are read as any text: what a newer or older version named stays in the record by its own words. */
const { revision: _beadRevision, ...BEAD } = BEAD_SCHEMA.properties;
const KEPT_BEAD = {
  type: 'object',
  additionalProperties: false,
  required: BEAD_SCHEMA.required.filter((field) => field !== 'revision'),
  properties: BEAD,
} as const satisfies JSONSchema;

const KEPT_PROVEN = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_SAVED_SETTING_SCHEMA.required, 'putAway'],
  properties: { ...NEW_SAVED_SETTING_SCHEMA.properties, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

const KEPT_WELD = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_WELD_SCHEMA.required, 'putAway', 'steps'],
  properties: {
    ...NEW_WELD_SCHEMA.properties,
    putAway: { type: 'boolean' },
    /** Inspections and repairs in the order they came. */
    steps: {
      type: 'array',
      maxItems: 200,
      items: {
        anyOf: [
          {
            type: 'object',
            additionalProperties: false,
            required: ['inspection'],
            properties: { inspection: INSPECTION_SCHEMA },
          },
          {
            type: 'object',
            additionalProperties: false,
            required: ['repair'],
            properties: { repair: NEW_REPAIR_SCHEMA },
          },
        ],
      },
    },
  },
} as const satisfies JSONSchema;

const KEPT_CARE = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_CARE_SCHEMA.required, 'rigId'],
  properties: { ...NEW_CARE_SCHEMA.properties, rigId: ID },
} as const satisfies JSONSchema;

const { revision: _levelRevision, ...LEVEL } = LEVEL_SCHEMA.properties;
const KEPT_LEVEL = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'use', 'limits'],
  properties: LEVEL,
} as const satisfies JSONSchema;

/** The schema of each thing, by the list it stands in; a list may be left out. */
export const ROW_SCHEMAS = {
  rigs: KEPT_RIG,
  setups: KEPT_SETUP,
  coupons: KEPT_COUPON,
  jobs: KEPT_JOB,
  beads: KEPT_BEAD,
  proven: KEPT_PROVEN,
  welds: KEPT_WELD,
  care: KEPT_CARE,
  levels: KEPT_LEVEL,
  pictures: STORED_PICTURE_SCHEMA,
} as const;
export type RecordKind = keyof typeof ROW_SCHEMAS;
export const RECORD_KINDS = Object.keys(ROW_SCHEMAS) as RecordKind[];

/** Things in one file, so that a file cannot fill the memory of whoever reads it. */
export const MOST_THINGS = 250_000;

export const RECORD_SCHEMA = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'The record of a welding workshop',
  type: 'object',
  additionalProperties: false,
  required: ['format', 'version', 'madeAt'],
  properties: {
    format: { const: RECORD_FORMAT },
    version: { const: RECORD_VERSION },
    madeAt: INSTANT,
    ...Object.fromEntries(
      RECORD_KINDS.map((kind) => [kind, { type: 'array', maxItems: MOST_THINGS, items: ROW_SCHEMAS[kind] }]),
    ),
  },
} as const;

type RigRow = FromSchema<typeof KEPT_RIG>;
export type SetupRow = FromSchema<typeof KEPT_SETUP>;
type CouponRowInFile = FromSchema<typeof KEPT_COUPON>;
type JobRow = FromSchema<typeof KEPT_JOB>;
export type BeadRow = Omit<Bead, 'revision'>;
export type SavedSettingRow = FromSchema<typeof KEPT_PROVEN>;
export type WeldRow = FromSchema<typeof KEPT_WELD>;
type CareRow = FromSchema<typeof KEPT_CARE>;
type LevelRow = FromSchema<typeof KEPT_LEVEL>;

/** Everything there is, each kind a list. */
export type RecordRows = {
  rigs: RigRow[];
  setups: SetupRow[];
  coupons: CouponRowInFile[];
  jobs: JobRow[];
  beads: BeadRow[];
  proven: SavedSettingRow[];
  welds: WeldRow[];
  care: CareRow[];
  levels: LevelRow[];
  pictures: StoredPicture[];
};
export type RecordFile = { format: string; version: number; madeAt: string } & Partial<RecordRows>;

/** An empty record. */
export const noRows = (): RecordRows => ({
  rigs: [],
  setups: [],
  coupons: [],
  jobs: [],
  beads: [],
  proven: [],
  welds: [],
  care: [],
  levels: [],
  pictures: [],
});
