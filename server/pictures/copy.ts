import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { dirname } from 'node:path';
import { connect } from '../db/connection';
import { hasFile, placeOf, writeWhole } from './shelf';

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

const isWhole = (place: string, hash: string): boolean =>
  existsSync(place) && createHash('sha256').update(readFileSync(place)).digest('hex') === hash;

/**
 * Copies the files that the pictures of a database name from one shelf to another, those that are there already left out. Each
 * is read and held against its name first: one that is damaged is counted as missing, and a good copy is never put over by it.
 */
export async function copyPictures(database: string, from: string, to: string): Promise<CopiedPictures> {
  const done: CopiedPictures = { copied: 0, there: 0, missing: 0 };
  for (const hash of namesIn(database)) {
    if (hasFile(to, hash)) done.there += 1;
    else if (!isWhole(placeOf(from, hash, 'whole'), hash)) done.missing += 1;
    else {
      mkdirSync(dirname(placeOf(to, hash, 'whole')), { recursive: true });
      for (const size of ['small', 'whole'] as const)
        await writeWhole(placeOf(to, hash, size), await readFile(placeOf(from, hash, size)));
      done.copied += 1;
    }
  }
  return done;
}
