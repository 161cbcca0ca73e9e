import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { JOB_SCHEMA } from '../../case/schema';
import { ID, INSTANT, name, note, REVISION, words } from '../../schema/parts';
import { BEAD_SCHEMA } from './bead-schema';
import { PROOFS } from '../../start/proofs';
import { SETUP_SCHEMA } from './record-schema';

export { PROOFS, type Proof } from '../../start/proofs';

/** How a run is led, where it was said. */
const RUNS = ['straight', 'weave'] as const;

const PROVEN_PROPERTIES = {
  id: ID,
  couponId: ID,
  /** The bead it was proved on, with its settings, setup and job; none of them ever changes. */
  beadId: ID,
  provenAt: INSTANT,
  /** Who judged it. */
  by: name(60),
  how: { ...words(PROOFS), minItems: 1 },
  run: { enum: RUNS },
  /** What the figures do not say: where to aim, how the hand goes. */
  note: note(1000),
} as const;

/** A setting that a coupon ended in, as a device keeps it. */
export const NEW_SAVED_SETTING_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'couponId', 'beadId', 'provenAt', 'by', 'how', 'note'],
  properties: PROVEN_PROPERTIES,
} as const satisfies JSONSchema;

/** What may change of a kept setting: more proof, its note, whether it is put away. */
export const SAVED_SETTING_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'note or putAway',
  properties: { note: PROVEN_PROPERTIES.note, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

/** A kept setting as it is read, with the bead it stands on and what was so when that was run. */
export const SAVED_SETTING_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [
    ...NEW_SAVED_SETTING_SCHEMA.required,
    ...(['title', 'rigId', 'rigName', 'bead', 'job', 'setup', 'welds', 'putAway', 'revision'] as const),
  ],
  properties: {
    ...PROVEN_PROPERTIES,
    /** Of the coupon. */
    title: { type: 'string' },
    rigId: ID,
    rigName: { type: 'string' },
    bead: BEAD_SCHEMA,
    job: JOB_SCHEMA,
    setup: SETUP_SCHEMA,
    /** How many welds were made with it. */
    welds: { type: 'integer', minimum: 0 },
    putAway: { type: 'boolean' },
    revision: REVISION,
  },
} as const satisfies JSONSchema;

/** A page of kept settings, the newest first; `next` is the cursor of the following page. */
export const SAVED_SETTING_PAGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['proven', 'next'],
  properties: { proven: { type: 'array', items: SAVED_SETTING_SCHEMA }, next: { type: ['string', 'null'] } },
} as const satisfies JSONSchema;

export type NewSavedSetting = FromSchema<typeof NEW_SAVED_SETTING_SCHEMA>;
export type SavedSettingChange = FromSchema<typeof SAVED_SETTING_CHANGE_SCHEMA>;
export type SavedSetting = FromSchema<typeof SAVED_SETTING_SCHEMA>;
export type SavedSettingPage = FromSchema<typeof SAVED_SETTING_PAGE_SCHEMA>;
