import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { CARE_TASKS } from '../../care/tasks';
import { ID } from '../../schema/parts';

const numbers = { type: 'array', items: { type: ['number', 'null'] } } as const;

/** The sum of the record, by the month; every list of a month's figures is as long as `months`. */
export const CHARTS_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['months', 'causes', 'beadsToSound', 'coupons', 'soundAtFirst', 'parts'],
  properties: {
    /** "2026-05", oldest first. */
    months: { type: 'array', items: { type: 'string' } },
    /** The most frequent causes of beads that were not sound, the first of each bead: beads a month. */
    causes: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['id', 'name', 'beads'],
        properties: { id: { type: 'string' }, name: { type: 'string' }, beads: numbers },
      },
    },
    /** Mean number of the first sound bead, of coupons begun that month that have one; null where there is none. */
    beadsToSound: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['rigId', 'name', 'means'],
        properties: { rigId: { ...ID, type: ['string', 'null'] }, name: { type: 'string' }, means: numbers },
      },
    },
    /** Coupons with beads begun that month, and the share of them whose first bead was sound. */
    coupons: numbers,
    soundAtFirst: numbers,
    /** Beads by how long the arc had burned on a part that was fitted on a day that was said, min. */
    parts: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['task', 'name', 'ages'],
        properties: {
          task: { enum: CARE_TASKS },
          name: { type: 'string' },
          ages: {
            type: 'array',
            items: {
              type: 'object',
              additionalProperties: false,
              required: ['fromMin', 'toMin', 'beads', 'showing'],
              properties: {
                fromMin: { type: 'number', minimum: 0 },
                toMin: { type: 'number', minimum: 0 },
                beads: { type: 'integer', minimum: 0 },
                /** Those that show what the part causes when it is worn. */
                showing: { type: 'integer', minimum: 0 },
              },
            },
          },
        },
      },
    },
  },
} as const satisfies JSONSchema;

export type Charts = FromSchema<typeof CHARTS_SCHEMA>;
