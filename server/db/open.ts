import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import * as schema from './schema';

export type Store = BetterSQLite3Database<typeof schema>;
export type OpenedStore = { store: Store; close: () => void };

/** Something the person who starts the server can cure; its message is one sentence that says how. */
export class StartError extends Error {}

const MIGRATIONS = join(__dirname, 'migrations');

/**
 * Opens the database file and brings it to the newest version.
 * @param file path of the SQLite file; its folder is made
 * @throws StartError when the file cannot be opened or is no database
 */
export function openStore(file: string): OpenedStore {
  try {
    mkdirSync(dirname(file), { recursive: true });
    const connection = new Database(file);
    connection.pragma('journal_mode = WAL');
    connection.pragma('foreign_keys = ON');
    const store = drizzle(connection, { schema });
    migrate(store, { migrationsFolder: MIGRATIONS });
    return { store, close: () => connection.close() };
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    throw new StartError(
      `The database ${file} cannot be opened (${reason}). Set DATA_DIR to a folder you may write to, or move that file away.`,
    );
  }
}
