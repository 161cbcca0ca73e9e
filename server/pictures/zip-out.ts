import { Zip, ZipPassThrough } from 'fflate';
import { connect, storeOn } from '../db/engine/connection';
import { filesNamed } from '../db/records/pictures';
import { hasFile, readFileOf, shelfOf } from './shelf';

/** Where a picture stands in the ZIP, and by what it is known again. */
const nameInZip = (hash: string): string => `pictures/${hash}.jpg`;

/**
 * Every picture's file as one ZIP, one after the other as they are read. They are packed already, so they are put in as they
 * are. A file that is not here is left out: the record still names it.
 */
export async function* picturesZip(database: string): AsyncGenerator<Uint8Array> {
  const connection = connect(database, { readonly: true });
  let hashes: string[];
  try {
    hashes = filesNamed(storeOn(connection));
  } finally {
    connection.close();
  }
  const shelf = shelfOf(database);
  let made: Uint8Array[] = [];
  let fault: Error | null = null;
  const zip = new Zip((error, piece) => {
    fault ??= error;
    made.push(piece);
  });
  const taken = (): Uint8Array[] => {
    if (fault !== null) throw fault;
    const pieces = made;
    made = [];
    return pieces;
  };
  for (const hash of hashes) {
    if (!hasFile(shelf, hash)) continue;
    const entry = new ZipPassThrough(nameInZip(hash));
    zip.add(entry);
    entry.push(await readFileOf(shelf, hash), true);
    yield* taken();
  }
  zip.end();
  yield* taken();
}
