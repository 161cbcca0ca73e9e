import type { FieldProblem } from '../schema/problems';
import type { Job } from './schema';

/** Returns what a schema cannot say of a job: the limits of its procedure stand upright. */
export function jobProblems({ procedure }: Job, at: string): FieldProblem[] {
  const { transfer: _, ...spans } = procedure ?? {};
  return Object.entries(spans).flatMap(([name, { low, high }]) =>
    low !== undefined && high !== undefined && low > high
      ? [
          { field: `${at}.procedure.${name}.low`, takes: 'a low that is not above its high' },
          { field: `${at}.procedure.${name}.high`, takes: 'a high that is not below its low' },
        ]
      : [],
  );
}
