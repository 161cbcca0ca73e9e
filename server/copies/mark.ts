import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { v7 } from 'uuid';

/**
 * A folder that is copied to carries a mark. A disk that is not in place leaves an empty folder behind, and what is copied
 * there would stand on the machine's own disk: so nothing is copied to a folder that has lost its mark.
 */
const MARK = 'jolly-tinker-copies.txt';
const SAYS = 'Copies of a Jolly Tinker record. They are put back with: npm run restore -- --from';

/** What is remembered beside the database: where it was copied to, and the mark there. */
type Remembered = { folder: string; mark: string };

const rememberedIn = (database: string): string => join(dirname(database), 'copies.json');

function remembered(database: string): Remembered | null {
  try {
    return JSON.parse(readFileSync(rememberedIn(database), 'utf8')) as Remembered;
  } catch {
    return null;
  }
}

function markIn(folder: string): string | null {
  try {
    const [, mark = null] = /^mark (\S+)$/m.exec(readFileSync(join(folder, MARK), 'utf8')) ?? [];
    return mark;
  } catch {
    return null;
  }
}

/** The mark that a folder has to carry. One that was never copied to is made, and gets its mark. @throws what the disk says */
export function ensureMark(database: string, folder: string): string {
  const before = remembered(database);
  if (before !== null && before.folder === folder) return before.mark;
  mkdirSync(folder, { recursive: true });
  const mark = markIn(folder) ?? v7();
  if (markIn(folder) === null) writeFileSync(join(folder, MARK), `${SAYS} ${folder}\nmark ${mark}\n`);
  writeFileSync(rememberedIn(database), JSON.stringify({ folder, mark } satisfies Remembered));
  return mark;
}

export const isMarked = (folder: string, mark: string): boolean => markIn(folder) === mark;

/** Returns whether a folder stands on the disk that the database stands on. */
export function isOnSameDisk(database: string, folder: string): boolean {
  return existsSync(folder) && statSync(folder).dev === statSync(dirname(database)).dev;
}
