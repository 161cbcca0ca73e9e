import { getTableColumns, sql } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { perStore } from './prepared';
import type { Store } from './store';

type Insert = { run: (row: Record<string, unknown>) => unknown };

/** The statements of a store, by the names of their columns. */
const inserts = perStore(() => new Map<SQLiteTable, Map<string, Insert>>());

function insertOf(store: Store, table: SQLiteTable, names: readonly string[]): Insert {
  const ofTable = inserts(store).get(table) ?? new Map<string, Insert>();
  inserts(store).set(table, ofTable);
  const key = names.join();
  const insert =
    ofTable.get(key) ??
    store
      .insert(table)
      .values(Object.fromEntries(names.map((name) => [name, sql.placeholder(name)])) as never)
      .prepare();
  ofTable.set(key, insert);
  return insert;
}

/**
 * Writes rows into a table with one statement that is put together once: most of the time of an insert goes into putting statements
 * together.
 * @param rows each with what its table asks for; what none of them has is left to the table, what one of them lacks is null
 */
export function insertRows<Row extends object>(store: Store, table: SQLiteTable, rows: readonly Row[]): void {
  const given = new Set(rows.flatMap((row) => Object.keys(row)));
  const names = Object.keys(getTableColumns(table)).filter((name) => given.has(name));
  if (names.length === 0) return;
  const blank = Object.fromEntries(names.map((name) => [name, null]));
  const insert = insertOf(store, table, names);
  for (const row of rows) insert.run({ ...blank, ...row });
}
