import { getTableColumns, sql } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Store } from './store';

/**
 * Writes many rows into a table with one statement that is put together once: most of the time of a long insert goes into putting
 * statements together.
 * @param rows each with what its table asks for; what none of them has is left to the table, what one of them lacks is null
 */
export function insertRows<Row extends object>(store: Store, table: SQLiteTable, rows: readonly Row[]): void {
  const given = new Set(rows.flatMap((row) => Object.keys(row)));
  const names = Object.keys(getTableColumns(table)).filter((name) => given.has(name));
  if (names.length === 0) return;
  const blank = Object.fromEntries(names.map((name) => [name, null]));
  const insert = store
    .insert(table)
    .values(Object.fromEntries(names.map((name) => [name, sql.placeholder(name)])) as never)
    .prepare();
  for (const row of rows) insert.run({ ...blank, ...row });
}
