import { asc, gt } from 'drizzle-orm';
import type { RecordKind, RecordRows } from '../../../core/record/kinds/all';
import type { Store } from '../engine/store';
import { STORED } from './all';
import type { Report, Storage } from './storage';

/** Things of one kind as the record has them. */
export function rowsToExport<Kind extends RecordKind>(
  store: Store,
  kind: Kind,
  ids: readonly string[],
  report: Report,
): RecordRows[Kind] {
  const stored: Storage<Kind> = STORED[kind];
  return stored.rows(store, ids, report);
}

/** How many things are read at once. */
export const A_PAGE = 500;

/** Every id of a kind after one, in their order: the keys by which a table is gone through. */
export function idsAfter(store: Store, kind: RecordKind, after: string, limit = A_PAGE): string[] {
  const { table } = STORED[kind];
  return store
    .select({ id: table.id })
    .from(table)
    .where(gt(table.id, after))
    .orderBy(asc(table.id))
    .limit(limit)
    .all()
    .map(({ id }) => String(id));
}
