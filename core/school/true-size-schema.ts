import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { DOTS_PER_MM } from './held-gun';

/** How large this device's screen really shows a thing, once it was held against a card. */
export const TRUE_SIZE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['dotsPerMm'],
  properties: {
    /** The screen's own dots, not the page's pixels: zooming does not change it. Null until it was measured. */
    dotsPerMm: { type: ['number', 'null'], minimum: DOTS_PER_MM.least, maximum: DOTS_PER_MM.most },
  },
} as const satisfies JSONSchema;

export type TrueSize = FromSchema<typeof TRUE_SIZE_SCHEMA>;
