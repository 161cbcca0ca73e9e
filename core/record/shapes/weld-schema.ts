import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { JOB_SCHEMA, SETTINGS_SCHEMA } from '../../case/schema';
import { DEFECTS } from '../../inspection/defects';
import { LEVEL_COPY_SCHEMA } from '../../inspection/level-schema';
import { MEASURES, type MeasureId } from '../../inspection/measures';
import { ID, INSTANT, name, note, REVISION } from '../../schema/parts';

/** How a weld stands: what its newest inspection said, or that there is none yet. */
export const WELD_STATES = ['to-inspect', 'open', 'accept', 'repair', 'reject'] as const;
export type WeldState = (typeof WELD_STATES)[number];

const WELD_PROPERTIES = {
  id: ID,
  /** The kept setting it was made with. */
  provenId: ID,
  /** The part, as the yard calls it. */
  title: name(120),
  weldedAt: INSTANT,
  by: name(60),
  lengthMm: { type: ['number', 'null'], minimum: 5, maximum: 100_000 },
  note: note(1000),
} as const;

export const NEW_WELD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'provenId', 'title', 'weldedAt', 'by', 'lengthMm', 'note'],
  properties: WELD_PROPERTIES,
} as const satisfies JSONSchema;

export const WELD_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'title, note or putAway',
  properties: { title: WELD_PROPERTIES.title, note: WELD_PROPERTIES.note, putAway: { type: 'boolean' } },
} as const satisfies JSONSchema;

/** What each measure takes, from the one table of them. */
export const MEASURED_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  properties: Object.fromEntries(
    MEASURES.map(({ id, unit, minimum, maximum }) => [
      id,
      { type: unit === null ? 'integer' : 'number', minimum, maximum },
    ]),
  ) as { [id in MeasureId]: { type: 'number'; minimum: number; maximum: number } },
} as const satisfies JSONSchema;

const INSPECTION_PROPERTIES = {
  id: ID,
  inspectedAt: INSTANT,
  by: name(60),
  /** What it was held against, as the table stood then. */
  level: LEVEL_COPY_SCHEMA,
  measured: MEASURED_SCHEMA,
  note: note(1000),
} as const;

export const NEW_INSPECTION_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'inspectedAt', 'by', 'level', 'measured', 'note'],
  properties: INSPECTION_PROPERTIES,
} as const satisfies JSONSchema;

/** What was made of an inspection when it was written, so that it goes on saying so. */
const JUDGED_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['verdict', 'because', 'lines'],
  properties: {
    verdict: { enum: ['open', 'accept', 'repair', 'reject'] },
    because: { type: 'string' },
    lines: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['defect', 'name', 'measured', 'allowed', 'unit', 'over'],
        properties: {
          defect: { enum: DEFECTS },
          name: { type: 'string' },
          measured: { type: 'number' },
          allowed: { type: 'number' },
          unit: { enum: ['mm', '%', null] },
          over: { type: 'boolean' },
        },
      },
    },
  },
} as const satisfies JSONSchema;

export const INSPECTION_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_INSPECTION_SCHEMA.required, 'judged'],
  properties: { ...INSPECTION_PROPERTIES, judged: JUDGED_SCHEMA },
} as const satisfies JSONSchema;

const REPAIR_PROPERTIES = {
  id: ID,
  /** What was over its limit and is put right. */
  inspectionId: ID,
  repairedAt: INSTANT,
  by: name(60),
  defects: { type: 'array', minItems: 1, maxItems: DEFECTS.length, uniqueItems: true, items: { enum: DEFECTS } },
  /** The steps that were done, in their words of that day. */
  done: { type: 'array', maxItems: 60, items: note(600) },
  /** What it was welded with; empty where no metal was laid, or nobody wrote it down. */
  settings: SETTINGS_SCHEMA,
  note: note(1000),
} as const;

export const NEW_REPAIR_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'inspectionId', 'repairedAt', 'by', 'defects', 'done', 'settings', 'note'],
  properties: REPAIR_PROPERTIES,
} as const satisfies JSONSchema;

/** A weld as it is read: with its inspections and repairs in order. */
export const WELD_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: [
    ...NEW_WELD_SCHEMA.required,
    ...(['rigId', 'rigName', 'job', 'state', 'inspections', 'repairs', 'putAway', 'revision'] as const),
  ],
  properties: {
    ...WELD_PROPERTIES,
    rigId: ID,
    rigName: { type: 'string' },
    job: JOB_SCHEMA,
    state: { enum: WELD_STATES },
    inspections: { type: 'array', items: INSPECTION_SCHEMA },
    repairs: { type: 'array', items: NEW_REPAIR_SCHEMA },
    putAway: { type: 'boolean' },
    revision: REVISION,
  },
} as const satisfies JSONSchema;

export const WELD_PAGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  required: ['welds', 'next'],
  properties: { welds: { type: 'array', items: WELD_SCHEMA }, next: { type: ['string', 'null'] } },
} as const satisfies JSONSchema;

export type NewWeld = FromSchema<typeof NEW_WELD_SCHEMA>;
export type WeldChange = FromSchema<typeof WELD_CHANGE_SCHEMA>;
export type NewInspection = FromSchema<typeof NEW_INSPECTION_SCHEMA>;
export type Inspection = FromSchema<typeof INSPECTION_SCHEMA>;
export type NewRepair = FromSchema<typeof NEW_REPAIR_SCHEMA>;
export type Weld = FromSchema<typeof WELD_SCHEMA>;
export type WeldPage = FromSchema<typeof WELD_PAGE_SCHEMA>;
