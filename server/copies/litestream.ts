import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { StartError } from '../errors/start-error';
import type { CopyPlace } from './place';

/**
 * Litestream does the copying: it follows the write-ahead log of the database from a process of its own, writes what is new to
 * another place every half second, and takes a whole copy once a day. Here it is found, told what to do, and asked what there is.
 */

/** How often what is new is sent, and so what may be lost with the machine, ms. */
const EVERY_MS = 500;
/** Whole copies are taken so often and kept so long, so that any moment of that time can be had again, hours. */
const WHOLE_EVERY_H = 24;
const KEPT_H = 30 * 24;

/** Where the copies of the database and of the photographs stand in a folder. */
export const databaseIn = (folder: string): string => join(folder, 'database');
export const picturesIn = (folder: string): string => join(folder, 'pictures');

/** Litestream's own notes on a database, beside it. They belong to that file, and to no other put in its place. */
export const notesBeside = (database: string): string =>
  join(dirname(database), `.${database.slice(dirname(database).length + 1)}-litestream`);

/** The place as Litestream is told it. */
function replicaAt(place: CopyPlace): object {
  if ('folder' in place) return { url: `file://${databaseIn(place.folder)}` };
  const { bucket, path, endpoint, region, keyId, keySecret } = place;
  return {
    ...{ type: 's3', bucket, path: inStore(path, 'database'), endpoint, region, 'force-path-style': true },
    ...{ 'access-key-id': keyId, 'secret-access-key': keySecret },
  };
}

/** The name of something in an object store. */
export const inStore = (path: string, name: string): string => (path === '' ? name : `${path}/${name}`);

/**
 * Path of the program: the one that LITESTREAM names, or that of the package, which there is for Linux on x64 alone.
 * @throws StartError on a machine that has neither
 */
export function litestreamProgram({ LITESTREAM }: Record<string, string | undefined> = process.env): string {
  if (LITESTREAM !== undefined) {
    if (existsSync(LITESTREAM)) return LITESTREAM;
    throw new StartError(
      `LITESTREAM takes the path of the program Litestream 0.3, and there is nothing at ${LITESTREAM}.`,
    );
  }
  const name = `@flydotio/litestream-${process.platform}-${process.arch}`;
  try {
    const program = join(dirname(createRequire(__filename).resolve(`${name}/package.json`)), 'litestream');
    if (existsSync(program)) return program;
  } catch {
    // It is not installed on this machine.
  }
  throw new StartError(
    `Copies are made by Litestream, which is not installed here for ${process.platform} ${process.arch}. Set LITESTREAM to the path of the program (0.3), or start without COPY_TO and copy with: npm run backup -- FILE`,
  );
}

/**
 * Returns what Litestream is told: JSON is YAML.
 * @param port where it says how far it is, to this machine alone
 */
export const litestreamConfig = (database: string, place: CopyPlace, port: number): string =>
  JSON.stringify({
    addr: `127.0.0.1:${port}`,
    logging: { type: 'json', level: 'warn', stderr: true },
    dbs: [
      {
        path: database,
        'monitor-interval': `${EVERY_MS}ms`,
        replicas: [
          {
            ...replicaAt(place),
            'sync-interval': `${EVERY_MS}ms`,
            'snapshot-interval': `${WHOLE_EVERY_H}h`,
            retention: `${KEPT_H}h`,
          },
        ],
      },
    ],
  });

/** Starts copying. @param config path of a file that holds {@link litestreamConfig} */
export const startLitestream = (config: string): ChildProcess =>
  spawn(litestreamProgram(), ['replicate', '-no-expand-env', '-config', config], {
    stdio: ['ignore', 'ignore', 'pipe'],
  });

/** A place in the log of the database, as Litestream numbers it: how often the log was begun anew, and how many bytes of it. */
export type Position = { index: number; offset: number };

/** How often Litestream has looked at the database, and up to where the other place has it: null where nothing was to be written since. */
export type Progress = { rounds: number; copied: Position | null };

/** Reads what Litestream says of itself (Prometheus text). @returns null before it has looked */
export function progressIn(metrics: string): Progress | null {
  const value = (name: string): number | null => {
    const [, found] = new RegExp(`^litestream_${name}\\{[^}]*\\} (\\S+)$`, 'm').exec(metrics) ?? [];
    return found === undefined ? null : Number(found);
  };
  const [rounds, offset] = [value('sync_count'), value('replica_wal_offset')];
  if (rounds === null) return null;
  // Of a place that nothing was written to yet it says that it is at the very first.
  return { rounds, copied: offset ? { index: value('replica_wal_index') ?? 0, offset } : null };
}

/** Up to where Litestream has read the database: it keeps what it read beside it. Its own figure for this is wrong once the log was begun anew. */
export function readUpTo(database: string): Position | null {
  const notes = notesBeside(database);
  try {
    const log = join(notes, 'generations', readFileSync(join(notes, 'generation'), 'utf8').trim(), 'wal');
    const [newest] = readdirSync(log)
      .filter((name) => /^[0-9a-f]{8}\.wal$/.test(name))
      .sort()
      .slice(-1);
    return newest === undefined ? null : { index: parseInt(newest, 16), offset: statSync(join(log, newest)).size };
  } catch {
    return null;
  }
}

const run = promisify(execFile);

/** The last thing it says is what went wrong. */
const wordsOf = (error: unknown): string => {
  const { stderr = '', message } = error as { stderr?: string; message: string };
  const [last = message] = stderr.trim().split('\n').slice(-1);
  const [, quoted] = /error="((?:[^"\\]|\\.)*)"/.exec(last) ?? [];
  return (quoted ?? last.replace(/^.*ERROR /, '')).replaceAll('\\"', '"').slice(0, 300);
};

/**
 * Asks Litestream about copies, or for one. It is told where they are by a file that nobody else reads, for that may hold a key; and
 * wants a database to be there, whose copies they might be.
 */
async function ask(place: CopyPlace, command: string, given: readonly string[] = []): Promise<string> {
  const own = mkdtempSync(join(tmpdir(), 'jolly-asked-'));
  const [database, config] = [join(own, 'record.sqlite'), join(own, 'litestream.json')];
  try {
    writeFileSync(database, '');
    writeFileSync(config, JSON.stringify({ dbs: [{ path: database, replicas: [replicaAt(place)] }] }), { mode: 0o600 });
    const asked = [command, '-no-expand-env', '-config', config, ...given, database];
    const { stdout, stderr } = await run(litestreamProgram(), asked);
    // Of a place that it cannot list it says so, and ends as if there were nothing.
    const [trouble] = /^time=\S+ level=ERROR .*$/m.exec(`${stdout}\n${stderr}`) ?? [];
    if (trouble !== undefined) throw Object.assign(new Error(trouble), { stderr: trouble });
    return stdout;
  } finally {
    rmSync(own, { recursive: true, force: true });
  }
}

/** A stretch of time from which every moment can be had. */
export type Span = { id: string; from: Date; to: Date };

/**
 * The stretches that there are copies of, oldest first; none where there are no copies yet.
 * @throws StartError when the place cannot be read
 */
export async function copiedSpans(place: CopyPlace): Promise<Span[]> {
  if ('folder' in place && !existsSync(databaseIn(place.folder))) return [];
  try {
    return (await ask(place, 'generations'))
      .split('\n')
      .map((line) => /^\S+\s+([0-9a-f]{16})\s+\S+\s+(\S+)\s+(\S+)\s*$/.exec(line))
      .filter((found) => found !== null)
      .map(([, id, from, to]) => ({ id, from: new Date(from), to: new Date(to) }))
      .sort((a, b) => a.to.getTime() - b.to.getTime());
  } catch (error) {
    throw new StartError(`The copies cannot be read (${wordsOf(error)}).`);
  }
}

/**
 * Writes the database as it was at a moment.
 * @param at the moment, or null for the newest there is
 * @param to where it goes; nothing may stand there
 * @throws StartError when it cannot be had
 */
export async function fetchCopy(place: CopyPlace, { id }: Span, at: Date | null, to: string): Promise<void> {
  const moment = at === null ? [] : ['-timestamp', at.toISOString()];
  try {
    await ask(place, 'restore', ['-o', to, '-generation', id, ...moment]);
  } catch (error) {
    throw new StartError(`The copy cannot be read (${wordsOf(error)}).`);
  }
}
