import type { ErrorObject } from 'ajv';
import { beyondLimits } from './limits';
import { fieldProblems, type FieldProblem } from './problems';

/** A value of a schema, or every wrong field with what it takes. */
export type Validated<T> = { value: T; problems: null } | { value: null; problems: FieldProblem[] };

/** A validator compiled ahead from a JSON Schema; it leaves what it found on itself. */
export type CompiledValidator = ((input: unknown) => boolean) & { errors?: ErrorObject[] | null };

/**
 * Reads anything as a value of a schema.
 * @param compiled the schema's validator
 * @param input parsed JSON
 * @param beyondSchema what a schema cannot say; asked only when the schema holds
 */
export function validateWith<T>(
  compiled: CompiledValidator,
  input: unknown,
  beyondSchema: (value: T) => FieldProblem[] = () => [],
): Validated<T> {
  const tooLarge = beyondLimits(input);
  if (tooLarge !== null) return { value: null, problems: [tooLarge] };
  const problems = compiled(input) ? beyondSchema(input as T) : fieldProblems(compiled.errors);
  return problems.length === 0 ? { value: input as T, problems: null } : { value: null, problems };
}
