import beads from '../../compiled/kept-beads';
import care from '../../compiled/kept-care';
import coupons from '../../compiled/kept-coupons';
import jobs from '../../compiled/kept-jobs';
import levels from '../../compiled/kept-levels';
import pictures from '../../compiled/kept-pictures';
import proven from '../../compiled/kept-proven';
import rigs from '../../compiled/kept-rigs';
import setups from '../../compiled/kept-setups';
import welds from '../../compiled/kept-welds';
import type { FieldProblem } from '../../schema/problems';
import { validateWith, type CompiledValidator } from '../../schema/validate';
import { pictureProblems } from './validate-picture';
import type { StoredPicture } from '../shapes/picture-schema';
import {
  noRows,
  RECORD_KINDS,
  MOST_THINGS,
  RECORD_FORMAT,
  RECORD_VERSION,
  type RecordRows,
  type RecordKind,
} from '../shapes/record-file-schema';

const MATCHES: { [kind in RecordKind]: CompiledValidator } = {
  ...{ rigs, setups, coupons, jobs, beads, proven, welds, care, levels, pictures },
};

/** What each thing is called, one of it. */
export const KIND_NAMES: { [kind in RecordKind]: string } = {
  rigs: 'rig',
  setups: 'setup',
  coupons: 'coupon',
  jobs: 'job',
  beads: 'bead',
  proven: 'kept setting',
  welds: 'weld',
  care: 'entry of care',
  levels: 'level',
  pictures: 'picture',
};

/** What a schema cannot say of a thing. */
const BESIDES: { [kind in RecordKind]?: (thing: { id: string }) => FieldProblem[] } = {
  pictures: (thing) => pictureProblems(thing as StoredPicture),
};

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
    const list = file[kind] ?? [];
    if (!Array.isArray(list)) return whole(`"${kind}" takes a list.`);
    things += list.length;
    if (things > MOST_THINGS) return whole(`A record takes up to ${MOST_THINGS} things; this one has more.`);
    const seen = new Set<string>();
    list.forEach((thing: unknown, i) => {
      const { value, problems } = validateWith<{ id: string }>(MATCHES[kind], thing, BESIDES[kind]);
      const id = idOf(thing);
      if (problems !== null) {
        const [{ field, takes }] = problems;
        refused.push({ kind, id, why: `${KIND_NAMES[kind]} ${i + 1}: ${field} takes ${takes}.` });
      } else if (seen.has(value.id)) {
        refused.push({ kind, id, why: `${KIND_NAMES[kind]} ${i + 1}: its id stands in the file twice.` });
      } else {
        seen.add(value.id);
        (kept[kind] as unknown[]).push(value);
      }
    });
  }
  return { kept, refused };
}
