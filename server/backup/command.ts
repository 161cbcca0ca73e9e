import { existsSync, renameSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { copiedSpans, fetchCopy, notesBeside, type Span } from '../copies/litestream';
import { copiedShelf } from '../copies/object-store';
import { copyPlace, placeWords, type CopyPlace } from '../copies/place';
import { copyTo, databaseFile } from '../environment';
import { copyPictures, type CopiedPictures } from '../pictures/copy';
import { folderShelf, shelfOf } from '../pictures/shelf';
import { StartError } from '../errors/start-error';
import { markBegun } from '../db/begin';
import { openStore } from '../db/open';
import { backUp, restore, setAside, type Contents } from './copy';
import { clock } from '../system/clock';

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

const keptWords = (kept: string | null): string[] =>
  kept === null ? [] : [`What was there before is kept as ${kept}.`];

/** Part of the name that a replaced database is kept under. */
const stamp = (now: Date): string => now.toISOString().replace(/[:.]/g, '-');

/** What a command works on. */
export type Standing = {
  database?: string;
  now?: Date;
  /** Where copies are made all the time, where they are. */
  place?: CopyPlace | null;
};

/** `npm run backup -- FILE`: copies the database and its photographs to a file. @returns what was done, a sentence a line */
export async function backupCommand(given: string | undefined, { database = databaseFile() }: Standing = {}) {
  if (given === undefined) throw new StartError('Say which file: npm run backup -- FILE');
  const file = resolve(given);
  const contents = await backUp(database, file);
  const pictures = await copyPictures(file, folderShelf(shelfOf(database)), folderShelf(picturesBeside(file)));
  return [`Backed up to ${file}, and checked: ${words(contents)}.`, ...pictureWords(pictures, picturesBeside(file))];
}

/** In the time of this machine, as it is typed. */
const momentWords = (moment: Date): string => {
  const two = (number: number): string => String(number).padStart(2, '0');
  const day = [moment.getFullYear(), two(moment.getMonth() + 1), two(moment.getDate())].join('-');
  return `${day} ${[moment.getHours(), moment.getMinutes(), moment.getSeconds()].map(two).join(':')}`;
};

/** @throws StartError when it is no moment, or none that was yet */
function momentFrom(text: string, now: Date): Date {
  const isOne = /^\d{4}-\d\d-\d\d[ T]\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)?$/.test(text);
  const moment = new Date(text);
  if (!isOne || Number.isNaN(moment.getTime()))
    throw new StartError(`--at takes a moment such as "${momentWords(now)}", not "${text}".`);
  if (moment > now) throw new StartError(`--at takes a moment that was: ${momentWords(moment)} is yet to come.`);
  return moment;
}

/** Where copies are, or what to say. */
function requirePlace(place: CopyPlace | null): CopyPlace {
  if (place !== null) return place;
  throw new StartError(
    'Say which file, or where the copies are: npm run restore -- FILE, or: npm run restore -- --from FOLDER',
  );
}

async function requireSpans(place: CopyPlace): Promise<[Span, ...Span[]]> {
  const [first, ...others] = await copiedSpans(place);
  if (first === undefined) throw new StartError(`There are no copies in ${placeWords(place)}.`);
  return [first, ...others];
}

const spanWords = ({ from, to }: Span): string => `from ${momentWords(from)} to ${momentWords(to)}`;

/** `npm run copies`: which moments can be had. */
export async function copiesCommand({ place = copyTo() }: Standing = {}): Promise<string[]> {
  const where = requirePlace(place);
  const spans = await requireSpans(where);
  return [`Copies in ${placeWords(where)}:`, ...spans.map((span) => `  every moment ${spanWords(span)}`)];
}

/** The copy as it was at a moment, or the newest: which stretch has it, and what to ask that for. */
function spanAt(spans: readonly [Span, ...Span[]], moment: Date | null): { span: Span; at: Date | null } {
  const newest = spans[spans.length - 1];
  if (moment === null) return { span: newest, at: null };
  // They are listed by the second, and one that began within it has all that there was then.
  const before = spans.filter(({ from }) => from.getTime() <= moment.getTime());
  const span = before[before.length - 1];
  if (span === undefined)
    throw new StartError(`There is no copy as old as that. The oldest is of ${momentWords(spans[0].from)}.`);
  // Between two stretches, and after the last, nothing was written that was copied.
  return { span, at: moment.getTime() >= span.to.getTime() ? null : moment };
}

async function restoreCopy(place: CopyPlace, moment: Date | null, database: string, now: Date): Promise<string[]> {
  const { span, at } = spanAt(await requireSpans(place), moment);
  const fetched = `${database}.fetched`;
  const drop = (): void => {
    for (const part of ['', '-wal', '-shm', '.tmp', '.tmp-wal', '.tmp-shm']) rmSync(fetched + part, { force: true });
  };
  drop();
  try {
    await fetchCopy(place, span, at, fetched);
    const { contents, kept } = restore(fetched, database, stamp(now));
    // What Litestream noted is of the database that was replaced.
    rmSync(notesBeside(database), { recursive: true, force: true });
    const pictures = await copyPictures(database, copiedShelf(place), folderShelf(shelfOf(database)));
    return [
      `Restored as of ${momentWords(at ?? span.to)} from ${placeWords(place)}, and checked: ${words(contents)}.`,
      ...pictureWords(pictures, shelfOf(database)),
      ...keptWords(kept),
    ];
  } finally {
    drop();
  }
}

export type RestoreFlags = { from?: string; at?: string };

/**
 * `npm run restore`: puts a backup back, or what was copied all the time, the newest or as it was at a moment.
 * @param given path of a backup file, as typed
 * @param flags where copies are, else where COPY_TO says; and which moment
 * @returns what was done, a sentence a line
 * @throws StartError when it is not said what, or it cannot be done
 */
export async function restoreCommand(
  given: string | undefined,
  { from, at }: RestoreFlags = {},
  { database = databaseFile(), now = clock(), place = copyTo() }: Standing = {},
): Promise<string[]> {
  if (given === undefined) {
    const where = requirePlace(from === undefined ? place : copyPlace(from, '--from'));
    return restoreCopy(where, at === undefined ? null : momentFrom(at, now), database, now);
  }
  if (from !== undefined || at !== undefined)
    throw new StartError('A backup file is of one moment: leave --from and --at away, or the file.');
  const file = resolve(given);
  const { contents, kept } = restore(file, database, stamp(now));
  // Copies go on with what is in place now.
  if (existsSync(notesBeside(database))) rmSync(notesBeside(database), { recursive: true, force: true });
  const pictures = await copyPictures(database, folderShelf(picturesBeside(file)), folderShelf(shelfOf(database)));
  return [
    `Restored and checked: ${words(contents)}.`,
    ...pictureWords(pictures, shelfOf(database)),
    ...keptWords(kept),
  ];
}

/**
 * `npm run clear`: begins anew with nothing in the record. What there was is kept as a backup is, and can be put back.
 * @returns what was done, a sentence a line
 * @throws StartError when the server runs
 */
export function clearCommand({ database = databaseFile(), now = clock() }: Standing = {}): string[] {
  const kept = setAside(database, stamp(now));
  rmSync(notesBeside(database), { recursive: true, force: true });
  if (kept !== null && existsSync(shelfOf(database))) renameSync(shelfOf(database), picturesBeside(kept));
  const { store, close } = openStore(database);
  markBegun(store);
  close();
  return [
    'The record is empty: no rig, no coupon, no bead, nobody, and no pass phrase.',
    ...(kept === null ? [] : [`What was there before is kept. To put it back: npm run restore -- ${kept}`]),
  ];
}
