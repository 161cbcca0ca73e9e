import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { LookedAt } from './look';

/** Where the files of pictures stand: beside the database, in folders by the first letters of their names. */
export const shelfOf = (database: string): string => join(dirname(database), 'pictures');

export type PictureSize = 'whole' | 'small';

/** Returns what a file is called on any shelf. @param hash 64 hexadecimal letters: nothing else is ever made into a path */
export function fileName(hash: string, size: PictureSize): string {
  if (!/^[0-9a-f]{64}$/.test(hash)) throw new RangeError('no name of a picture');
  return `${hash.slice(0, 2)}/${size === 'whole' ? `${hash}.jpg` : `${hash}.small.jpg`}`;
}

/** Where a file stands in a folder. */
export const placeOf = (shelf: string, hash: string, size: PictureSize): string => join(shelf, fileName(hash, size));

export const hasFile = (shelf: string, hash: string): boolean => existsSync(placeOf(shelf, hash, 'whole'));

export const readFileOf = (shelf: string, hash: string): Promise<Buffer> => readFile(placeOf(shelf, hash, 'whole'));

/** Writes a file under another name first, so that what has its name is whole; and to the disk before it is spoken of. */
async function writeWhole(place: string, content: Buffer): Promise<void> {
  const unfinished = `${place}.${randomUUID()}.unfinished`;
  const file = await open(unfinished, 'wx');
  try {
    await file.writeFile(content);
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(unfinished, place);
}

/** Puts a picture on the shelf; one that stands there already is left. @returns whether it is new */
export async function putFile(shelf: string, { file: { hash }, whole, small }: LookedAt): Promise<boolean> {
  const place = placeOf(shelf, hash, 'whole');
  if (existsSync(place)) return false;
  await mkdir(dirname(place), { recursive: true });
  await writeWhole(placeOf(shelf, hash, 'small'), small);
  await writeWhole(place, whole);
  return true;
}

/** Where files of pictures are kept, by their names: a folder, or an object store. */
export type Shelf = {
  has: (name: string) => Promise<boolean>;
  /** Null where there is none. */
  read: (name: string) => Promise<Buffer | null>;
  write: (name: string, content: Buffer) => Promise<void>;
};

/** A folder as a shelf. */
export const folderShelf = (folder: string): Shelf => ({
  has: async (name) => existsSync(join(folder, name)),
  read: async (name) => (existsSync(join(folder, name)) ? readFile(join(folder, name)) : null),
  write: async (name, content) => {
    await mkdir(dirname(join(folder, name)), { recursive: true });
    await writeWhole(join(folder, name), content);
  },
});

/** Takes a picture off the shelf that nothing names. */
export async function dropFile(shelf: string, hash: string): Promise<void> {
  await rm(placeOf(shelf, hash, 'whole'), { force: true });
  await rm(placeOf(shelf, hash, 'small'), { force: true });
}
