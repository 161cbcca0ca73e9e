import { RECORD_KINDS, type RecordKind, type RecordRows } from '../../../core/record/kinds/all';
import type { Store } from '../engine/store';
import { recountBeads, recountWelds } from '../records/counts';
import type { Writing } from '../records/write';
import { STORED } from './all';
import type { Named, Storage } from './storage';

/** Things by their ids. */
const byId = <Thing extends { id: string }>(things: readonly Thing[]): Map<string, Thing> =>
  new Map(things.map((thing) => [thing.id, thing]));

function insertKind<Kind extends RecordKind>(
  store: Store,
  kind: Kind,
  rows: RecordRows,
  at: number,
  named: Named,
): void {
  const stored: Storage<Kind> = STORED[kind];
  stored.insert(store, rows[kind], at, named);
}

/**
 * Writes many things at once that are not kept yet, each as it is given, with what the server counts made of them. Far
 * quicker than one by one; nothing is asked of each, so that what names others has to be known to be whole
 * (see core/record/file/record-file-schema.ts). What is kept already and is named must be among `known`.
 * @param rows what goes in
 * @param known jobs, setups and beads that stand there already and that new things name
 * @throws RangeError for a kept setting or weld whose bead, job or setup is in neither
 */
export function insertAll(
  { store, revision }: Writing,
  rows: RecordRows,
  known: Pick<RecordRows, 'setups' | 'jobs' | 'beads'> = { setups: [], jobs: [], beads: [] },
): void {
  const at = revision();
  const named: Named = {
    setups: byId([...known.setups, ...rows.setups]),
    jobs: byId([...known.jobs, ...rows.jobs]),
    beads: byId([...known.beads, ...rows.beads]),
  };
  for (const kind of RECORD_KINDS) insertKind(store, kind, rows, at, named);
  countAnew(store, rows);
}

/** Counts anew whatever some beads and welds are counted in. */
function countAnew(store: Store, { beads, welds }: Pick<RecordRows, 'beads' | 'welds'>): void {
  recountBeads(
    store,
    beads.map(({ couponId }) => couponId),
    null,
  );
  recountWelds(
    store,
    welds.map(({ provenId }) => provenId),
    null,
  );
}

function setKind<Kind extends RecordKind>(store: Store, kind: Kind, rows: RecordRows, at: number): void {
  const stored: Storage<Kind> = STORED[kind];
  for (const row of rows[kind]) stored.set?.(store, row as RecordRows[Kind][number], at);
}

/** Puts what may change of things that are kept as a file has them. */
export function setAll({ store, revision }: Writing, rows: RecordRows): void {
  const at = revision();
  for (const kind of RECORD_KINDS) setKind(store, kind, rows, at);
  countAnew(store, rows);
}
