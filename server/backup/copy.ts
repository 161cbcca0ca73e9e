import { closeSync, copyFileSync, existsSync, fsyncSync, mkdirSync, openSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { connect, copyInto, type Connection } from '../db/engine/connection';
import { faultIn } from '../db/open';
import { StartError } from '../errors/start-error';

/** What a backup holds, for saying so. */
export type Contents = { rigs: number; coupons: number; beads: number };

function contentsOf(connection: Connection): Contents {
  const count = (table: string): number => connection.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;
  return { rigs: count('rigs'), coupons: count('coupons'), beads: count('beads') };
}

/** Opens a file that must be a database of this product and finds it whole. @throws StartError when it is not */
function checked(file: string): Contents {
  if (!existsSync(file)) throw new StartError(`There is no file ${file}.`);
  let connection: Connection | null = null;
  try {
    connection = connect(file, { readonly: true });
    const fault = faultIn(connection);
    if (fault !== null) throw new StartError(`${file} is damaged (${fault}).`);
    return contentsOf(connection);
  } catch (error) {
    if (error instanceof StartError) throw error;
    throw new StartError(`${file} is no database of this product (${(error as Error).message}).`);
  } finally {
    connection?.close();
  }
}

function flushed(file: string): void {
  const handle = openSync(file, 'r');
  fsyncSync(handle);
  closeSync(handle);
}

/**
 * Copies a database that may be in use, through SQLite's own online copy, and checks the copy before it gets its name.
 * @param file the database
 * @param to where the copy goes; an older copy there is replaced only by a whole one
 * @returns what the copy holds
 * @throws StartError when there is no database, or the copy is not whole
 */
export async function backUp(file: string, to: string): Promise<Contents> {
  if (!existsSync(file)) throw new StartError(`There is no database at ${file} to back up.`);
  mkdirSync(dirname(to), { recursive: true });
  const unfinished = `${to}.unfinished`;
  const connection = connect(file, { readonly: true, timeout: 5000 });
  try {
    await copyInto(connection, unfinished);
  } finally {
    connection.close();
  }
  const contents = checked(unfinished);
  rmSync(`${unfinished}-wal`, { force: true });
  rmSync(`${unfinished}-shm`, { force: true });
  flushed(unfinished);
  renameSync(unfinished, to);
  return contents;
}

/** Returns whether another program has a database open: it then cannot be had for oneself. */
function isInUse(file: string): boolean {
  const connection = connect(file, { timeout: 0 });
  try {
    connection.pragma('locking_mode = EXCLUSIVE');
    connection.exec('BEGIN EXCLUSIVE; COMMIT');
    connection.pragma('wal_checkpoint(TRUNCATE)');
    return false;
  } catch (error) {
    if (/^SQLITE_(BUSY|LOCKED)/.test((error as { code?: string }).code ?? '')) return true;
    // A database that cannot be read is in nobody's use, and is kept as it is.
    return false;
  } finally {
    connection.close();
  }
}

/**
 * Moves a database out of the way, with all that belongs to it.
 * @param stamp part of the name under which it is kept
 * @returns where it is now, or null where there was none
 * @throws StartError when it is in use
 */
export function setAside(file: string, stamp: string): string | null {
  if (!existsSync(file)) return null;
  if (isInUse(file)) throw new StartError('The database is in use. Stop the server first.');
  const kept = `${file}.before-${stamp}`;
  for (const part of ['', '-wal', '-shm']) if (existsSync(file + part)) renameSync(file + part, kept + part);
  return kept;
}

/**
 * Puts a backup in the place of a database. The backup is checked first; what it replaces is kept beside it.
 * @param from the backup
 * @param file the database
 * @param stamp part of the name under which the replaced one is kept
 * @returns what is in place now, and where the replaced one is, or null where there was none
 * @throws StartError when the backup is not whole, or the database is in use
 */
export function restore(from: string, file: string, stamp: string): { contents: Contents; kept: string | null } {
  const contents = checked(from);
  mkdirSync(dirname(file), { recursive: true });
  const unfinished = `${file}.unfinished`;
  try {
    copyFileSync(from, unfinished);
    flushed(unfinished);
    const kept = setAside(file, stamp);
    renameSync(unfinished, file);
    return { contents, kept };
  } finally {
    rmSync(unfinished, { force: true });
  }
}
