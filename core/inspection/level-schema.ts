import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID, name, note, number, REVISION } from '../schema/parts';

/** What a level of acceptance allows. Cracks and what is plainly not fused pass no level, so they have no limit here. */
export const LIMITS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [
    'poreLargestMm',
    'poresPer100Mm',
    'undercutMm',
    'undercutPct',
    'overlapMm',
    'convexityBaseMm',
    'convexityPct',
    'throatShortPct',
    'legDifferenceMm',
    'underfillMm',
    'rootShortMm',
    'rootExcessMm',
    'craterMm',
    'burnThroughs',
    'misalignmentPct',
  ],
  properties: {
    poreLargestMm: number(0, 20),
    poresPer100Mm: number(0, 100),
    /** The less of the two holds: so deep, or so much of the thinner part. */
    undercutMm: number(0, 10),
    undercutPct: number(0, 50),
    overlapMm: number(0, 10),
    /** How full a face may be: so much, and so much of its width. */
    convexityBaseMm: number(0, 10),
    convexityPct: number(0, 60),
    /** How far the throat may lie under what the plate wants. */
    throatShortPct: number(0, 60),
    legDifferenceMm: number(0, 20),
    underfillMm: number(0, 10),
    rootShortMm: number(0, 10),
    rootExcessMm: number(0, 20),
    craterMm: number(0, 10),
    burnThroughs: { type: 'integer', minimum: 0, maximum: 50 },
    misalignmentPct: number(0, 80),
  },
} as const satisfies JSONSchema;

export type Limits = FromSchema<typeof LIMITS_SCHEMA>;
export type LimitId = keyof Limits;

const LEVEL_PROPERTIES = { id: ID, name: name(40), use: note(300), limits: LIMITS_SCHEMA } as const;

/** A level as it was held against a weld: a copy, so that editing the table changes no inspection. */
export const LEVEL_COPY_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'limits'],
  properties: { id: ID, name: name(40), limits: LIMITS_SCHEMA },
} as const satisfies JSONSchema;

/** A level of the workshop's own table. */
export const LEVEL_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'use', 'limits', 'revision'],
  properties: { ...LEVEL_PROPERTIES, revision: { ...REVISION, minimum: 0 } },
} as const satisfies JSONSchema;

/** What may change of a level: its name, what it is for, and its limits, as a whole. */
export const LEVEL_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'name, use or limits',
  properties: { name: name(40), use: note(300), limits: LIMITS_SCHEMA },
} as const satisfies JSONSchema;

export type Level = FromSchema<typeof LEVEL_SCHEMA>;
export type LevelChange = FromSchema<typeof LEVEL_CHANGE_SCHEMA>;
