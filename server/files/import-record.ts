import { readRecord, type Refused } from '../../core/record/file/read-record-file';
import { RECORD_KINDS, type RecordRows, type RecordKind } from '../../core/record/kinds/all';
import { insertAll, setAll } from '../db/kinds/insert-all';
import type { Store } from '../db/engine/store';
import { write } from '../db/records/write';
import { storedById, planFor, type Plan } from './import-plan';

/** What taking a file in comes to, by kind, for people and programs. */
export type ImportReport = {
  counts: { [kind in RecordKind]?: { added: number; changed: number; same: number } };
  /** How many cannot be taken, and the first of them with the reason. */
  refused: number;
  reasons: string[];
  /** Whether it was written: only where nothing is refused. */
  done: boolean;
};

/** Reasons that are told: a person reads no more. */
const MOST_REASONS = 20;

function reportOf({ add, change, same }: Plan, refused: readonly Refused[], done: boolean): ImportReport {
  const counts = Object.fromEntries(
    RECORD_KINDS.flatMap((kind) => {
      const of = { added: add[kind].length, changed: change[kind].length, same: same[kind] };
      return of.added + of.changed + of.same === 0 ? [] : [[kind, of]];
    }),
  );
  return { counts, refused: refused.length, reasons: refused.slice(0, MOST_REASONS).map(({ why }) => why), done };
}

/** Returns what new things name that stands here already. */
function knownFor(store: Store, { beads: ran, proven: saved }: RecordRows): Parameters<typeof insertAll>[2] {
  const of = <Kind extends RecordKind>(kind: Kind, ids: readonly string[]) =>
    [...storedById(store, kind, [...new Set(ids)]).values()] as unknown as RecordRows[Kind];
  const inFile = new Set(ran.map(({ id }) => id));
  const beads = of(
    'beads',
    saved.flatMap(({ beadId }) => (inFile.has(beadId) ? [] : [beadId])),
  );
  const all = [...beads, ...ran];
  return {
    beads,
    setups: of(
      'setups',
      all.map(({ setupId }) => setupId),
    ),
    jobs: of(
      'jobs',
      all.map(({ jobId }) => jobId),
    ),
  };
}

/**
 * Takes a record in, all or nothing: where anything of it is refused, nothing is written.
 * @param input parsed JSON of a file
 * @param preview only says what it would come to
 */
export async function importRecord(store: Store, input: unknown, preview: boolean): Promise<ImportReport> {
  const { kept, refused } = readRecord(input);
  if (kept === null)
    return { counts: {}, refused: refused.length, reasons: refused.map(({ why }) => why), done: false };
  if (preview) {
    const plan = planFor(store, kept);
    return reportOf(plan, [...refused, ...plan.refused], false);
  }
  return write(store, (writing) => {
    const plan = planFor(writing.store, kept);
    const all = [...refused, ...plan.refused];
    if (all.length > 0) return reportOf(plan, all, false);
    const isEmpty = RECORD_KINDS.every((kind) => plan.add[kind].length + plan.change[kind].length === 0);
    if (!isEmpty) {
      insertAll(writing, plan.add, knownFor(writing.store, plan.add));
      setAll(writing, plan.change);
    }
    return reportOf(plan, [], true);
  });
}
