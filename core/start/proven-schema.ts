import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { JOB_SCHEMA, RIG_SCHEMA, SETTINGS_SCHEMA } from '../case/schema';
import { ID, INSTANT } from '../schema/parts';

/** A bead that was judged sound on a rig, with all that makes it worth running again. */
export const PROVEN_SCHEMA = {
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
  },
} as const satisfies JSONSchema;

export type Proven = FromSchema<typeof PROVEN_SCHEMA>;
