import { resolve } from 'node:path';
import { databaseFile } from '../environment';
import { StartError } from '../start-error';
import { backUp, restore, type Contents } from './copy';

const words = ({ rigs, coupons, beads }: Contents): string => `${rigs} rigs, ${coupons} coupons, ${beads} beads`;

/**
 * Backs the database up to a file, or puts a backup back.
 * @param what "backup" or "restore"
 * @param given path of the backup file, as typed
 * @param database path of the database
 * @param now names what a restore replaces
 * @returns what was done, a sentence a line
 * @throws StartError when no file is named, or when it cannot be done
 */
export async function copyCommand(
  what: string,
  given: string | undefined,
  database: string = databaseFile(),
  now: Date = new Date(),
): Promise<string[]> {
  if (given === undefined) throw new StartError(`Say which file: npm run ${what} -- FILE`);
  const file = resolve(given);
  if (what === 'backup') return [`Backed up to ${file}, and checked: ${words(await backUp(database, file))}.`];
  const { contents, kept } = restore(file, database, now.toISOString().replace(/[:.]/g, '-'));
  const done = `Restored and checked: ${words(contents)}.`;
  return kept === null ? [done] : [done, `What was there before is kept as ${kept}.`];
}
