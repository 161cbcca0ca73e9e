import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { JOB_SCHEMA, RIG_SCHEMA, SETTINGS_SCHEMA } from '../case/schema';
import { PROOFS } from './proofs';
import { ID, INSTANT } from '../schema/parts';

/** A bead that was judged sound on a rig, with all that makes it worth running again. */
export const SOUND_BEAD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['beadId', 'couponId', 'title', 'number', 'ranAt', 'settings', 'job', 'rig'],
  properties: {
    beadId: ID,
    couponId: ID,
    title: { type: 'string' },
    number: { type: 'integer', minimum: 1 },
    ranAt: INSTANT,
    settings: SETTINGS_SCHEMA,
    job: JOB_SCHEMA,
    rig: RIG_SCHEMA,
    /** How it was proved and by whom, where its setting was kept; a bead that was only judged sound has none. */
    kept: {
      type: 'object',
      additionalProperties: false,
      required: ['id', 'provenAt', 'by', 'how'],
      properties: {
        id: ID,
        provenAt: INSTANT,
        by: { type: 'string' },
        how: { type: 'array', items: { enum: PROOFS } },
      },
    },
  },
} as const satisfies JSONSchema;

export type SoundBead = FromSchema<typeof SOUND_BEAD_SCHEMA>;
