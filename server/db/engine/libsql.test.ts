import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartError } from '../../errors/start-error';
import { connect, engineFrom, type Connection } from './connection';

const ENGINES = [{ kind: 'sqlite' }, { kind: 'libsql', file: null }] as const;

let folder: string;
let file: string;
let open: Connection[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'jolly-engine-'));
  file = join(folder, 'a.sqlite');
});
afterEach(() => {
  open.forEach((one) => one.close());
  open = [];
  rmSync(folder, { recursive: true, force: true });
});

describe.each(ENGINES)('a database opened by $kind', (engine) => {
  const opened = (how = {}): Connection => {
    const connection = connect(file, how, engine);
    open.push(connection);
    return connection;
  };
  const made = (): Connection => {
    const connection = opened();
    connection.pragma('journal_mode = WAL');
    connection.exec('CREATE TABLE things (id INTEGER PRIMARY KEY, name TEXT, bytes BLOB) STRICT');
    return connection;
  };
  const codeOf = (work: () => unknown): string => {
    try {
      work();
    } catch (error) {
      return String((error as { code?: string }).code);
    }
    return 'nothing';
  };

  it('gives rows, lists and single values alike, also of bytes and of nothing', () => {
    const connection = made();
    const bytes = Buffer.from([1, 2, 255]);
    const put = connection.prepare('INSERT INTO things (name, bytes) VALUES (?, ?)');
    expect(put.run('one', bytes)).toEqual({ changes: 1, lastInsertRowid: 1 });
    put.run(null, null);
    expect(connection.prepare('SELECT id FROM things WHERE bytes = ?').get(bytes)).toEqual({ id: 1 });
    expect(connection.prepare('SELECT * FROM things ORDER BY id').all()).toEqual([
      { id: 1, name: 'one', bytes },
      { id: 2, name: null, bytes: null },
    ]);
    expect(connection.prepare('SELECT id, name FROM things').raw().all()).toEqual([
      [1, 'one'],
      [2, null],
    ]);
    expect(connection.prepare('SELECT name FROM things').pluck().all()).toEqual(['one', null]);
    expect(connection.prepare('SELECT count(*) FROM things').pluck().get()).toBe(2);
    expect(connection.prepare('SELECT * FROM things WHERE id = ?').get(9)).toBeUndefined();
    expect([...connection.prepare('SELECT id FROM things').iterate()]).toEqual([{ id: 1 }, { id: 2 }]);
    expect(connection.pragma('journal_mode', { simple: true })).toBe('wal');
  });

  it('does all of a transaction or nothing of it', () => {
    const connection = made();
    const put = (id: number) => connection.prepare('INSERT INTO things (id) VALUES (?)').run(id);
    const twice = connection.transaction((id: number) => {
      put(1);
      put(id);
    });
    expect(codeOf(() => twice.immediate(1))).toBe('SQLITE_CONSTRAINT_PRIMARYKEY');
    expect(connection.inTransaction).toBe(false);
    expect(connection.prepare('SELECT count(*) FROM things').pluck().get()).toBe(0);
    twice.immediate(2);
    expect(connection.prepare('SELECT count(*) FROM things').pluck().get()).toBe(2);
  });

  it('shows what another wrote since, and says that it is held', () => {
    const [one, other] = [made(), opened()];
    const count = () => one.prepare('SELECT id FROM things ORDER BY id DESC').pluck().get();
    // More than are read ahead: a question that is left half-way would stay at what was so then.
    const many = Array.from({ length: 300 }, (_, i) => `(${i + 1})`).join(', ');
    other.exec(`INSERT INTO things (id) VALUES ${many}`);
    expect(count()).toBe(300);
    other.exec('INSERT INTO things (id) VALUES (301)');
    expect(count()).toBe(301);
    other.exec('BEGIN IMMEDIATE');
    expect(codeOf(() => one.exec('BEGIN IMMEDIATE'))).toBe('SQLITE_BUSY');
    other.exec('COMMIT');
  });

  it('is read without being written or made', () => {
    expect(codeOf(() => connect(join(folder, 'none'), { readonly: true }, engine))).toBe('SQLITE_CANTOPEN');
    made().exec('INSERT INTO things (id) VALUES (1)');
    const reader = opened({ readonly: true });
    expect(reader.prepare('SELECT count(*) FROM things').pluck().get()).toBe(1);
    expect(codeOf(() => reader.exec('DELETE FROM things'))).toBe('SQLITE_READONLY');
  });
});

describe('DATABASE_URL', () => {
  it('names the engine, or is refused', () => {
    expect(engineFrom({})).toEqual({ kind: 'sqlite' });
    expect(engineFrom({ DATABASE_URL: 'file:' })).toEqual({ kind: 'libsql', file: null });
    expect(engineFrom({ DATABASE_URL: 'file:/a/b.sqlite' })).toEqual({ kind: 'libsql', file: '/a/b.sqlite' });
    expect(engineFrom({ DATABASE_URL: 'https://yard.local:8080', DATABASE_TOKEN: 'x' })).toEqual({
      kind: 'replica',
      primary: { url: 'https://yard.local:8080', token: 'x' },
    });
    for (const DATABASE_URL of ['', 'postgres://a', '/a/b', 'http://'])
      expect(() => engineFrom({ DATABASE_URL })).toThrow(StartError);
  });
});
