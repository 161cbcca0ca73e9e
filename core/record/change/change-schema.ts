import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID, INSTANT } from '../../schema/parts';
import { LEVEL_SCHEMA } from '../../inspection/level-schema';
import { CHANGE_KINDS, CHANGES, type ChangeKind } from '../kinds/all';
import { BEAD_SCHEMA } from '../shapes/bead-schema';
import { PICTURE_SCHEMA, type Picture } from '../shapes/picture-schema';
import { COUPON_ROW_SCHEMA, COUPON_SCHEMA, RIG_RECORD_SCHEMA } from '../shapes/record-schema';
import { SAVED_SETTING_SCHEMA } from '../shapes/saved-setting-schema';
import { WELD_SCHEMA } from '../shapes/weld-schema';

/**
 * Every write is one small change, made on the device, with an id of its own from the moment the thing is begun, so
 * that it may be sent any number of times. It names only the fields it changes and the revision it was made against.
 */
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

type WithId = { required: readonly string[]; properties: { id: unknown } };

/** Returns what a kind of change takes as its fields, for the published description: of what it begins, the id stands in `of`. */
function fieldsOf(kind: ChangeKind): object {
  const { begins, fields } = CHANGES[kind];
  if (!begins) return fields;
  const { required, properties, ...rest } = fields as WithId;
  const { id: _, ...others } = properties;
  return { ...rest, required: required.filter((field) => field !== 'id'), properties: others };
}

/** Every kind of change with its own fields. */
export const ANY_CHANGE_SCHEMA = {
  ...CHANGE_SCHEMA,
  properties: { ...CHANGE_SCHEMA.properties, fields: { type: 'object', additionalProperties: true } },
  oneOf: CHANGE_KINDS.map((kind) => ({
    type: 'object',
    required: ['kind', 'fields'],
    properties: { kind: { const: kind }, fields: fieldsOf(kind) },
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

/** A change of any kind, its fields not read yet. */
export type ChangeEnvelope = FromSchema<typeof CHANGE_SCHEMA>;
export type HistoryEntry = FromSchema<typeof HISTORY_ENTRY_SCHEMA>;
export type Changes = Omit<FromSchema<typeof CHANGES_SCHEMA>, 'pictures'> & { pictures: Picture[] };
export type Changed = Omit<FromSchema<typeof CHANGED_SCHEMA>, 'picture'> & { picture?: Picture };
