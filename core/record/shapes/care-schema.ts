import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CARE_TASKS } from '../../care/tasks';
import { ID, INSTANT, name } from '../../schema/parts';

/** Something that was looked after on a rig. */
export const NEW_CARE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'task', 'doneAt', 'by'],
  properties: { id: ID, task: { enum: CARE_TASKS }, doneAt: INSTANT, by: name(60) },
} as const satisfies JSONSchema;

/** What is known of each task on a rig: when it was done, and what ran since. */
export const CARE_KNOWN_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['task', 'since', 'arcMinutes', 'beads', 'showing'],
  properties: {
    task: { enum: CARE_TASKS },
    since: { ...INSTANT, type: ['string', 'null'] },
    arcMinutes: { type: 'number', minimum: 0 },
    beads: { type: 'integer', minimum: 0 },
    showing: { type: 'integer', minimum: 0 },
    /** Arc minutes of its last times on this machine. */
    lives: { type: 'array', maxItems: 12, items: { type: 'number', minimum: 0 } },
  },
} as const satisfies JSONSchema;

export type NewCare = FromSchema<typeof NEW_CARE_SCHEMA>;
