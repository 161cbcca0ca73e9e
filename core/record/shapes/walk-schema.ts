import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CHECK_IDS } from '../../evidence/ids';
import { INSTANT } from '../../schema/parts';

/** What was found fine on a rig, and when. Kept on the device that looked. */
export const WALK_SCHEMA = {
  type: 'object',
  maxProperties: CHECK_IDS.length,
  propertyNames: { enum: CHECK_IDS },
  additionalProperties: INSTANT,
} as const satisfies JSONSchema;

export type Walk = FromSchema<typeof WALK_SCHEMA>;
