import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from './engine/connection';
import { StartError } from '../errors/start-error';
import { loadWorkshop } from '../demo/load';
import { faultIn, openStore } from './open';
import { itOnSqlite } from '../testing/engine';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'jolly-open-'));
  file = join(folder, 'jolly-tinker.sqlite');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Why a database is not opened. */
function refusal(of: string): string {
  try {
    openStore(of).close();
  } catch (error) {
    expect(error).toBeInstanceOf(StartError);
    return (error as StartError).message;
  }
  throw new Error('it was opened');
}

describe('opening the database', () => {
  it('makes its folder, and writes so that a pulled plug loses nothing', () => {
    const deep = join(folder, 'a', 'b', 'shop.sqlite');
    const { connection, close } = openStore(deep);
    expect(connection.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(connection.pragma('synchronous', { simple: true })).toBe(2);
    expect(connection.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(faultIn(connection)).toBeNull();
    close();
    expect(existsSync(deep)).toBe(true);
  });

  it('is refused where the folder is a file, or the file a folder', () => {
    const plain = join(folder, 'a-file');
    writeFileSync(plain, '');
    expect(refusal(join(plain, 'x.sqlite'))).toBe(
      `DATA_DIR takes a folder, and ${plain} is a file. Set DATA_DIR to another place.`,
    );
    expect(refusal(join(plain, 'deeper', 'x.sqlite'))).toBe(
      `The folder ${join(plain, 'deeper')} cannot be written to. Set DATA_DIR to a folder that can.`,
    );
    mkdirSync(file);
    expect(refusal(file)).toBe(
      `The database ${file} is a folder. Set DATA_DIR to another place, or move that folder away.`,
    );
  });

  it('is refused where the file is no database, and leaves it as it is', () => {
    writeFileSync(file, 'a text that is long enough to be taken for a database, but is none at all'.repeat(20));
    expect(refusal(file)).toMatch(/^The database \S+ cannot be opened \(file is not a database\)\. Set DATA_DIR /);
    expect(readFileSync(file, 'utf8')).toMatch(/^a text/);
  });

  it('is refused when it was made by a newer version, and not when by this one', () => {
    openStore(file).close();
    openStore(file).close();
    const later = connect(file);
    later.prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)').run('x', 9e15);
    later.close();
    expect(refusal(file)).toMatch(/was made by a newer version of this program\. Start that one instead\.$/);
  });

  it('is refused when it is damaged: pages that were overwritten, a row that names one that is gone', () => {
    const { store, close } = openStore(file);
    loadWorkshop(store, Date.parse('2026-05-04T09:00:00Z'), false);
    close();
    const whole = readFileSync(file);
    const orphaned = connect(file);
    orphaned.pragma('foreign_keys = OFF');
    orphaned.exec('DELETE FROM rigs');
    orphaned.close();
    expect(refusal(file)).toMatch(
      /is damaged \(a row of \w+ names one that is not there\)\. Put a backup back with: npm run restore -- FILE$/,
    );
    const spoilt = Buffer.from(whole);
    spoilt.fill(0xff, 3 * 4096, 12 * 4096);
    for (const part of ['-wal', '-shm']) rmSync(file + part, { force: true });
    writeFileSync(file, spoilt);
    expect(refusal(file)).toMatch(/is damaged .*npm run restore|cannot be opened/);
  });

  itOnSqlite('says that another program holds it', () => {
    openStore(file).close();
    const other = connect(file);
    other.pragma('locking_mode = EXCLUSIVE');
    other.exec('BEGIN EXCLUSIVE');
    expect(refusal(file)).toBe(`The database ${file} is in use by another program. Stop that one first.`);
    other.exec('COMMIT');
    other.close();
    openStore(file).close();
  });
});
