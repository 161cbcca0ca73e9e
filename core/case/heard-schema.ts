import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { number } from '../schema/parts';

/** The longest arc that is listened to, s. */
export const MOST_HEARD_S = 60;

/**
 * What was heard in a recording of the arc: figures alone. What they say for the causes is worked out when a case is judged, and the
 * recording itself stays with whoever made it.
 */
export const HEARD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['seconds', 'clicksPerS', 'clicksPerSOff', 'unevenness', 'loudSpread', 'gapShare', 'trend', 'trendOff'],
  properties: {
    /** How long the arc was that was listened to. */
    seconds: number(0, MOST_HEARD_S),
    clicksPerS: number(0, 400),
    /** How far that may be off, as a deviation. */
    clicksPerSOff: number(0, 400),
    /** Deviation of the time from one click to the next over its mean. */
    unevenness: number(0, 20),
    /** Deviation of how loud the clicks are over their mean. */
    loudSpread: number(0, 20),
    /** Share of the time that is in gaps of more than a twentieth of a second. */
    gapShare: number(0, 1),
    /** By how much of their mean the clicks grow denser from the beginning to the end, and how far that may be off. */
    trend: number(-4, 4),
    trendOff: number(0, 20),
    /** Clicks in each tenth of a second, one after the other, each a digit to the base of 36. */
    strip: { type: 'string', maxLength: 10 * MOST_HEARD_S, pattern: '^[0-9a-z]*$' },
  },
} as const satisfies JSONSchema;

export type Heard = FromSchema<typeof HEARD_SCHEMA>;
