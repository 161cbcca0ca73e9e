import type { ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { connect } from '../db/engine/connection';
import { NO_COPIES, type Copies } from '../../core/record/shapes/copies-schema';
import { freePort } from '../system/free-port';
import { copyPictures } from '../pictures/copy';
import { folderShelf, shelfOf } from '../pictures/shelf';
import {
  databaseIn,
  litestreamConfig,
  picturesIn,
  progressIn,
  readUpTo,
  startLitestream,
  type Position,
  type Progress,
} from './litestream';
import { ensureMark, isMarked, isOnSameDisk } from './mark';
import { copiedShelf } from './object-store';
import { copyPlace, placeWords } from './place';
import { clock, pause } from '../system/clock';

/**
 * A program of its own that sees to the copying: it keeps Litestream going, copies the photographs to a folder, and says how it stands
 * to the server that started it. It outlives a server that is killed just so long that the last changes are copied.
 */

/** How often it looks, ms. */
const LOOK_MS = 500;
/** Photographs are copied so often, ms. */
const PICTURES_MS = 2000;
/** Where nothing comes through for so long though something waits, Litestream is begun anew, ms: it waits for ever otherwise. */
const STALLED_MS = 10_000;
/** Between two beginnings, ms. */
const BEGIN_MS = 2000;
/** For the last changes, once the server has ended, ms. */
const LAST_MS = 10_000;

const [database, to] = process.argv.slice(2);
const place = copyPlace(to);
const folder = 'folder' in place ? place.folder : null;
const own = mkdtempSync(join(tmpdir(), 'jolly-copies-'));
const config = join(own, 'litestream.json');
/**
 * Whoever writes a file makes the folders that are missing on the way, also where a disk was pulled a moment ago. Through a link that
 * cannot be: there is nothing then at its end.
 */
for (const part of [databaseIn, picturesIn]) if (folder !== null) symlinkSync(part(folder), part(own));

/** Where the photographs go. */
const shelf = copiedShelf(folder === null ? place : { folder: own });

let state: Copies = { ...NO_COPIES, to: placeWords(place) };
let child: ChildProcess | null = null;
let lastWords = '';
/** When the server ended, in whatever way; null while it runs. */
let serverEnded: number | null = null;

function say(change: Partial<Copies>): void {
  const trouble = change.trouble === undefined ? state.trouble : change.trouble;
  const since = trouble === null ? null : (state.since ?? clock().toISOString());
  state = { ...state, ...change, trouble, since };
  if (process.connected) process.send?.(state);
}

/** Begins Litestream. @returns where it says how far it is */
async function begin(): Promise<number> {
  const port = await freePort();
  // An address may carry a key.
  writeFileSync(config, litestreamConfig(database, folder === null ? place : { folder: own }, port), { mode: 0o600 });
  const begun = startLitestream(config);
  child = begun;
  begun.stderr?.setEncoding('utf8').on('data', (text: string) => {
    for (const line of text.trim().split('\n')) lastWords = wordsIn(line) ?? lastWords;
  });
  begun.on('error', ({ message }) => (lastWords = message));
  begun.once('exit', () => (child = child === begun ? null : child));
  return port;
}

/** Returns what a line of its log says went wrong; null where nothing did. */
function wordsIn(line: string): string | null {
  try {
    const { level, msg, error } = JSON.parse(line) as { level?: string; msg?: string; error?: string };
    return level === 'ERROR' ? (error ?? msg ?? null) : null;
  } catch {
    return null;
  }
}

async function end(): Promise<void> {
  const ended = child;
  if (ended === null) return;
  child = null;
  const gone = new Promise((done) => ended.once('exit', done));
  ended.kill('SIGKILL');
  await gone;
}

async function progress(port: number): Promise<Progress | null> {
  try {
    const response = await fetch(`http://127.0.0.1:${port}/metrics`, { signal: AbortSignal.timeout(2000) });
    return progressIn(await response.text());
  } catch {
    return null;
  }
}

const isPast = (one: Position, other: Position): boolean =>
  one.index > other.index || (one.index === other.index && one.offset >= other.offset);

/** Returns whether this ends too: all is copied that the server wrote, or there was time enough for it. */
function isOver(): boolean {
  if (serverEnded === null) return false;
  const patience = state.trouble === null ? LAST_MS : BEGIN_MS;
  return Date.parse(state.upTo ?? '') >= serverEnded || clock().getTime() > serverEnded + patience;
}

/**
 * A moment, for which it is to be shown that all there was then is copied: two rounds later Litestream has read at least that much,
 * and once that is written at the other place it is so.
 */
type Moment = { at: Date; rounds: number; read: Position | null };

/** Rounds after which there must have been something to write. */
const FIRST_ROUNDS = 3;

/**
 * A change that is nobody's. Where a copy was whole when it was left, there is nothing else to show by that anything comes through.
 * @returns whether it was made
 */
function nudge(): boolean {
  const connection = connect(database, { timeout: LOOK_MS });
  try {
    const version = connection.pragma('user_version', { simple: true }) as number;
    connection.pragma(`user_version = ${(version + 1) % 2}`);
    return true;
  } catch {
    // Another program holds the database; it is tried again.
    return false;
  } finally {
    connection.close();
  }
}

/** Keeps one Litestream going until it ends, stalls, or the folder is gone. @returns why it was ended, in words */
async function follow(mark: string | null): Promise<string> {
  const port = await begin();
  let moment: Moment | null = null;
  let copiedUpTo = 0;
  let isNudged = false;
  let movedAt = clock().getTime();
  for (;;) {
    const at = clock();
    const now = await progress(port);
    if (isOver()) return '';
    if (folder !== null && !isMarked(folder, mark ?? '')) return gone();
    if (child === null) return lastWords || 'Litestream ended';
    if (now !== null) {
      if (moment !== null && moment.read === null && now.rounds >= moment.rounds + 2) moment.read = readUpTo(database);
      if (now.copied === null && now.rounds >= FIRST_ROUNDS && !isNudged) isNudged = nudge();
      if (moment?.read != null && now.copied !== null && isPast(now.copied, moment.read)) {
        say({ upTo: moment.at.toISOString(), trouble: null });
        [moment, movedAt] = [null, clock().getTime()];
      }
      moment ??= { at, rounds: now.rounds, read: null };
      if ((now.copied?.offset ?? 0) !== copiedUpTo) movedAt = clock().getTime();
      copiedUpTo = now.copied?.offset ?? 0;
    }
    if (clock().getTime() - movedAt > STALLED_MS) return lastWords || 'nothing comes through';
    await pause(LOOK_MS);
  }
}

const gone = (): string =>
  'the folder is not the one that was copied to before. Is its disk in place? To begin anew take another folder';

const pidFile = join(dirname(database), 'copies.pid');

function isRunning(pid: number): boolean {
  try {
    return process.kill(pid, 0);
  } catch {
    return false;
  }
}

/** Two that copy one database would spoil each other's copies: the one of a server that was killed may yet be at its last change. */
async function waitForTheLast(): Promise<void> {
  const until = clock().getTime() + LAST_MS + BEGIN_MS;
  const pid = (): number => {
    try {
      return Number(readFileSync(pidFile, 'utf8'));
    } catch {
      return 0;
    }
  };
  while (pid() > 0 && pid() !== process.pid && isRunning(pid()) && clock().getTime() < until) await pause(LOOK_MS / 5);
  writeFileSync(pidFile, String(process.pid));
}

async function copyDatabase(): Promise<void> {
  await waitForTheLast();
  while (!isOver()) {
    try {
      const mark = folder === null ? null : ensureMark(database, folder);
      lastWords = '';
      if (folder === null || isMarked(folder, mark ?? '')) {
        for (const part of [databaseIn, picturesIn]) if (folder !== null) mkdirSync(part(folder), { recursive: true });
        say({ isSameDisk: folder !== null && isOnSameDisk(database, folder) });
        const trouble = await follow(mark);
        if (!isOver()) say({ trouble });
      } else say({ trouble: gone() });
    } catch (error) {
      say({ trouble: (error as Error).message });
    }
    if (isOver()) break;
    await end();
    await pause(BEGIN_MS);
  }
}

async function copyShelf(): Promise<void> {
  if (state.upTo === null || state.trouble !== null) return;
  try {
    await copyPictures(database, folderShelf(shelfOf(database)), shelf);
  } catch (error) {
    say({ trouble: `the photographs cannot be copied: ${(error as Error).message}` });
  }
}

async function copyPhotographs(): Promise<void> {
  while (serverEnded === null) {
    await copyShelf();
    await pause(PICTURES_MS);
  }
}

/** The server has ended and what it wrote is copied: Litestream ends, and all that was made for it goes. */
async function finish(): Promise<void> {
  const last = child;
  if (last !== null) {
    const ended = new Promise((done) => last.once('exit', done));
    last.kill('SIGTERM');
    await Promise.race([ended, pause(BEGIN_MS)]);
    last.kill('SIGKILL');
  }
  await copyShelf();
  rmSync(own, { recursive: true, force: true });
  rmSync(pidFile, { force: true });
  process.exit(0);
}

process.once('disconnect', () => (serverEnded = clock().getTime()));
// It may have ended while this was yet beginning.
if (!process.connected) serverEnded = clock().getTime();
void copyDatabase().then(finish);
void copyPhotographs();
