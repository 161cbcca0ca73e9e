import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { existsSync } from 'node:fs';
import { StartError } from '../../errors/start-error';
import { openLibsql, type Primary } from './libsql';
import * as schema from '../tables/schema';
import type { Store } from './store';

export type Connection = Database.Database;

/** Which engine opens databases: SQLite's own; libSQL on a file; or libSQL on a file that is a replica of another site's. */
export type Engine =
  { kind: 'sqlite' } | { kind: 'libsql'; file: string | null } | { kind: 'replica'; primary: Primary };

/**
 * The engine that DATABASE_URL names: none, `file:` with or without a path, or the address of a libSQL server.
 * @throws StartError when it is something else
 */
export function engineFrom({ DATABASE_URL: url, DATABASE_TOKEN: token }: Record<string, string | undefined>): Engine {
  if (url === undefined) return { kind: 'sqlite' };
  if (url.startsWith('file:')) return { kind: 'libsql', file: url.slice('file:'.length) || null };
  if (/^(libsql|https?):\/\/[^/]+/.test(url)) return { kind: 'replica', primary: { url, token } };
  throw new StartError(
    'DATABASE_URL takes file: and a path, or the address of a libSQL server (libsql://, https://). Leave it away for SQLite in DATA_DIR.',
  );
}

export type HowOpened = {
  /** A database that is not there is not made then. */
  readonly?: boolean;
  /** How long a lock held elsewhere is waited for, ms. */
  timeout?: number;
};

/**
 * Opens a database file by the engine that the environment names; every file is opened here.
 * @throws what SQLite says, with its code
 */
export function connect(file: string, how: HowOpened = {}, engine: Engine = engineFrom(process.env)): Connection {
  if (engine.kind === 'sqlite') return new Database(file, how);
  if (how.readonly === true && !existsSync(file))
    throw Object.assign(new Error('unable to open database file'), { code: 'SQLITE_CANTOPEN' });
  // Who reads a replica alone needs nobody else.
  const primary = engine.kind === 'replica' && how.readonly !== true ? engine.primary : null;
  return openLibsql(file, { ...how, primary });
}

/** The queries' view of a connection. */
export const storeOn = (connection: Connection): Store => drizzle(connection, { schema });

/** Copies a database that may be in use to a file. */
export async function copyInto(connection: Connection, to: string): Promise<void> {
  if (engineFrom(process.env).kind === 'sqlite') {
    await connection.backup(to);
    return;
  }
  // To libSQL this too is writing.
  connection.pragma('query_only = OFF');
  connection.prepare('VACUUM INTO ?').run(to);
}
