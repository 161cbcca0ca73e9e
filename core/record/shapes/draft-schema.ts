import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { FINDINGS_SCHEMA, HEARD_SCHEMA, READINGS_SCHEMA, SETTINGS_SCHEMA } from '../../case/schema';
import { MOST_HEARD_S } from '../../case/heard-schema';
import { ID } from '../../schema/parts';
import { OUTCOMES } from './bead-schema';
import { SETTING_NAMES } from '../../setting/table';
import { LONGEST_PAST, PARTS } from './draft-fields';

/**
 * The bead in front of the welder, not yet logged. It lives on the device and outlives a reload; its id is made when
 * it is begun. `typed` holds what was typed and cannot be taken, so that nothing typed is lost.
 */
const DRAFT_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'settings', 'readings', 'findings', 'typed'],
  properties: {
    id: ID,
    settings: SETTINGS_SCHEMA,
    readings: READINGS_SCHEMA,
    findings: FINDINGS_SCHEMA,
    /** What was heard in a recording of it. */
    heard: HEARD_SCHEMA,
    /** How many times likelier than usual the beads before make causes that last, as odds. */
    suspects: {
      type: 'object',
      maxProperties: 100,
      additionalProperties: { type: 'number', minimum: 0, maximum: 1000 },
    },
    typed: {
      type: 'object',
      propertyNames: { enum: SETTING_NAMES },
      additionalProperties: { type: 'string', maxLength: 200 },
    },
  },
} as const satisfies JSONSchema;

/** One field as it stood before a step; null where there was none. */
const FIELD_BEFORE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['part', 'key', 'was'],
  properties: {
    part: { enum: PARTS },
    key: { type: 'string', maxLength: 80 },
    // The strip of a recording is the longest there is.
    was: { type: ['string', 'number', 'null'], maxLength: 10 * MOST_HEARD_S },
  },
} as const satisfies JSONSchema;

/** A draft with the way back: what each step changed, not what each step left. */
export const DRAFT_HISTORY_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['now', 'past'],
  properties: {
    now: DRAFT_SCHEMA,
    past: {
      type: 'array',
      maxItems: LONGEST_PAST,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['before', 'logged'],
        properties: {
          before: { type: 'array', maxItems: 200, items: FIELD_BEFORE_SCHEMA },
          /** The bead that this step logged, if it did. */
          logged: { type: ['string', 'null'], maxLength: 40 },
          /** The bead that this step judged, if it did, and how it had been judged. */
          judged: {
            type: ['object', 'null'],
            additionalProperties: false,
            required: ['bead', 'was'],
            properties: { bead: { type: 'string', maxLength: 40 }, was: { enum: [...OUTCOMES, null] } },
          },
        },
      },
    },
  },
} as const satisfies JSONSchema;

export type Draft = FromSchema<typeof DRAFT_SCHEMA>;
export type DraftHistory = FromSchema<typeof DRAFT_HISTORY_SCHEMA>;
export type FieldBefore = FromSchema<typeof FIELD_BEFORE_SCHEMA>;
