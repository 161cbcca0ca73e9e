import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID, INSTANT } from '../../schema/parts';
import { APPEARANCE_SCHEMA, OUTCOMES } from './bead-schema';
import { WELD_STATES } from './weld-schema';

/** What the log lists: everything that happened, one line a thing. */
export const ENTRY_KINDS = ['coupon', 'bead', 'proven', 'weld', 'inspection', 'repair', 'refit', 'care'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** How a bead was judged, or how an inspection ended; a bead without a word is `trial`. */
export const ENTRY_OUTCOMES = [...OUTCOMES, 'trial', ...WELD_STATES] as const;
export type EntryOutcome = (typeof ENTRY_OUTCOMES)[number];

/** A line of the log. */
export const ENTRY_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [
    ...(['kind', 'of', 'at', 'rigId', 'rigName', 'couponId', 'weldId', 'number', 'by', 'title', 'says'] as const),
    ...(['outcome', 'appearance'] as const),
  ],
  properties: {
    kind: { enum: ENTRY_KINDS },
    of: ID,
    at: INSTANT,
    rigId: ID,
    rigName: { type: 'string' },
    couponId: { ...ID, type: ['string', 'null'] },
    weldId: { ...ID, type: ['string', 'null'] },
    /** Of a bead. */
    number: { type: ['integer', 'null'], minimum: 1 },
    by: { type: ['string', 'null'] },
    /** What it was for, or what was done. */
    title: { type: 'string' },
    /** What came of it, in one line. */
    says: { type: 'string' },
    outcome: { enum: [...ENTRY_OUTCOMES, null] },
    appearance: { ...APPEARANCE_SCHEMA, type: ['object', 'null'] },
  },
} as const satisfies JSONSchema;

/** A page of the log, newest first; `next` is the cursor of the following page. */
export const ENTRY_PAGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['entries', 'next'],
  properties: { entries: { type: 'array', items: ENTRY_SCHEMA }, next: { type: ['string', 'null'] } },
} as const satisfies JSONSchema;

const counted = {
  type: 'array',
  items: {
    type: 'object',
    additionalProperties: false,
    required: ['id', 'name', 'count'],
    properties: { id: { type: 'string' }, name: { type: 'string' }, count: { type: 'integer', minimum: 1 } },
  },
} as const;

/** What the log can be narrowed to: only what there is, the most frequent first. */
export const FACETS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['causes', 'findings', 'people', 'metals'],
  properties: { causes: counted, findings: counted, people: counted, metals: counted },
} as const satisfies JSONSchema;

export type Entry = FromSchema<typeof ENTRY_SCHEMA>;
export type EntryPage = FromSchema<typeof ENTRY_PAGE_SCHEMA>;
export type Facets = FromSchema<typeof FACETS_SCHEMA>;
