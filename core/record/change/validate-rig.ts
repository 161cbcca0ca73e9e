import { rigProblems } from '../../case/rig-problems';
import matchesRig from '../../compiled/new-rig';
import { validateWith, type Validated } from '../../schema/validate';
import type { NewRig } from '../shapes/record-schema';

/** A rig with what is fitted, or every wrong field with what it takes. */
export function validateRig(input: unknown): Validated<NewRig> {
  return validateWith<NewRig>(matchesRig, input, ({ setup }) => rigProblems(setup.rig, 'setup.rig'));
}
