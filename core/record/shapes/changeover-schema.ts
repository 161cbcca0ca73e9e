import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { WIRE_CLASSES } from '../../case/terms';
import { number } from '../../schema/parts';

/** A changing over that is under way on a device: to which wire, and which steps are done; null where there is none. */
export const CHANGEOVER_SCHEMA = {
  type: ['object', 'null'],
  additionalProperties: false,
  required: ['class', 'diameterMm', 'done'],
  properties: {
    class: { enum: WIRE_CLASSES },
    diameterMm: number(0.5, 2.4),
    done: { type: 'array', items: { type: 'string', maxLength: 20 }, uniqueItems: true, maxItems: 30 },
  },
} as const satisfies JSONSchema;

export type Changeover = FromSchema<typeof CHANGEOVER_SCHEMA>;
