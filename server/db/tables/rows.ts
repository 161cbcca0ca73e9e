import type { Bead, JobVersion, RigRecord, Setup } from '../../../core/record/shapes/record-schema';
import type { StoredPicture } from '../../../core/record/shapes/picture-schema';
import type { beads, jobs, pictures, rigs, setups } from './schema';

/** A row whose document cannot be read: which one, and why. */
export type Unreadable = { table: string; id: string; why: string };

type Document = Record<string, unknown>;

function documentOf(text: string): Document {
  const value: unknown = JSON.parse(text);
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new SyntaxError('not an object');
  return value as Document;
}

/** A part of a document that is to be an object itself; an empty one where it is missing. */
function part<T extends object>(document: Document, key: string): T {
  const value = document[key] ?? {};
  if (typeof value !== 'object' || Array.isArray(value)) throw new SyntaxError(`${key} is not an object`);
  return value as T;
}

/** The facts of a setup as they are kept. */
type SetupFacts = Pick<Setup, 'rig' | 'arcControlRising' | 'display'>;

export function toSetup({ facts, ...row }: typeof setups.$inferSelect): Setup {
  const document = documentOf(facts);
  const rest = document as unknown as SetupFacts;
  return { ...row, rig: part(document, 'rig'), arcControlRising: rest.arcControlRising, display: rest.display };
}

export function toRig(row: typeof rigs.$inferSelect, setup: typeof setups.$inferSelect): RigRecord {
  const { setupId: _, ...rest } = row;
  return { ...rest, setup: toSetup(setup) };
}

export function toJob({ id, at, job }: Pick<typeof jobs.$inferSelect, 'id' | 'at' | 'job'>): JobVersion {
  return { id, at, job: documentOf(job) };
}

/** What a bead keeps as one document: all that was so when it was run. */
export type BeadDocument = Pick<
  Bead,
  | 'settings'
  | 'readings'
  | 'schools'
  | 'findings'
  | 'heard'
  | 'names'
  | 'verdict'
  | 'move'
  | 'judgedBy'
  | 'experience'
  | 'cured'
  | 'leaves'
>;

export function toBead({ facts, appearance, shows: _, ...row }: typeof beads.$inferSelect): Bead {
  const document = documentOf(facts);
  const {
    verdict = null,
    move = null,
    judgedBy = null,
    heard,
    experience,
    cured,
    leaves,
  } = document as Partial<BeadDocument>;
  return {
    ...row,
    settings: part(document, 'settings'),
    readings: part(document, 'readings'),
    schools: part(document, 'schools'),
    findings: part(document, 'findings'),
    names: part(document, 'names'),
    verdict,
    move,
    judgedBy,
    ...(heard === undefined ? {} : { heard }),
    ...(experience === undefined ? {} : { experience }),
    ...(cured === undefined ? {} : { cured }),
    ...(leaves === undefined ? {} : { leaves }),
    appearance: appearance === null ? null : documentOf(appearance),
  };
}

export function toPicture({
  hash,
  width,
  height,
  bytes,
  measuring,
  ...row
}: typeof pictures.$inferSelect): StoredPicture & { revision: number } {
  return {
    ...row,
    file: { hash, width, height, bytes },
    measuring: measuring === null ? null : (documentOf(measuring) as StoredPicture['measuring']),
  };
}

/** Returns how a drawn bead is kept, or null where it cannot be read: a list shows the rest of the row all the same. */
export function toAppearance(text: string | null): Bead['appearance'] {
  try {
    return text === null ? null : documentOf(text);
  } catch {
    return null;
  }
}

/**
 * Reads rows one by one; one that cannot be read is left out and reported.
 * @param report where to say so
 */
export function readable<Row extends { id: string }, T>(
  table: string,
  rows: readonly Row[],
  read: (row: Row) => T,
  report: (unreadable: Unreadable) => void,
): T[] {
  return rows.flatMap((row) => {
    try {
      return [read(row)];
    } catch (error) {
      report({ table, id: row.id, why: error instanceof Error ? error.message : String(error) });
      return [];
    }
  });
}
