import type { FromSchema } from 'json-schema-to-ts';

/** How the copies of the record stand. */
export const COPIES_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['to', 'isSameDisk', 'upTo', 'trouble', 'since'],
  properties: {
    to: { type: ['string', 'null'], description: 'where they go; null where none are made' },
    isSameDisk: { type: 'boolean', description: 'whether they are on the disk that the database is on' },
    upTo: {
      type: ['string', 'null'],
      format: 'date-time',
      description: 'when the copy last held all that there was; null where it never did since the server was started',
    },
    trouble: { type: ['string', 'null'], description: 'why nothing is copied now, in words' },
    since: { type: ['string', 'null'], format: 'date-time', description: 'since when the trouble is there' },
  },
} as const;
export type Copies = FromSchema<typeof COPIES_SCHEMA>;

/** Where none are made. */
export const NO_COPIES: Copies = {
  ...{ to: null, isSameDisk: false, upTo: null, trouble: null, since: null },
};
