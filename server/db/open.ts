import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { accessSync, constants, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { type Connection, connect, engineFrom, storeOn } from './engine/connection';
import { StartError } from '../errors/start-error';
import { completeOldBeads } from './log/complete';
import { listAnew } from './log/entries';
import { setStaleTriggers } from './log/stale';
import type { Store } from './engine/store';

export type OpenedStore = { store: Store; connection: Connection; close: () => void };

export const MIGRATIONS = join(__dirname, 'migrations');

/** When each version of the schema was made, oldest first, in ms since 1970. */
function versions(folder: string): number[] {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  return journal.entries.map(({ when }) => when);
}

/** The version a database file was last brought to, or null for a new one. */
function versionOf(connection: Connection): number | null {
  const table = connection.prepare("SELECT 1 FROM sqlite_master WHERE name = '__drizzle_migrations'").get();
  if (table === undefined) return null;
  return connection.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get() as number | null;
}

/** Says what is wrong with the folder of a database before SQLite says it less plainly. */
function requireFolder(file: string): void {
  const folder = dirname(file);
  if (existsSync(folder) && !statSync(folder).isDirectory())
    throw new StartError(`DATA_DIR takes a folder, and ${folder} is a file. Set DATA_DIR to another place.`);
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch {
    throw new StartError(`The folder ${folder} cannot be written to. Set DATA_DIR to a folder that can.`);
  }
  if (existsSync(file) && statSync(file).isDirectory())
    throw new StartError(`The database ${file} is a folder. Set DATA_DIR to another place, or move that folder away.`);
}

/** The first fault SQLite finds in a database, or null. */
export function faultIn(connection: Connection): string | null {
  const said = connection.pragma('quick_check(1)', { simple: true }) as string;
  if (said !== 'ok') return said.replace(/\s+/g, ' ');
  const orphan = connection.pragma('foreign_key_check') as { table: string }[];
  return orphan.length === 0 ? null : `a row of ${orphan[0].table} names one that is not there`;
}

/**
 * Opens the database file, checks it and brings it to the newest version.
 * @param file path of the SQLite file; its folder is made
 * @throws StartError when it cannot be opened, is damaged, is no database, or was made by a newer version
 */
export function openStore(file: string): OpenedStore {
  requireFolder(file);
  let connection: Connection | null = null;
  try {
    // A lock held elsewhere is waited for between requests, not inside one.
    connection = connect(file, { timeout: 0 });
    const isReplica = engineFrom(process.env).kind === 'replica';
    // How a replica is written to disk is the business of the server that it is one of.
    if (!isReplica) {
      connection.pragma('journal_mode = WAL');
      connection.pragma('synchronous = FULL');
    }
    connection.pragma('foreign_keys = ON');
    const [newest] = versions(MIGRATIONS).slice(-1);
    const version = versionOf(connection);
    if (version !== null && version > newest)
      throw new StartError(`The database ${file} was made by a newer version of this program. Start that one instead.`);
    // Two sites must not both bring one database up, and not every step can be done from afar.
    if (isReplica && version !== newest)
      throw new StartError(
        'The database of the libSQL server is of another version. Bring it up where that server runs: see docs/sites.md.',
      );
    const fault = faultIn(connection);
    if (fault !== null)
      throw new StartError(
        `The database ${file} is damaged (${fault}). Put a backup back with: npm run restore -- FILE`,
      );
    const store = storeOn(connection);
    if (!isReplica) {
      migrate(store, { migrationsFolder: MIGRATIONS });
      setStaleTriggers(connection);
      completeOldBeads(store);
      store.transaction(() => listAnew(store));
    }
    const opened = connection;
    return { store, connection, close: () => void opened.close() };
  } catch (error) {
    connection?.close();
    if (error instanceof StartError) throw error;
    const { code = '', message } = error as { code?: string; message: string };
    if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED'))
      throw new StartError(`The database ${file} is in use by another program. Stop that one first.`);
    throw new StartError(
      `The database ${file} cannot be opened (${message}). Set DATA_DIR to a folder you may write to, or move that file away.`,
    );
  }
}
