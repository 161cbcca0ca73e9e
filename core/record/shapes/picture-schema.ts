import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import type { Measuring } from '../../picture/measure';
import { PICTURE_VIEWS, SIZE_IDS } from '../../picture/sizes';
import { ID, INSTANT, note, number, REVISION } from '../../schema/parts';

/** A place in a picture, across and down, in parts of its width. A picture is at most twenty times as high as wide. */
const POINT = {
  type: 'array',
  items: number(0, 20),
  minItems: 2,
  maxItems: 2,
} as const satisfies JSONSchema;

const KNOWN_LENGTH = {
  type: ['object', 'null'],
  additionalProperties: false,
  required: ['from', 'to', 'lengthMm'],
  properties: { from: POINT, to: POINT, lengthMm: number(0.2, 2000) },
} as const satisfies JSONSchema;

/** What was tapped in a picture; what it comes to is worked out anew each time (core/picture/measure.ts). */
const MEASURING_SCHEMA = {
  type: ['object', 'null'],
  additionalProperties: false,
  required: ['scale', 'check', 'sizes', 'fineness'],
  properties: {
    scale: KNOWN_LENGTH,
    check: KNOWN_LENGTH,
    sizes: {
      type: 'array',
      maxItems: 60,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['id', 'from', 'to'],
        properties: { id: { enum: SIZE_IDS }, from: POINT, to: POINT },
      },
    },
    fineness: number(0.000_01, 0.1),
  },
} as const satisfies JSONSchema;

/** What a picture is of: a bead or a weld. The other is null. */
const PICTURE_PROPERTIES = {
  id: ID,
  beadId: { ...ID, type: ['string', 'null'] },
  weldId: { ...ID, type: ['string', 'null'] },
  view: { enum: PICTURE_VIEWS },
  takenAt: INSTANT,
  note: note(500),
} as const;

/** A picture as a device attaches it: the file comes with it, and is read by the server. */
export const NEW_PICTURE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'beadId', 'weldId', 'view', 'takenAt', 'note'],
  properties: PICTURE_PROPERTIES,
} as const satisfies JSONSchema;

/** What may change of a picture. */
export const PICTURE_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'view, note, measuring or takenBack',
  properties: {
    view: PICTURE_PROPERTIES.view,
    note: PICTURE_PROPERTIES.note,
    measuring: MEASURING_SCHEMA,
    takenBack: { type: 'boolean' },
  },
} as const satisfies JSONSchema;

/** The file as it is kept: upright, without what the camera wrote of time and place, named by what it holds. */
export const PICTURE_FILE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['hash', 'width', 'height', 'bytes'],
  properties: {
    /** SHA-256 of the file, which is its name. */
    hash: { type: 'string', pattern: '^[0-9a-f]{64}$', description: 'a SHA-256 in lower case' },
    width: { type: 'integer', minimum: 1, maximum: 20_000 },
    height: { type: 'integer', minimum: 1, maximum: 20_000 },
    bytes: { type: 'integer', minimum: 1, maximum: 100_000_000 },
  },
} as const satisfies JSONSchema;

const KEPT_PROPERTIES = {
  ...PICTURE_PROPERTIES,
  file: PICTURE_FILE_SCHEMA,
  measuring: MEASURING_SCHEMA,
  takenBack: { type: 'boolean' },
} as const;
const KEPT_REQUIRED = [...NEW_PICTURE_SCHEMA.required, 'file', 'measuring', 'takenBack'] as const;

/** A picture in the file of the whole record. */
export const STORED_PICTURE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: KEPT_REQUIRED,
  properties: KEPT_PROPERTIES,
} as const satisfies JSONSchema;

/** A picture as it is kept. */
export const PICTURE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [...KEPT_REQUIRED, 'couponId', 'revision'],
  properties: {
    ...KEPT_PROPERTIES,
    /** The coupon of its bead; null for a picture of a weld. */
    couponId: { ...ID, type: ['string', 'null'] },
    revision: REVISION,
  },
} as const satisfies JSONSchema;

/** The pictures of one coupon or weld, in the order they were taken. */
export const PICTURES_SCHEMA = { type: 'array', items: PICTURE_SCHEMA } as const satisfies JSONSchema;

/** Lists of two are known as such by name alone. */
type Measured<T> = Omit<T, 'measuring'> & { measuring: Measuring | null };

export type NewPicture = FromSchema<typeof NEW_PICTURE_SCHEMA>;
export type PictureChange = Omit<FromSchema<typeof PICTURE_CHANGE_SCHEMA>, 'measuring'> & {
  measuring?: Measuring | null;
};
export type PictureFile = FromSchema<typeof PICTURE_FILE_SCHEMA>;
export type StoredPicture = Measured<FromSchema<typeof STORED_PICTURE_SCHEMA>>;
export type Picture = Measured<FromSchema<typeof PICTURE_SCHEMA>>;
/** What a picture is shown with: the coupon whose bead it is of, or the weld. */
export type PictureOwner = { couponId: string } | { weldId: string };
