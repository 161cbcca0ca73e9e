import matchesBeadChange from '../../compiled/bead-change';
import matchesBead from '../../compiled/new-bead';
import type { FieldProblem } from '../../schema/problems';
import { validateWith, type Validated } from '../../schema/validate';
import { SETTINGS } from '../../setting/table';
import type { BeadChange, NewBead } from '../shapes/record-schema';

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

/** A bead to log, or every wrong field with what it takes. */
export function validateBead(input: unknown): Validated<NewBead> {
  return validateWith<NewBead>(matchesBead, input, moveProblems);
}

/** A change of a logged bead, or every wrong field with what it takes. */
export function validateBeadChange(input: unknown): Validated<BeadChange> {
  return validateWith<BeadChange>(matchesBeadChange, input);
}
