import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { readFileSync } from 'node:fs';
import * as schema from '../db/schema';
import { takeIn, type Taken } from './take-in';

/** A file that waits to be taken in, and the database it goes into. */
export type TakingIn = { file: string; database: string; preview: boolean };

/**
 * Takes a file into the database in a thread of its own, on a connection of its own, so that no request waits for it.
 * @returns null where the file is not JSON
 */
export default async function takeFileIn({ file, database, preview }: TakingIn): Promise<Taken | null> {
  let input: unknown;
  try {
    input = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
  const connection = new Database(database, { timeout: 0 });
  try {
    connection.pragma('synchronous = FULL');
    connection.pragma('foreign_keys = ON');
    return await takeIn(drizzle(connection, { schema }), input, preview);
  } finally {
    connection.close();
  }
}
