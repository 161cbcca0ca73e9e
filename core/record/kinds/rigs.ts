import type { FromSchema, JSONSchema } from 'json-schema-to-ts';
import { rigProblems } from '../../case/rig-problems';
import { ID, INSTANT, name as nameSchema, note as noteSchema } from '../../schema/parts';
import { newRigProblems } from '../shapes/problems';
import {
  NEW_RIG_SCHEMA,
  NEW_SETUP_SCHEMA,
  RIG_RECORD_SCHEMA,
  type NewRig,
  type NewSetup,
} from '../shapes/record-schema';
import { beginning, changing, thing } from './descriptor';

const { id, name, note, putAway, learnsSince, runOutScale } = RIG_RECORD_SCHEMA.properties;
const RIG_ROW = {
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'note', 'putAway', 'learnsSince', 'runOutScale', 'setupId'],
  /** `setupId` is what is fitted now. */
  properties: { id, name, note, putAway, learnsSince, runOutScale, setupId: ID },
} as const satisfies JSONSchema;

const SETUP_ROW = {
  type: 'object',
  additionalProperties: false,
  required: [...NEW_SETUP_SCHEMA.required, 'rigId', 'assumed'],
  properties: { ...NEW_SETUP_SCHEMA.properties, rigId: ID, assumed: { type: 'boolean' } },
} as const satisfies JSONSchema;

/** What may change of a rig besides what is fitted. */
export const RIG_CHANGE_SCHEMA = {
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  description: 'name, note, putAway, learnsSince or runOutScale',
  properties: {
    name: nameSchema(80),
    note: noteSchema(2000),
    putAway: { type: 'boolean' },
    learnsSince: { ...INSTANT, type: ['string', 'null'] },
    runOutScale: { type: ['number', 'null'], minimum: 0.7, maximum: 1.3 },
  },
} as const satisfies JSONSchema;

export type RigChange = FromSchema<typeof RIG_CHANGE_SCHEMA>;
export type SetupRow = FromSchema<typeof SETUP_ROW>;

/** A machine. */
export const RIGS = thing<FromSchema<typeof RIG_ROW>>()({
  name: 'rig',
  schema: RIG_ROW,
  mayChange: ['name', 'note', 'putAway', 'learnsSince', 'runOutScale', 'setupId'],
  names: [['setupId', 'setups']],
  changes: {
    'begin-rig': beginning<NewRig>({ of: 'rig', fields: NEW_RIG_SCHEMA, problems: newRigProblems }),
    'change-rig': changing<RigChange>({ of: 'rig', fields: RIG_CHANGE_SCHEMA }),
  },
});

/** What is fitted on a machine, from a day on. */
export const SETUPS = thing<SetupRow>()({
  name: 'setup',
  schema: SETUP_ROW,
  mayChange: [],
  names: [['rigId', 'rigs']],
  changes: {
    refit: changing<NewSetup>({
      of: 'rig',
      fields: NEW_SETUP_SCHEMA,
      problems: ({ rig }) => rigProblems(rig, 'rig'),
      puts: 'setupId',
    }),
  },
});
