import type { ErrorObject } from 'ajv';

/** One wrong field and what it takes. */
export type FieldProblem = { field: string; takes: string };

/** At most this many fields are named: a person reads no more, and an answer stays small. */
export const MOST_PROBLEMS = 20;
const LONGEST_FIELD = 120;

type Stated = {
  description?: string;
  minimum?: number;
  maximum?: number;
  minItems?: number;
  maxItems?: number;
  maxProperties?: number;
};

/** "/rig/wire/diameterMm" as a person writes it: "rig.wire.diameterMm". */
function fieldName(pointer: string, child?: string): string {
  const parts = pointer
    .split('/')
    .slice(1)
    .map((part) => part.replace(/~1/g, '/').replace(/~0/g, '~'));
  return ([...parts, ...(child === undefined ? [] : [child])].join('.') || 'body').slice(0, LONGEST_FIELD);
}

const TYPE_WORDS: Record<string, string> = {
  object: 'an object',
  array: 'a list',
  string: 'text',
  number: 'a number',
  boolean: 'true or false',
  null: 'null',
  integer: 'a whole number',
};

function rangeText({ minimum, maximum }: Stated, kind = 'a number'): string {
  if (maximum === undefined) return `${kind} from ${minimum}`;
  return minimum === undefined ? `${kind} up to ${maximum}` : `${kind} from ${minimum} to ${maximum}`;
}

function typeText(type: unknown, stated: Stated): string {
  if (stated.description !== undefined && type === 'string') return stated.description;
  if ((type === 'number' || type === 'integer') && stated.minimum !== undefined)
    return rangeText(stated, TYPE_WORDS[type]);
  return (Array.isArray(type) ? type : [type]).map((one) => TYPE_WORDS[String(one)] ?? String(one)).join(' or ');
}

function takesText({ keyword, params, parentSchema, message }: ErrorObject): string {
  const stated = (parentSchema ?? {}) as Stated;
  switch (keyword) {
    case 'additionalProperties':
      return 'nothing: there is no such field';
    case 'propertyNames':
      return 'nothing: it is no id that is known';
    case 'required':
      return 'a value: it is missing';
    case 'enum':
      return `one of ${(params.allowedValues as unknown[]).map(String).join(', ')}`;
    case 'const':
      return `"${String(params.allowedValue)}"`;
    case 'minimum':
    case 'maximum':
      return rangeText(stated);
    case 'minItems':
    case 'maxItems':
      return `a list of ${stated.minItems ?? 0} to ${stated.maxItems}`;
    case 'maxProperties':
      return `at most ${stated.maxProperties} fields`;
    case 'uniqueItems':
      return 'each item once';
    case 'type':
      return typeText(params.type, stated);
    default:
      return stated.description ?? message ?? 'another value';
  }
}

function problemOf(error: ErrorObject): FieldProblem {
  const { instancePath, keyword, params } = error;
  const child = {
    additionalProperties: params.additionalProperty as string | undefined,
    required: params.missingProperty as string | undefined,
    propertyNames: params.propertyName as string | undefined,
  }[keyword];
  return { field: fieldName(instancePath, child), takes: takesText(error) };
}

/**
 * Ajv's errors as fields and what they take, one entry a field, {@link MOST_PROBLEMS} at most.
 * @param errors as Ajv leaves them, compiled with `allErrors` and `verbose`
 */
export function fieldProblems(errors: readonly ErrorObject[] | null | undefined): FieldProblem[] {
  const byField = new Map<string, FieldProblem>();
  for (const error of errors ?? []) {
    // The error about the name itself is told by the one about the object that holds it.
    if (error.propertyName !== undefined) continue;
    const problem = problemOf(error);
    if (!byField.has(problem.field)) byField.set(problem.field, problem);
    if (byField.size >= MOST_PROBLEMS) break;
  }
  return [...byField.values()];
}
