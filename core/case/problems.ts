import type { ErrorObject } from 'ajv';

/** One wrong field and what it takes. */
export type FieldProblem = { field: string; takes: string };

/** "/rig/wire/diameterMm" as a person writes it: "rig.wire.diameterMm". */
function fieldName(pointer: string, child?: string): string {
  const parts = pointer
    .split('/')
    .slice(1)
    .map((part) => part.replace(/~1/g, '/').replace(/~0/g, '~'));
  return [...parts, ...(child === undefined ? [] : [child])].join('.') || 'body';
}

function rangeText(schema: { minimum?: number; maximum?: number }): string {
  return `a number from ${schema.minimum} to ${schema.maximum}`;
}

function typeText(type: unknown, schema: { minimum?: number; maximum?: number }): string {
  if (type === 'number' && schema.minimum !== undefined) return rangeText(schema);
  const names: Record<string, string> = {
    object: 'an object',
    array: 'a list',
    string: 'text',
    number: 'a number',
    boolean: 'true or false',
    null: 'null',
    integer: 'a whole number',
  };
  return (Array.isArray(type) ? type : [type]).map((name) => names[String(name)] ?? String(name)).join(' or ');
}

function problemOf(error: ErrorObject): FieldProblem {
  const { instancePath, keyword, params } = error;
  const schema = (error.parentSchema ?? {}) as {
    minimum?: number;
    maximum?: number;
    minLength?: number;
    maxLength?: number;
  };
  switch (keyword) {
    case 'additionalProperties':
      return {
        field: fieldName(instancePath, String(params.additionalProperty)),
        takes: 'nothing: there is no such field',
      };
    case 'required':
      return { field: fieldName(instancePath, String(params.missingProperty)), takes: 'a value: it is missing' };
    case 'enum':
      return {
        field: fieldName(instancePath),
        takes: `one of ${(params.allowedValues as unknown[]).map((value) => String(value)).join(', ')}`,
      };
    case 'const':
      return { field: fieldName(instancePath), takes: `"${String(params.allowedValue)}"` };
    case 'minimum':
    case 'maximum':
      return { field: fieldName(instancePath), takes: rangeText(schema) };
    case 'format':
      return {
        field: fieldName(instancePath),
        takes: params.format === 'uuid' ? 'a UUID' : 'a time such as 2026-05-04T09:30:00Z',
      };
    case 'maxLength':
    case 'minLength':
      return {
        field: fieldName(instancePath),
        takes: `text of ${schema.minLength ?? 0} to ${schema.maxLength} letters`,
      };
    case 'type':
      return { field: fieldName(instancePath), takes: typeText(params.type, schema) };
    default:
      return { field: fieldName(instancePath), takes: error.message ?? 'another value' };
  }
}

/**
 * Ajv's errors as fields and what they take, one entry a field.
 * @param errors as Ajv leaves them, compiled with `allErrors` and `verbose`
 */
export function fieldProblems(errors: readonly ErrorObject[] | null | undefined): FieldProblem[] {
  const byField = new Map<string, FieldProblem>();
  for (const error of errors ?? []) {
    const problem = problemOf(error);
    if (!byField.has(problem.field)) byField.set(problem.field, problem);
  }
  return [...byField.values()];
}
