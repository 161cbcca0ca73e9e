import { asc, inArray } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Store } from '../engine/store';

/** Returns the rows of one table by their ids, in the order of these. */
export function storedRows<Table extends SQLiteTable & { id: SQLiteColumn }>(
  store: Store,
  table: Table,
  ids: readonly string[],
): Table['$inferSelect'][] {
  return store
    .select()
    .from(table as SQLiteTable)
    .where(inArray(table.id, [...ids]))
    .orderBy(asc(table.id))
    .all();
}
