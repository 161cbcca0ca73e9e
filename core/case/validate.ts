import matchesCase from '../compiled/case';
import { validateWith, type Validated } from '../schema/validate';
import { jobProblems } from './job-problems';
import { rigProblems } from './rig-problems';
import type { Case } from './schema';

/**
 * Reads anything as a case.
 * @param input parsed JSON
 * @returns the case, or every wrong field with what it takes
 */
export function validateCase(input: unknown): Validated<Case> {
  return validateWith<Case>(matchesCase, input, ({ rig, job }) => [
    ...(rig === undefined ? [] : rigProblems(rig, 'rig')),
    ...(job === undefined ? [] : jobProblems(job, 'job')),
  ]);
}
