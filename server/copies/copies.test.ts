import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Copies } from '../../core/record/shapes/copies-schema';
import { copiesCommand, restoreCommand } from '../backup/command';
import { shelfOf } from '../pictures/shelf';
import { StartError } from '../errors/start-error';
import {
  destroyWhileWriting,
  killCopying,
  renameRig as rename,
  rigNames,
  untilCopied,
  untilCopyingEnded,
} from '../testing/destroy';
import { MortalServer } from '../testing/faults';
import { requireNoOldCopies } from './copying';

let at: string;
let dataDir: string;
let copies: string;
beforeEach(() => {
  at = mkdtempSync(join(tmpdir(), 'jolly-copies-'));
  [dataDir, copies] = [join(at, 'data'), join(at, 'copies')];
});
afterEach(async () => {
  await running?.kill('SIGKILL');
  running = null;
  await untilCopyingEnded(dataDir);
  rmSync(at, { recursive: true, force: true });
});

let running: MortalServer | null = null;
async function start(): Promise<MortalServer> {
  running = await MortalServer.start(dataDir, ['--weeks'], { COPY_TO: copies });
  // It says that it is ready before its copying has begun.
  while (!existsSync(join(dataDir, 'copies.pid'))) await pause(20);
  return running;
}
const DATABASE = 'jolly-tinker.sqlite';

async function untilTold(server: MortalServer, like: RegExp | null): Promise<Copies> {
  for (;;) {
    const { json } = await server.ask<Copies>('/copies');
    if (like === null ? json.trouble === null : like.test(json.trouble ?? '')) return json;
    await pause(100);
  }
}

async function stop(server: MortalServer): Promise<void> {
  await server.kill('SIGTERM');
  await untilCopyingEnded(dataDir);
}

const second = (date: Date): Date => new Date(Math.ceil(date.getTime() / 1000) * 1000);

describe('a record that is copied all the time', () => {
  it('is lost with its machine, and nothing is lost that was said to be copied', async () => {
    const loss = await destroyWhileWriting(at, { writers: 3, writesMs: 3000, least: 60 });
    expect(loss.acknowledged).toBeGreaterThanOrEqual(60);
    expect(loss).toEqual(expect.objectContaining({ holes: 0, lostThoughCopied: 0 }));
    // What was put back goes on from there, whole.
    expect(rigNames(join(dataDir, DATABASE))).toHaveLength(3);
  });

  it('comes back as it was at a moment, or as it was last, with its photographs', async () => {
    const server = await start();
    await rename(server, 'As it was');
    await untilCopied(server);
    const moment = second(new Date());
    await pause(moment.getTime() + 1000 - Date.now());
    await rename(server, 'As it is');
    const state = await untilCopied(server);
    expect(state).toEqual(expect.objectContaining({ to: copies, isSameDisk: true, trouble: null }));
    // A change of the last instant is copied once the server has ended.
    await rename(server, 'As it was last');
    await stop(server);
    rmSync(dataDir, { recursive: true });

    const place = { folder: copies };
    const [, listed] = await copiesCommand({ place });
    expect(listed).toMatch(/^ {2}every moment from \d{4}-\d\d-\d\d \d\d:\d\d:\d\d to \d{4}-\d\d-\d\d \d\d:\d\d:\d\d$/);
    const to = join(dataDir, DATABASE);
    const said = await restoreCommand(undefined, { at: moment.toISOString() }, { database: to, place });
    expect(said[0]).toMatch(/^Restored as of .* from \S+copies, and checked: 3 rigs, \d+ coupons, \d+ beads\.$/);
    expect(said[1]).toMatch(/: 7 copied, 0 there already\.$/);
    expect(rigNames(to)).toEqual(expect.arrayContaining(['As it was']));
    const [, , kept] = await restoreCommand(undefined, {}, { database: to, place });
    expect(kept).toMatch(/^What was there before is kept as /);
    expect(rigNames(to)).toEqual(expect.arrayContaining(['As it was last']));
    expect(rigNames(to)).not.toContain('As it is');
    expect(readdirSync(shelfOf(to)).length).toBeGreaterThan(0);
    expect(readdirSync(dataDir).filter((name) => /fetched|unfinished|litestream/.test(name))).toEqual([]);
    // It goes on being copied, and both what was before and what is after can be had.
    const again = await start();
    await rename(again, 'After it came back');
    await stop(again);
    const other = join(at, 'other', DATABASE);
    await restoreCommand(undefined, {}, { database: other, place });
    expect(rigNames(other)).toContain('After it came back');
    await restoreCommand(undefined, { at: moment.toISOString() }, { database: other, place });
    expect(rigNames(other)).toContain('As it was');
  });

  it('is not copied to what a pulled disk leaves behind, and is again once it is back', async () => {
    const server = await start();
    await untilCopied(server);
    renameSync(copies, `${copies}.pulled`);
    mkdirSync(copies);
    const { since } = await untilTold(server, /Is its disk in place\?/);
    expect(Date.parse(since!)).toBeGreaterThan(0);
    await rename(server, 'While it was pulled');
    expect(readdirSync(copies)).toEqual([]);
    // Nor by a server that is started anew.
    await server.kill();
    await server.begin();
    await untilTold(server, /Is its disk in place\?/);
    expect(readdirSync(copies)).toEqual([]);
    rmSync(copies, { recursive: true });
    renameSync(`${copies}.pulled`, copies);
    await untilTold(server, null);
    await untilCopied(server);
    await stop(server);
    const other = join(at, 'other', DATABASE);
    await restoreCommand(undefined, { from: copies }, { database: other });
    expect(rigNames(other)).toContain('While it was pulled');
  });

  it('is copied again after the other place could not be written for a while, or the copying was killed', async () => {
    const server = await start();
    await untilCopied(server);
    const place = join(copies, 'database');
    renameSync(place, `${place}.away`);
    writeFileSync(place, 'no folder');
    await rename(server, 'While it could not');
    expect((await untilTold(server, /./)).trouble).toMatch(/\S/);
    rmSync(place);
    renameSync(`${place}.away`, place);
    await untilTold(server, null);
    await untilCopied(server);
    killCopying(dataDir);
    await untilTold(server, /begun anew/);
    await rename(server, 'After it was killed');
    await untilTold(server, null);
    await stop(server);
    const other = join(at, 'other', DATABASE);
    await restoreCommand(undefined, { from: copies }, { database: other });
    expect(rigNames(other)).toContain('After it was killed');
  });

  it('is copied to its last change though the server is killed, and never by two', async () => {
    const server = await start();
    await untilCopied(server);
    await rename(server, 'The last word');
    const copier = readFileSync(join(dataDir, 'copies.pid'), 'utf8');
    await server.kill('SIGKILL');
    await server.begin();
    await untilCopied(server);
    expect(readFileSync(join(dataDir, 'copies.pid'), 'utf8')).not.toBe(copier);
    expect(() => process.kill(Number(copier), 0)).toThrow('ESRCH');
    await server.kill('SIGKILL');
    await untilCopyingEnded(dataDir);
    const other = join(at, 'other', DATABASE);
    await restoreCommand(undefined, { from: copies }, { database: other });
    expect(rigNames(other)).toContain('The last word');
    expect(statSync(join(dataDir, 'copies.json')).isFile()).toBe(true);
  });
});

describe('a new record', () => {
  it('is not begun over the copies of one that was lost', async () => {
    const server = await start();
    await untilCopied(server);
    await stop(server);
    const database = join(dataDir, DATABASE);
    await expect(requireNoOldCopies(database, { folder: copies })).resolves.toBeUndefined();
    rmSync(dataDir, { recursive: true });
    await expect(requireNoOldCopies(database, { folder: copies })).rejects.toThrow(
      /There are copies of a record in \S+, and no database at \S+\. Put it back with: npm run restore\./,
    );
    await expect(start()).rejects.toThrow('ended before');
    expect(existsSync(database)).toBe(false);
    await expect(requireNoOldCopies(database, { folder: join(at, 'new') })).resolves.toBeUndefined();
  });
});

describe('putting back', () => {
  const NOW = new Date('2026-05-04T09:30:00');
  const refused = (flags: object, file?: string) =>
    expect(restoreCommand(file, flags, { database: join(at, DATABASE), now: NOW, place: { folder: copies } })).rejects;

  it('says what it takes, and that there is nothing', async () => {
    await refused({ at: 'yesterday' }).toThrow('--at takes a moment such as "2026-05-04 09:30:00", not "yesterday".');
    await refused({ at: '2026-05-04' }).toThrow('--at takes a moment');
    await refused({ at: '2026-13-04 10:00' }).toThrow('--at takes a moment');
    await refused({ at: '2026-05-04 09:31' }).toThrow(
      '--at takes a moment that was: 2026-05-04 09:31:00 is yet to come.',
    );
    await refused({}).toThrow(`There are no copies in ${copies}.`);
    await refused({ from: 'http://elsewhere' }).toThrow(/^--from takes a folder .*; not "http:\/\/elsewhere"\.$/);
    await refused({ at: '2026-05-04 09:00' }, 'a-file').toThrow('A backup file is of one moment');
    await expect(restoreCommand(undefined, {}, { database: at, place: null })).rejects.toThrow(StartError);
  });
});
