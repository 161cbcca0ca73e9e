import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID, INSTANT, name, note } from '../../schema/parts';
import { LEVEL_CHANGE_SCHEMA, LEVEL_SCHEMA } from '../../inspection/level-schema';
import { NEW_CARE_SCHEMA } from './care-schema';
import { NEW_PICTURE_SCHEMA, PICTURE_CHANGE_SCHEMA, PICTURE_SCHEMA, type Picture } from './picture-schema';
import { NEW_SAVED_SETTING_SCHEMA, SAVED_SETTING_CHANGE_SCHEMA, SAVED_SETTING_SCHEMA } from './saved-setting-schema';
import {
  NEW_INSPECTION_SCHEMA,
  NEW_REPAIR_SCHEMA,
  NEW_WELD_SCHEMA,
  WELD_CHANGE_SCHEMA,
  WELD_SCHEMA,
} from './weld-schema';
import { BEAD_CHANGE_SCHEMA, BEAD_SCHEMA, NEW_BEAD_SCHEMA } from './bead-schema';
import {
  COUPON_ROW_SCHEMA,
  COUPON_SCHEMA,
  JOB_VERSION_SCHEMA,
  NEW_COUPON_SCHEMA,
  NEW_RIG_SCHEMA,
  NEW_SETUP_SCHEMA,
  RIG_RECORD_SCHEMA,
} from './record-schema';

/**
 * Every write is one small change, made on the device, with an id of its own from the moment the thing is begun, so
 * that it may be sent any number of times. It names only the fields it changes and the revision it was made against.
 */
const CHANGE_KINDS = [
  'log-bead',
  'change-bead',
  'begin-coupon',
  'change-coupon',
  'correct-job',
  'begin-rig',
  'change-rig',
  'refit',
  'prove',
  'change-proven',
  'log-weld',
  'change-weld',
  'inspect',
  'repair',
  'change-level',
  'care',
  'add-picture',
  'change-picture',
] as const;

/** What may change of a coupon besides its job. */
export const COUPON_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'title, rigId or putAway',
  properties: { title: name(120), rigId: ID, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

/** What may change of a rig besides what is fitted. */
export const RIG_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'name, note, putAway, learnsSince or runOutScale',
  properties: {
    name: name(80),
    note: note(2000),
    putAway: { type: 'boolean' },
    learnsSince: { ...INSTANT, type: ['string', 'null'] },
    runOutScale: { type: ['number', 'null'], minimum: 0.7, maximum: 1.3 },
  },
} as const satisfies JSONSchema;

const ENVELOPE = {
  id: ID,
  kind: { enum: CHANGE_KINDS },
  /** The thing that is changed or begun; of an inspection or a repair, the weld; of care, the rig. */
  of: ID,
  /** The device it was made on, by an id that the device made for itself. */
  device: ID,
  madeAt: INSTANT,
  /** The revision of what is changed that the device knew; 0 where it knew none. */
  against: { type: 'integer', minimum: 0, maximum: 1e12 },
  /** Who made it, where somebody has said so. */
  person: ID,
  /** Said once more, after it was pointed out what others have made of the bead that is taken back. */
  sure: { type: 'boolean' },
} as const;

/** A change with any fields: what a waiting change is read by on the device. */
export const CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'kind', 'of', 'device', 'madeAt', 'against', 'fields'],
  properties: { ...ENVELOPE, fields: { type: 'object' } },
} as const satisfies JSONSchema;

/** A schema without a property: the id stands in `of`. */
const withoutId = ({ required, properties, ...rest }: { required: readonly string[]; properties: { id: unknown } }) => {
  const { id: _, ...others } = properties;
  return { ...rest, required: required.filter((field) => field !== 'id'), properties: others };
};

/** What each kind of change takes as its fields, for the published description. */
const FIELDS: Record<(typeof CHANGE_KINDS)[number], object> = {
  'log-bead': withoutId(NEW_BEAD_SCHEMA),
  'change-bead': BEAD_CHANGE_SCHEMA,
  'begin-coupon': withoutId(NEW_COUPON_SCHEMA),
  'change-coupon': COUPON_CHANGE_SCHEMA,
  'correct-job': JOB_VERSION_SCHEMA,
  'begin-rig': withoutId(NEW_RIG_SCHEMA),
  'change-rig': RIG_CHANGE_SCHEMA,
  refit: NEW_SETUP_SCHEMA,
  prove: withoutId(NEW_SAVED_SETTING_SCHEMA),
  'change-proven': SAVED_SETTING_CHANGE_SCHEMA,
  'log-weld': withoutId(NEW_WELD_SCHEMA),
  'change-weld': WELD_CHANGE_SCHEMA,
  inspect: NEW_INSPECTION_SCHEMA,
  repair: NEW_REPAIR_SCHEMA,
  'change-level': LEVEL_CHANGE_SCHEMA,
  care: NEW_CARE_SCHEMA,
  'add-picture': withoutId(NEW_PICTURE_SCHEMA),
  'change-picture': PICTURE_CHANGE_SCHEMA,
};

/** Every kind of change with its own fields. */
export const ANY_CHANGE_SCHEMA = {
  ...CHANGE_SCHEMA,
  properties: { ...CHANGE_SCHEMA.properties, fields: { type: 'object', additionalProperties: true } },
  oneOf: CHANGE_KINDS.map((kind) => ({
    type: 'object',
    required: ['kind', 'fields'],
    properties: { kind: { const: kind }, fields: FIELDS[kind] },
  })),
};

/** A field that was changed by two: what stood there before the later change, and which change had put it there. */
const OVERRODE = {
  type: 'array',
  items: {
    type: 'object',
    additionalProperties: false,
    required: ['field', 'was', 'by', 'device'],
    properties: {
      field: { type: 'string' },
      was: {},
      by: { type: 'string' },
      device: { type: ['string', 'null'] },
    },
  },
} as const;

/** A change as the history keeps it. */
export const HISTORY_ENTRY_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'kind', 'of', 'couponId', 'device', 'by', 'madeAt', 'revision', 'fields', 'before', 'overrode'],
  properties: {
    id: { type: 'string' },
    kind: { enum: CHANGE_KINDS },
    of: { type: 'string' },
    /** The coupon it belongs to; null for a rig or a level. */
    couponId: { type: ['string', 'null'] },
    device: { type: ['string', 'null'] },
    /** Who made it, as they were called then. */
    by: { type: ['string', 'null'] },
    madeAt: { type: 'string' },
    revision: { type: 'integer', minimum: 0 },
    /** What it put, and what had stood there; of a thing that was begun, nothing. */
    fields: { type: 'object' },
    before: { type: 'object' },
    overrode: OVERRODE,
  },
} as const satisfies JSONSchema;

/** What a change is answered with: its place in the history, and what is now so. */
export const CHANGED_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['entry'],
  properties: {
    entry: HISTORY_ENTRY_SCHEMA,
    bead: BEAD_SCHEMA,
    coupon: COUPON_SCHEMA,
    rig: RIG_RECORD_SCHEMA,
    proven: SAVED_SETTING_SCHEMA,
    weld: WELD_SCHEMA,
    level: LEVEL_SCHEMA,
    picture: PICTURE_SCHEMA,
  },
} as const satisfies JSONSchema;

/** What changed since a revision, oldest first; ask again from `upTo` while there is `more`. */
export const CHANGES_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['rigs', 'coupons', 'beads', 'proven', 'welds', 'levels', 'pictures', 'overriding', 'upTo', 'more', 'anew'],
  properties: {
    rigs: { type: 'array', items: RIG_RECORD_SCHEMA },
    coupons: { type: 'array', items: COUPON_ROW_SCHEMA },
    beads: { type: 'array', items: BEAD_SCHEMA },
    proven: { type: 'array', items: SAVED_SETTING_SCHEMA },
    welds: { type: 'array', items: WELD_SCHEMA },
    levels: { type: 'array', items: LEVEL_SCHEMA },
    pictures: { type: 'array', items: PICTURE_SCHEMA },
    /** Changes that stood over another's. */
    overriding: { type: 'array', items: HISTORY_ENTRY_SCHEMA },
    upTo: { type: 'integer', minimum: 0 },
    more: { type: 'boolean' },
    /** One revision wrote more than is told, as taking a file in does: what is known is to be asked for anew. */
    anew: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

export type ChangeKind = (typeof CHANGE_KINDS)[number];
/** A change of any kind, its fields not read yet. */
export type ChangeEnvelope = FromSchema<typeof CHANGE_SCHEMA>;
export type CouponChange = FromSchema<typeof COUPON_CHANGE_SCHEMA>;
export type RigChange = FromSchema<typeof RIG_CHANGE_SCHEMA>;
export type HistoryEntry = FromSchema<typeof HISTORY_ENTRY_SCHEMA>;
export type Changes = Omit<FromSchema<typeof CHANGES_SCHEMA>, 'pictures'> & { pictures: Picture[] };
export type Changed = Omit<FromSchema<typeof CHANGED_SCHEMA>, 'picture'> & { picture?: Picture };
