import { eq, sql } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import { perStore } from './prepared';
import type { Store } from './store';

type WithId = SQLiteTable & { id: SQLiteColumn };
type Update = { run: (values: Record<string, unknown>) => unknown };

/** The statements of a store, by the names of what they set. */
const updates = perStore(() => new Map<SQLiteTable, Map<string, Update>>());

/** How a row is named in a statement, which sets no id. */
const WHICH = 'id';

/** Sets what is named of one row, by a statement that is put together once. @param fields those that are undefined are left as they are */
export function setRow<Table extends WithId>(
  store: Store,
  table: Table,
  id: string,
  fields: Partial<Table['$inferInsert']>,
): void {
  const names = Object.entries(fields).flatMap(([name, value]) => (value === undefined ? [] : [name]));
  const ofTable = updates(store).get(table) ?? new Map<string, Update>();
  updates(store).set(table, ofTable);
  const key = names.join();
  const update =
    ofTable.get(key) ??
    store
      .update(table)
      .set(Object.fromEntries(names.map((name) => [name, sql.placeholder(name)])) as never)
      .where(eq(table.id, sql.placeholder(WHICH)))
      .prepare();
  ofTable.set(key, update);
  update.run({ ...fields, [WHICH]: id });
}
