import { readFileSync } from 'node:fs';
import { connect, storeOn } from '../db/engine/connection';
import type { Store } from '../db/engine/store';
import { importRecord, type ImportReport } from './import-record';

/** A file that waits to be taken in, and the database it goes into. */
export type ImportJob = { file: string; database: string; preview: boolean };

/** A file as JSON; undefined where it is none. */
function readJson(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as unknown;
  } catch {
    return undefined;
  }
}

/** The same on a connection that there is already: two replicas on one file would spoil it. */
export async function takeFileInto(store: Store, { file, preview }: ImportJob): Promise<ImportReport | null> {
  const input = readJson(file);
  return input === undefined ? null : importRecord(store, input, preview);
}

/**
 * Takes a file into the database in a thread of its own, on a connection of its own, so that no request waits for it.
 * @returns null where the file is not JSON
 */
export default async function takeFileIn({ file, database, preview }: ImportJob): Promise<ImportReport | null> {
  const input = readJson(file);
  if (input === undefined) return null;
  const connection = connect(database, { timeout: 0 });
  try {
    connection.pragma('synchronous = FULL');
    connection.pragma('foreign_keys = ON');
    return await importRecord(storeOn(connection), input, preview);
  } finally {
    connection.close();
  }
}
