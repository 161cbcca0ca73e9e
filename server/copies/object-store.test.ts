import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Copies } from '../../core/record/shapes/copies-schema';
import { copiesCommand, restoreCommand } from '../backup/command';
import { fileName } from '../pictures/shelf';
import { StartError } from '../errors/start-error';
import { renameRig as rename, rigNames, untilCopied, untilCopyingEnded } from '../testing/destroy';
import { MortalServer } from '../testing/faults';
import { KEY_ID, KEY_SECRET, openObjectStore, type ObjectStore } from '../testing/object-store';
import { requireNoOldCopies } from './copying';
import { copiedShelf } from './object-store';
import { copyPlace, type ObjectPlace } from './place';

let objects: ObjectStore;
let at: string;
let dataDir: string;
let running: MortalServer | null = null;
beforeEach(async () => {
  at = mkdtempSync(join(tmpdir(), 'jolly-objects-'));
  dataDir = join(at, 'data');
  objects = await openObjectStore();
});
afterEach(async () => {
  await running?.kill('SIGKILL');
  running = null;
  await untilCopyingEnded(dataDir);
  await objects.close();
  rmSync(at, { recursive: true, force: true });
});

const KEY = { COPY_KEY_ID: KEY_ID, COPY_KEY_SECRET: KEY_SECRET };
const address = (): string => `s3://yard/copies?endpoint=${objects.endpoint}`;
const place = (key = KEY): ObjectPlace => copyPlace(address(), 'COPY_TO', key) as ObjectPlace;
const DATABASE = 'jolly-tinker.sqlite';

async function untilTold(server: MortalServer, isIt: (copies: Copies) => boolean): Promise<Copies> {
  for (;;) {
    const { json } = await server.ask<Copies>('/copies');
    if (isIt(json)) return json;
    await pause(100);
  }
}

describe('a record that is copied to an object store', () => {
  it('comes back from it on another machine, with its photographs, and what the store could not take is copied later', async () => {
    running = await MortalServer.start(dataDir, ['--weeks'], { COPY_TO: address(), ...KEY });
    const state = await untilCopied(running);
    expect(state).toEqual(
      expect.objectContaining({
        to: `s3://yard/copies at ${new URL(objects.endpoint).host}`,
        isSameDisk: false,
        trouble: null,
      }),
    );
    const pictures = (): string[] =>
      [...objects.objects.keys()].filter((key) => key.startsWith('yard/copies/pictures/'));
    // Seven photographs, each whole and small.
    while (pictures().length < 14) await pause(100);
    objects.isDown = true;
    await rename(running, 'While it was down');
    const { since } = await untilTold(running, ({ trouble }) => trouble !== null);
    expect(since).not.toBeNull();
    objects.isDown = false;
    await untilTold(running, ({ trouble }) => trouble === null);
    await untilCopied(running);
    await running.kill('SIGTERM');
    await untilCopyingEnded(dataDir);
    // Where all was copied when it ended, it says so again though nobody writes.
    await running.begin();
    await untilCopied(running);
    await running.kill('SIGTERM');
    await untilCopyingEnded(dataDir);
    rmSync(dataDir, { recursive: true });

    const other = join(at, 'other', DATABASE);
    mkdirSync(join(at, 'other'));
    await expect(requireNoOldCopies(other, place())).rejects.toThrow(
      /^There are copies of a record in s3:\/\/yard\/copies at /,
    );
    const [, listed] = await copiesCommand({ place: place() });
    expect(listed).toMatch(/^ {2}every moment from \d{4}-/);
    const said = await restoreCommand(undefined, {}, { database: other, place: place() });
    expect(said[0]).toMatch(/^Restored as of .* from s3:\/\/yard\/copies at \S+, and checked: 3 rigs, /);
    expect(said[1]).toMatch(/: 7 copied, 0 there already\.$/);
    expect(rigNames(other)).toContain('While it was down');
    expect(readdirSync(join(at, 'other', 'pictures')).length).toBeGreaterThan(0);
  });

  it('is not had with another key, nor from a store that is away', async () => {
    const wrong = place({ ...KEY, COPY_KEY_ID: 'somebody' });
    await expect(copiesCommand({ place: wrong })).rejects.toThrow(StartError);
    await expect(copiedShelf(wrong).has('aa/x.jpg')).rejects.toThrow('the object store does not take it: AccessDenied');
    await expect(copiesCommand({ place: place() })).rejects.toThrow(/^There are no copies in s3:/);
    const { close } = objects;
    await close();
    objects.close = async () => undefined;
    // Else a new record would be begun over the copies of the old one.
    for (const ask of [
      () => copiesCommand({ place: place() }),
      () => requireNoOldCopies(join(dataDir, DATABASE), place()),
    ])
      await expect(ask()).rejects.toThrow(/^The copies cannot be read \(.*connection refused/);
  });
});

it('keeps files by their names, finds what is there in any number of pages, and asks for the list once', async () => {
  objects.page = 3;
  const first = copiedShelf(place());
  const names = Array.from({ length: 8 }, (_, i) => fileName(`${i}a`.repeat(32), 'whole'));
  for (const name of names) await first.write(name, Buffer.from(name));
  const second = copiedShelf(place());
  for (const name of names) expect([name, await second.has(name)]).toEqual([name, true]);
  expect(await second.has('9a/none.jpg')).toBe(false);
  expect((await second.read(names[5]))?.toString()).toBe(names[5]);
  expect(await second.read('9a/none.jpg')).toBeNull();
  // Another's are none of it.
  expect(await copiedShelf({ ...place(), path: 'cop' }).has(names[0])).toBe(false);
  objects.isDown = true;
  expect(await second.has(names[0])).toBe(true);
  const third = copiedShelf(place());
  await expect(third.has(names[0])).rejects.toThrow('SlowDown');
  objects.isDown = false;
  expect(await third.has(names[0])).toBe(true);
  await first.write('9a/none.jpg', Buffer.from('now'));
  expect(await first.has('9a/none.jpg')).toBe(true);
});
