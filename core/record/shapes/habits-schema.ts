import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { PREFERENCES_SCHEMA } from '../../case/schema';

/** How a person welds: units, and the school where welders disagree. Kept on the device. */
export const HABITS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['units', 'changes', 'schools'],
  properties: {
    units: { enum: ['metric', 'inch'] },
    /** One change a bead, or all at once. */
    changes: { enum: ['one', 'all'] },
    schools: { ...PREFERENCES_SCHEMA, required: ['imbalance', 'gasFlow', 'stickOut'] },
  },
} as const satisfies JSONSchema;

export type Habits = FromSchema<typeof HABITS_SCHEMA>;
