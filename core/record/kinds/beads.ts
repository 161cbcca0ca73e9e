import type { JSONSchema } from 'json-schema-to-ts';
import type { FieldProblem } from '../../schema/problems';
import { SETTINGS } from '../../setting/table';
import {
  BEAD_CHANGE_SCHEMA,
  BEAD_SCHEMA,
  NEW_BEAD_SCHEMA,
  type Bead,
  type BeadChange,
  type NewBead,
} from '../shapes/bead-schema';
import { beginning, changing, thing } from './descriptor';

/** Findings and causes are read as any text: what a newer or older version named stays in the record by its own words. */
const { revision: _, ...properties } = BEAD_SCHEMA.properties;
const BEAD_ROW = {
  type: 'object',
  additionalProperties: false,
  required: BEAD_SCHEMA.required.filter((field) => field !== 'revision'),
  properties,
} as const satisfies JSONSchema;

/** A move's figures lie in what its own setting takes. */
function moveProblems({ move }: NewBead): FieldProblem[] {
  if (move === null || move.setting === undefined) return [];
  const { minimum, maximum } = SETTINGS[move.setting];
  return (['from', 'to'] as const).flatMap((end) => {
    const value = move[end] ?? minimum;
    const fine = value >= minimum && value <= maximum;
    return fine ? [] : [{ field: `move.${end}`, takes: `a number from ${minimum} to ${maximum}` }];
  });
}

export type BeadRow = Omit<Bead, 'revision'>;

/** A trial bead. */
export const BEADS = thing<BeadRow>()({
  name: 'bead',
  schema: BEAD_ROW,
  mayChange: ['outcome', 'note', 'takenBack'],
  names: [
    ['couponId', 'coupons'],
    ['setupId', 'setups'],
    ['jobId', 'jobs'],
  ],
  changes: {
    'log-bead': beginning<NewBead>({ of: 'bead', fields: NEW_BEAD_SCHEMA, problems: moveProblems }),
    'change-bead': changing<BeadChange>({ of: 'bead', fields: BEAD_CHANGE_SCHEMA }),
  },
});
