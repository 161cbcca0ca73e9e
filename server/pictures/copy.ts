import { createHash } from 'node:crypto';
import { connect } from '../db/engine/connection';
import { fileName, type Shelf } from './shelf';

/** What became of the files that a database names. */
export type CopiedPictures = { copied: number; there: number; missing: number };

/** The files that the pictures of a database name; none in one from before there were any. */
function namesIn(database: string): string[] {
  const connection = connect(database, { readonly: true });
  try {
    const table = connection.prepare("SELECT 1 FROM sqlite_master WHERE name = 'pictures'").get();
    if (table === undefined) return [];
    return connection.prepare('SELECT DISTINCT hash FROM pictures ORDER BY hash').pluck().all() as string[];
  } finally {
    connection.close();
  }
}

const isWhole = (file: Buffer | null, hash: string): file is Buffer =>
  file !== null && createHash('sha256').update(file).digest('hex') === hash;

/**
 * Copies the files that the pictures of a database name from one shelf to another, those that are there already left out. Each
 * is read and held against its name first: one that is damaged is counted as missing, and a good copy is never put over by it.
 * @throws what the disk says, or the store
 */
export async function copyPictures(database: string, from: Shelf, to: Shelf): Promise<CopiedPictures> {
  const done: CopiedPictures = { copied: 0, there: 0, missing: 0 };
  for (const hash of namesIn(database)) {
    const [small, whole] = [fileName(hash, 'small'), fileName(hash, 'whole')];
    if (await to.has(whole)) {
      done.there += 1;
      continue;
    }
    const [smallFile, wholeFile] = [await from.read(small), await from.read(whole)];
    if (smallFile === null || !isWhole(wholeFile, hash)) {
      done.missing += 1;
      continue;
    }
    // The whole one last: where it is, both are.
    await to.write(small, smallFile);
    await to.write(whole, wholeFile);
    done.copied += 1;
  }
  return done;
}
