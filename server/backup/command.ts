import { resolve } from 'node:path';
import { databaseFile } from '../environment';
import { copyPictures, type CopiedPictures } from '../pictures/copy';
import { shelfOf } from '../pictures/shelf';
import { StartError } from '../start-error';
import { backUp, restore, type Contents } from './copy';

/** Beside the copy of a database stand its pictures. */
const picturesBeside = (file: string): string => `${file}.pictures`;

const words = ({ rigs, coupons, beads }: Contents): string => `${rigs} rigs, ${coupons} coupons, ${beads} beads`;

/** Nothing is said of a workshop that has no pictures. */
function pictureWords({ copied, there, missing }: CopiedPictures, shelf: string): string[] {
  if (copied + there + missing === 0) return [];
  const whole = `Pictures in ${shelf}: ${copied} copied, ${there} there already.`;
  return missing === 0
    ? [whole]
    : [whole, `The files of ${missing} pictures are missing or damaged; the record names them still.`];
}

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
  if (what === 'backup') {
    const contents = await backUp(database, file);
    const pictures = await copyPictures(file, shelfOf(database), picturesBeside(file));
    return [`Backed up to ${file}, and checked: ${words(contents)}.`, ...pictureWords(pictures, picturesBeside(file))];
  }
  const { contents, kept } = restore(file, database, now.toISOString().replace(/[:.]/g, '-'));
  const pictures = await copyPictures(database, picturesBeside(file), shelfOf(database));
  return [
    `Restored and checked: ${words(contents)}.`,
    ...pictureWords(pictures, shelfOf(database)),
    ...(kept === null ? [] : [`What was there before is kept as ${kept}.`]),
  ];
}
