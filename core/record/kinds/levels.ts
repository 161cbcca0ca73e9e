import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { LEVEL_CHANGE_SCHEMA, LEVEL_SCHEMA, type LevelChange } from '../../inspection/level-schema';
import { changing, thing } from './descriptor';

const { revision: _, ...properties } = LEVEL_SCHEMA.properties;
const LEVEL_ROW = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'use', 'limits'],
  properties,
} as const satisfies JSONSchema;

/** The limits that a weld is held against. */
export const LEVELS = thing<FromSchema<typeof LEVEL_ROW>>()({
  name: 'level',
  schema: LEVEL_ROW,
  mayChange: ['name', 'use', 'limits'],
  names: [],
  changes: { 'change-level': changing<LevelChange>({ of: 'level', fields: LEVEL_CHANGE_SCHEMA }) },
});
