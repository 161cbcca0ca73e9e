import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { inspectionProblems } from '../../inspection/problems';
import {
  INSPECTION_SCHEMA,
  NEW_INSPECTION_SCHEMA,
  NEW_REPAIR_SCHEMA,
  NEW_WELD_SCHEMA,
  WELD_CHANGE_SCHEMA,
  type NewInspection,
  type NewRepair,
  type NewWeld,
  type WeldChange,
} from '../shapes/weld-schema';
import { beginning, changing, thing } from './descriptor';

const WELD_ROW = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_WELD_SCHEMA.required, 'putAway', 'steps'],
  properties: {
    ...NEW_WELD_SCHEMA.properties,
    putAway: { type: 'boolean' },
    /** Inspections and repairs in the order they came. */
    steps: {
      type: 'array',
      maxItems: 200,
      items: {
        anyOf: [
          {
            type: 'object',
            additionalProperties: false,
            required: ['inspection'],
            properties: { inspection: INSPECTION_SCHEMA },
          },
          {
            type: 'object',
            additionalProperties: false,
            required: ['repair'],
            properties: { repair: NEW_REPAIR_SCHEMA },
          },
        ],
      },
    },
  },
} as const satisfies JSONSchema;

export type WeldRow = FromSchema<typeof WELD_ROW>;

/** A part that was welded, with its inspections and repairs. */
export const WELDS = thing<WeldRow>()({
  name: 'weld',
  schema: WELD_ROW,
  mayChange: ['title', 'note', 'putAway', 'steps'],
  names: [['provenId', 'proven']],
  changes: {
    'log-weld': beginning<NewWeld>({ of: 'weld', fields: NEW_WELD_SCHEMA }),
    'change-weld': changing<WeldChange>({ of: 'weld', fields: WELD_CHANGE_SCHEMA }),
    inspect: changing<NewInspection>({
      of: 'weld',
      fields: NEW_INSPECTION_SCHEMA,
      problems: inspectionProblems,
      puts: 'inspectionId',
      beside: true,
    }),
    repair: changing<NewRepair>({ of: 'weld', fields: NEW_REPAIR_SCHEMA, puts: 'repairId', beside: true }),
  },
});
