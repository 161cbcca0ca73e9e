import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newestRevision } from './changes-since';
import { connect, type Connection } from '../engine/connection';
import { openStore, type OpenedStore } from '../open';
import { listenToOtherSites } from './other-sites';
import { onWritten } from '../records/write';

let folder: string;
let here: OpenedStore;
let elsewhere: Connection;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'jolly-sites-'));
  here = openStore(join(folder, 'shop.sqlite'));
  // What a replica fetches comes into its file as if another program had written it.
  elsewhere = connect(join(folder, 'shop.sqlite'));
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  elsewhere.close();
  here.close();
  rmSync(folder, { recursive: true, force: true });
});

/** A site whose server answers or not, and has this waiting for it. */
function site() {
  const state = { isThere: true, waiting: 0, asked: 0 };
  const sync = (): boolean => {
    state.asked += 1;
    if (state.isThere)
      for (; state.waiting > 0; state.waiting--) elsewhere.exec('UPDATE ledger SET revision = revision + 1');
    return state.isThere;
  };
  const heard: number[] = [];
  onWritten(here.store, (revision) => heard.push(revision));
  return { state, heard, end: listenToOtherSites(here.store, { sync } as never) };
}

it('tells those who listen of what other sites wrote, within a second and once', () => {
  const { state, heard, end } = site();
  const before = newestRevision(here.store);
  jest.advanceTimersByTime(1000);
  expect(heard).toEqual([]);
  state.waiting = 2;
  jest.advanceTimersByTime(1000);
  expect(heard).toEqual([before + 2]);
  jest.advanceTimersByTime(5000);
  expect(heard).toEqual([before + 2]);
  end();
  state.waiting = 1;
  jest.advanceTimersByTime(60_000);
  expect(heard).toEqual([before + 2]);
});

it('asks a server that does not answer more rarely, and goes on when it is back', () => {
  const { state, heard, end } = site();
  const before = newestRevision(here.store);
  state.isThere = false;
  state.waiting = 1;
  jest.advanceTimersByTime(1000);
  expect(state.asked).toBe(1);
  jest.advanceTimersByTime(14_000);
  expect(state.asked).toBe(1);
  state.isThere = true;
  jest.advanceTimersByTime(1000);
  expect(heard).toEqual([before + 1]);
  jest.advanceTimersByTime(3000);
  expect(state.asked).toBe(5);
  end();
});
