import matchesRig from '../../compiled/fields-of-begin-rig';
import { validateWith, type Validated } from '../../schema/validate';
import { newRigProblems } from '../shapes/problems';
import type { NewRig } from '../shapes/record-schema';

/** A rig with what is fitted, or every wrong field with what it takes. */
export const validateRig = (input: unknown): Validated<NewRig> => validateWith(matchesRig, input, newRigProblems);
