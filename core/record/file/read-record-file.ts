import matchesRows from '../../compiled/rows-of';
import type { FieldProblem } from '../../schema/problems';
import { validateWith } from '../../schema/validate';
import { RECORD_KINDS, THINGS, type RecordKind, type RecordRows } from '../kinds/all';
import type { ThingDescriptor } from '../kinds/descriptor';
import { MOST_THINGS, noRows, RECORD_FORMAT, RECORD_VERSION } from './record-file-schema';

/** Something of a file that cannot be taken in: which thing, and why, as one sentence. */
export type Refused = { kind: RecordKind | null; id: string | null; why: string };

const whole = (why: string): { kept: null; refused: Refused[] } => ({
  kept: null,
  refused: [{ kind: null, id: null, why }],
});

const idOf = (thing: unknown): string | null => {
  const id = (thing as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id.slice(0, 40) : null;
};

/**
 * Reads a file as a record: every thing is held against its schema, and those that do not fit are said.
 * @param input parsed JSON
 * @returns the things that fit, null where it is no record at all, and what was refused with its reason
 */
export function readRecord(input: unknown): { kept: RecordRows | null; refused: Refused[] } {
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    return whole('This file is no record of a workshop.');
  const file = input as Record<string, unknown>;
  if (file.format !== RECORD_FORMAT)
    return whole(`This file is no record of a workshop: its "format" would be "${RECORD_FORMAT}".`);
  if (file.version !== RECORD_VERSION)
    return whole(
      typeof file.version === 'number' && file.version > RECORD_VERSION
        ? 'This record was written by a newer version of this program.'
        : `This record has no version that is known; the newest is ${RECORD_VERSION}.`,
    );
  const kept = noRows();
  const refused: Refused[] = [];
  let things = 0;
  for (const kind of RECORD_KINDS) {
    const { name, problems: besides }: ThingDescriptor = THINGS[kind];
    const list = file[kind] ?? [];
    if (!Array.isArray(list)) return whole(`"${kind}" takes a list.`);
    things += list.length;
    if (things > MOST_THINGS) return whole(`A record takes up to ${MOST_THINGS} things; this one has more.`);
    const seen = new Set<string>();
    list.forEach((thing: unknown, i) => {
      const { value, problems } = validateWith<{ id: string }>(
        matchesRows[kind],
        thing,
        besides as ((row: { id: string }) => FieldProblem[]) | undefined,
      );
      const id = idOf(thing);
      if (problems !== null) {
        const [{ field, takes }] = problems;
        refused.push({ kind, id, why: `${name} ${i + 1}: ${field} takes ${takes}.` });
      } else if (seen.has(value.id)) {
        refused.push({ kind, id, why: `${name} ${i + 1}: its id stands in the file twice.` });
      } else {
        seen.add(value.id);
        (kept[kind] as unknown[]).push(value);
      }
    });
  }
  return { kept, refused };
}
