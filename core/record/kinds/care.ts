import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { ID } from '../../schema/parts';
import { NEW_CARE_SCHEMA, type NewCare } from '../shapes/care-schema';
import { changing, thing } from './descriptor';

const CARE_ROW = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_CARE_SCHEMA.required, 'rigId'],
  properties: { ...NEW_CARE_SCHEMA.properties, rigId: ID },
} as const satisfies JSONSchema;

/** Something that was looked after on a machine. */
export const CARE_DONE = thing<FromSchema<typeof CARE_ROW>>()({
  name: 'entry of care',
  schema: CARE_ROW,
  mayChange: [],
  names: [['rigId', 'rigs']],
  changes: {
    care: changing<NewCare>({ of: 'rig', fields: NEW_CARE_SCHEMA, puts: 'careId', beside: true }),
  },
});
