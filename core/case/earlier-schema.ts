import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CAUSE_IDS, CHECK_IDS } from '../evidence/ids';
import { FINDINGS_SCHEMA, READINGS_SCHEMA, SETTINGS_SCHEMA } from './bead-parts';
import { HEARD_SCHEMA } from './heard-schema';
import { OUTCOMES } from './terms';

/** Beads before that a case may bring: more than a plate is ever tried with. */
const MOST_EARLIER = 30;

/**
 * A bead that was run before on the same plate with the same things fitted. What was turned after it is what the next bead's settings
 * differ by; a figure that those do not state is taken from `changed`.
 */
const EARLIER_BEAD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: {
    settings: SETTINGS_SCHEMA,
    readings: READINGS_SCHEMA,
    findings: FINDINGS_SCHEMA,
    heard: HEARD_SCHEMA,
    /** How it was judged against the bead before it; null where it was not. */
    outcome: { enum: [...OUTCOMES, null] },
    /** Figures that were turned after it, and what to. */
    changed: SETTINGS_SCHEMA,
    /** Causes whose remedy was done after it. */
    cured: { type: 'array', maxItems: 20, uniqueItems: true, items: { enum: CAUSE_IDS } },
    /** Checks that were made after it, and how they came out. */
    looked: {
      type: 'object',
      maxProperties: CHECK_IDS.length,
      propertyNames: { enum: CHECK_IDS },
      additionalProperties: FINDINGS_SCHEMA.additionalProperties,
    },
  },
} as const satisfies JSONSchema;

/** The beads before on the same plate, the first of them first. */
export const EARLIER_SCHEMA = {
  type: 'array',
  maxItems: MOST_EARLIER,
  items: EARLIER_BEAD_SCHEMA,
} as const satisfies JSONSchema;

export type EarlierBead = FromSchema<typeof EARLIER_BEAD_SCHEMA>;
