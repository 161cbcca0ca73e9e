import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';
import { closeSync, createReadStream, fstatSync, openSync, readSync } from 'node:fs';
import { isFileNamed } from '../db/records/pictures';
import type { Store } from '../db/engine/store';
import { lookAtStored, NotTaken, type LookedAt } from './look';
import { hasFile, putFile } from './shelf';

/** A ZIP of pictures may be so large: some thousand of them. */
export const ZIP_LIMIT_MB = 2048;
/** One picture, unpacked: larger ones are not kept here. */
const ENTRY_LIMIT_MB = 16;
const MOST_ENTRIES = 20_000;
/** The list that a ZIP ends with stands in its last bytes, before a remark of up to 65,535. */
const LONGEST_END = 22 + 65_535;
/** Reasons that are told: a person reads no more. */
const MOST_REASONS = 20;

/** What taking a ZIP in comes to. */
export type PicturesReport = {
  added: number;
  same: number;
  refused: number;
  reasons: string[];
  /** Whether they were put on the shelf: only where none is refused. */
  done: boolean;
};

/** The whole file is no ZIP that is taken. */
class NoZip extends Error {}

const NAME = /^pictures\/([0-9a-f]{64})\.jpg$/;
const shown = (name: string): string => JSON.stringify(name.length > 80 ? `${name.slice(0, 80)}…` : name);

/** Why an entry is not even unpacked; null where it may be. */
function nameRefused(name: string): string | null {
  if (NAME.test(name)) return null;
  if (/(^|[\\/])\.\.([\\/]|$)/.test(name) || /^([\\/]|[a-zA-Z]:)/.test(name))
    return `${shown(name)} leads out of the ZIP; nothing of it is taken.`;
  return `${shown(name)} is no picture of a record: those are named "pictures/…jpg" by what they hold.`;
}

type Entry = { name: string; content: Buffer };

/** Returns whether a ZIP has the list that it ends with: one that was cut short between two files has not. */
function hasEnd(file: string): boolean {
  const handle = openSync(file, 'r');
  try {
    const { size } = fstatSync(handle);
    const tail = Buffer.alloc(Math.min(size, LONGEST_END));
    readSync(handle, tail, 0, tail.length, size - tail.length);
    return tail.includes('PK\x05\x06', 0, 'latin1');
  } finally {
    closeSync(handle);
  }
}

/**
 * Goes through a ZIP as it is read from the disk, an entry at a time, so that little more than one is ever unpacked; how large one
 * is, is counted as it comes, whatever the ZIP says of it.
 * @throws NoZip where it cannot be read as a ZIP
 */
async function* entriesOf(file: string): AsyncGenerator<Entry> {
  const done: Entry[] = [];
  let count = 0;
  let underWay = 0;
  let fault: string | null = null;
  const unzip = new Unzip((entry: UnzipFile) => {
    count += 1;
    if (count > MOST_ENTRIES) throw new NoZip(`It holds more than ${MOST_ENTRIES} files.`);
    const { name } = entry;
    if (name === 'pictures/') return;
    const why = nameRefused(name);
    // What is not unpacked would be held back whole, so nothing after it is read.
    if (why !== null) throw new NoZip(why);
    underWay += 1;
    const pieces: Uint8Array[] = [];
    let bytes = 0;
    // What is thrown in here is taken for a fault of the packing, so what is wrong is said after it.
    entry.ondata = (error, piece, final) => {
      if (fault !== null) return;
      if (error !== null) {
        fault = `${shown(name)} cannot be unpacked.`;
        return;
      }
      bytes += piece.length;
      if (bytes > ENTRY_LIMIT_MB * 1024 * 1024) {
        fault = `${shown(name)} unpacks to more than ${ENTRY_LIMIT_MB} MB: no picture does.`;
        entry.terminate();
        return;
      }
      pieces.push(piece);
      if (!final) return;
      underWay -= 1;
      done.push({ name, content: Buffer.concat(pieces) });
    };
    entry.start();
  });
  const push = (chunk: Uint8Array, final = false): Entry[] => {
    unzip.push(chunk, final);
    if (fault !== null) throw new NoZip(fault);
    return done.splice(0);
  };
  unzip.register(UnzipInflate);
  let isFirst = true;
  try {
    for await (const chunk of createReadStream(file, { highWaterMark: 16 * 1024 }) as AsyncIterable<Buffer>) {
      if (isFirst && chunk.toString('latin1', 0, 2) !== 'PK') throw new NoZip('It does not begin as a ZIP does.');
      isFirst = false;
      yield* push(chunk);
    }
    if (isFirst) throw new NoZip('It is empty.');
    yield* push(new Uint8Array(), true);
    if (underWay > 0 || !hasEnd(file)) throw new NoZip('It ends too early.');
  } catch (error) {
    if (error instanceof NoZip) throw error;
    throw new NoZip('It is damaged.');
  }
}

/** Returns what is to be done with one picture of a ZIP. */
async function taken(store: Store, shelf: string, { name, content }: Entry): Promise<LookedAt | 'same' | string> {
  const [, hash] = NAME.exec(name)!;
  if (!isFileNamed(store, hash))
    return `${shown(name)}: no picture of this record has it. Take the record in first, as JSON.`;
  if (hasFile(shelf, hash)) return 'same';
  try {
    return await lookAtStored(content, hash);
  } catch (error) {
    if (error instanceof NotTaken) return `${shown(name)}: ${error.message}.`;
    throw error;
  }
}

/**
 * Takes the files of pictures in that the record names, all or nothing: it is gone through whole before anything is kept.
 * @param preview only says what it would come to
 */
export async function importPictures(
  store: Store,
  shelf: string,
  file: string,
  preview: boolean,
): Promise<PicturesReport> {
  const told: PicturesReport = { added: 0, same: 0, refused: 0, reasons: [], done: false };
  const refuse = (why: string): void => {
    told.refused += 1;
    if (told.reasons.length < MOST_REASONS) told.reasons.push(why);
  };
  /** Names are counted once, however often they stand in it. */
  const seen = new Set<string>();
  const goThrough = async (each: (looked: LookedAt) => Promise<void>): Promise<void> => {
    for await (const entry of entriesOf(file)) {
      if (seen.has(entry.name)) refuse(`${shown(entry.name)} stands in it twice.`);
      else {
        seen.add(entry.name);
        const what = await taken(store, shelf, entry);
        if (what === 'same') told.same += 1;
        else if (typeof what === 'string') refuse(what);
        else await each(what);
      }
    }
  };
  try {
    await goThrough(async () => void (told.added += 1));
    if (preview || told.refused > 0) return told;
    seen.clear();
    told.same = 0;
    await goThrough(async (looked) => void (await putFile(shelf, looked)));
    return { ...told, done: true };
  } catch (error) {
    if (!(error instanceof NoZip)) throw error;
    return { ...told, refused: told.refused + 1, reasons: [`This is no ZIP of pictures. ${error.message}`] };
  }
}
