import type { FieldProblem } from './problems';

/**
 * What any document may hold at most, whatever its schema. Held against a document before its schema is, since a
 * validator that looks for every fault takes time that grows with the square of a list of thousands.
 */
export const LIMITS = { depth: 12, parts: 4000, list: 200, fields: 300, text: 4000 } as const;

type Part = { value: unknown; field: string; depth: number };

const childField = (parent: string, child: string | number): string =>
  parent === '' ? `${child}` : `${parent}.${child}`;

function ownProblem({ value, field, depth }: Part): FieldProblem | null {
  const name = field === '' ? 'body' : field.slice(0, 80);
  if (typeof value === 'string' && value.length > LIMITS.text)
    return { field: name, takes: `text of at most ${LIMITS.text} letters` };
  if (typeof value === 'number' && !Number.isFinite(value))
    return { field: name, takes: 'a number that can be written out' };
  if (typeof value !== 'object' || value === null) return null;
  if (depth > LIMITS.depth) return { field: name, takes: `at most ${LIMITS.depth} levels of fields within fields` };
  const size = Array.isArray(value) ? value.length : Object.keys(value).length;
  if (Array.isArray(value) && size > LIMITS.list) return { field: name, takes: `a list of at most ${LIMITS.list}` };
  if (size > LIMITS.fields) return { field: name, takes: `at most ${LIMITS.fields} fields` };
  return null;
}

/**
 * The first place where a document is larger than any document of the product, or null. Walks without recursion and
 * stops at the limit, so that its own time is bounded too.
 * @param input parsed JSON
 */
export function beyondLimits(input: unknown): FieldProblem | null {
  const waiting: Part[] = [{ value: input, field: '', depth: 0 }];
  let parts = 0;
  for (let part = waiting.pop(); part !== undefined; part = waiting.pop()) {
    parts += 1;
    if (parts > LIMITS.parts) return { field: 'body', takes: `at most ${LIMITS.parts} values in all` };
    const problem = ownProblem(part);
    if (problem !== null) return problem;
    const { value, field, depth } = part;
    if (typeof value !== 'object' || value === null) continue;
    for (const [key, child] of Object.entries(value))
      waiting.push({ value: child, field: childField(field, key), depth: depth + 1 });
  }
  return null;
}
