import '@/platform/testing/device';
import { waitFor } from '@testing-library/react';
import type { Changes, HistoryEntry } from '@/core/record/change/change-schema';
import type { Coupon } from '@/core/record/shapes/record-schema';
import { clearDeviceDatabase, deviceDatabase } from '@/client/outbox/device-database';
import { CONFLICTS, deviceId } from '@/client/stored/device-state';
import { resetOutbox, enqueue, readOutbox, pendingNow } from '@/client/outbox/outbox';
import { platform, replacePlatform } from '@/platform/ports';
import { quickTimers } from '@/platform/testing/timers';
import { forgetMemory, stored } from '@/platform/stored';
import { noteConflicts, settleConflict } from './conflicts';
import { seeChanges, startListening } from './change-feed';
import { couponKey, recordsClient, RIGS, seeAnswer } from './records-client';
import { makeChange, startSending } from './send-changes';
import { serverAnswered, serverState } from './server-state';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const NOTHING_NEW: Changes = {
  ...{ rigs: [], coupons: [], beads: [], proven: [], welds: [], levels: [], pictures: [], overriding: [] },
  ...{ upTo: 7, more: false, anew: false },
};
type Answer = { status: number; body: unknown } | 'lost';
let answers: (path: string, body: { id: string }) => Answer;
let asked: string[];
let stop: () => void = () => undefined;

beforeEach(async () => {
  let count = 100;
  asked = [];
  const texts = new Map<string, string>();
  await clearDeviceDatabase();
  resetOutbox();
  forgetMemory();
  serverAnswered();
  replacePlatform({
    ...quickTimers,
    now: () => new Date('2026-05-04T09:30:00.000Z'),
    newId: () => ID((count += 1)),
    storage: {
      read: (key) => texts.get(key) ?? null,
      write: (key, text) => void texts.set(key, text),
      onForeignWrite: () => () => undefined,
    },
    request: async (path, { body, signal }) => {
      asked.push(path);
      const answer = answers(path, body === undefined ? { id: '' } : JSON.parse(String(body)));
      if (answer === 'lost') throw new TypeError('Failed to fetch');
      // The server waits where there is nothing new.
      if (answer.body === NOTHING_NEW && !path.endsWith('wait=0'))
        await new Promise((_, fail) =>
          signal!.addEventListener('abort', () => fail(new DOMException('x', 'AbortError'))),
        );
      return { ok: answer.status === 200, status: answer.status, json: async () => answer.body } as Response;
    },
  });
});
afterEach(() => {
  stop();
  replacePlatform(null);
});

const note = (of: number, text: string) => makeChange('change-bead', ID(of), { note: text }, 3);
const entry = (id: string): HistoryEntry => ({
  ...{ id, kind: 'change-bead', of: ID(20), couponId: ID(1), device: ID(9), by: null, madeAt: 'x', revision: 9 },
  ...{ fields: {}, before: {}, overrode: [] },
});
const taken = (id: string): Answer => ({ status: 200, body: { entry: entry(id) } });

describe('sending what waits', () => {
  it('sends one after the other, in order, each until it is answered', async () => {
    const sent: string[] = [];
    const losses = [true, true, false, true, false, false];
    answers = (_, { id }) => {
      sent.push(id);
      return losses[sent.length - 1] ? 'lost' : taken(id);
    };
    const changes = [note(1, 'a'), note(2, 'b'), note(1, 'c')];
    await enqueue(changes);
    stop = startSending(recordsClient());
    await waitFor(() => expect(pendingNow()).toEqual([]));
    const [a, b, c] = changes.map(({ id }) => id);
    expect(sent).toEqual([a, a, a, b, b, c]);
    expect(serverState()).toEqual({ away: false, trouble: null, asksWho: false });
  });

  it('waits with all of it while the device is shut out, and goes at once when it is in again', async () => {
    let [isIn, sent] = [false, 0];
    const out = { status: 401, body: { code: 'not-in', detail: 'Come in first.' } };
    answers = (_, { id }) => ((sent += 1), isIn ? taken(id) : out);
    await enqueue([note(1, 'a'), note(2, 'b')]);
    stop = startSending(recordsClient());
    await waitFor(() => expect(serverState()).toEqual({ away: false, trouble: null, asksWho: true }));
    await waitFor(() => expect(sent).toBeGreaterThan(2));
    expect(pendingNow().map(({ refused }) => refused)).toEqual([null, null]);
    isIn = true;
    const before = sent;
    serverAnswered();
    await waitFor(() => expect(pendingNow()).toEqual([]));
    expect(sent).toBe(before + 2);
  });

  it('waits with all of it while the server is in trouble, says so in its words, and loses nothing', async () => {
    const full = { status: 507, body: { code: 'disk-full', detail: 'Make room on the disk.' } };
    let isFull = true;
    answers = (_, { id }) => (isFull ? full : taken(id));
    await enqueue([note(1, 'a'), note(2, 'b')]);
    stop = startSending(recordsClient());
    await waitFor(() => expect(serverState().trouble).toBe('Make room on the disk.'));
    expect(pendingNow().map(({ refused }) => refused)).toEqual([null, null]);
    isFull = false;
    await waitFor(() => expect(pendingNow()).toEqual([]));
    expect(serverState().trouble).toBeNull();
  });

  it('sets aside what the server refuses and what it breaks over again and again, and goes on behind it', async () => {
    const [refused, broken, fine] = [note(1, 'a'), note(2, 'b'), note(3, 'c')];
    answers = (_, { id }) =>
      id === refused.id
        ? { status: 404, body: { code: 'not-found', detail: 'No such bead.' } }
        : id === broken.id
          ? { status: 500, body: { code: 'broken', detail: 'Something broke here.' } }
          : taken(id);
    await enqueue([refused, broken, fine]);
    stop = startSending(recordsClient());
    await waitFor(() => expect(pendingNow()).toHaveLength(2));
    expect(pendingNow().map(({ refused: why }) => why)).toEqual([
      { code: 'not-found', detail: 'No such bead.' },
      { code: 'broken', detail: 'Something broke here.' },
    ]);
  });

  it('sends from one tab alone where the browser can tell them apart, and only once it is that tab’s turn', async () => {
    answers = (_, { id }) => taken(id);
    let grant: (() => void) | null = null;
    const named: string[] = [];
    const locks = {
      request: (name: string, { signal }: { signal: AbortSignal }, run: () => Promise<void>) =>
        new Promise<void>((done, fail) => {
          named.push(name);
          signal.addEventListener('abort', () => fail(new DOMException('stopped', 'AbortError')));
          grant = () => void run().then(done);
        }),
    };
    Object.defineProperty(globalThis.navigator, 'locks', { value: locks, configurable: true });
    const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    try {
      await enqueue([note(1, 'a')]);
      stop = startSending(recordsClient());
      await new Promise((later) => setTimeout(later, 30));
      expect(asked).toEqual([]);
      expect(named).toEqual(['jolly-sending']);
      grant!();
      await waitFor(() => expect(pendingNow()).toEqual([]));
      // Stopped while it waits for its turn, that is no fault.
      const end = startSending(recordsClient());
      end();
      await new Promise((later) => setTimeout(later, 10));
      expect(warned).not.toHaveBeenCalled();
    } finally {
      warned.mockRestore();
      Object.defineProperty(globalThis.navigator, 'locks', { value: undefined, configurable: true });
    }
  });

  it('sends nothing any more once it is stopped', async () => {
    answers = (_, { id }) => taken(id);
    const end = startSending(recordsClient());
    end();
    await enqueue([note(1, 'a')]);
    await new Promise((later) => setTimeout(later, 50));
    expect(asked).toEqual([]);
    expect(await readOutbox()).toHaveLength(1);
  });
});

const COUPON = {
  ...{ id: ID(1), rigId: ID(3), title: 'Plate', putAway: false, job: { id: ID(4) }, revision: 5, nextNumber: 2 },
  ...{ beads: [{ id: ID(20), number: 1, note: '', revision: 5 }], setups: [], jobs: [], rigName: 'Dock' },
  rig: { id: ID(3), name: 'Dock', setup: { id: ID(2) } },
} as unknown as Coupon;
const row = (change: object) => ({ ...COUPON, ...change }) as never;

describe('what others write', () => {
  const seen = () => {
    const client = recordsClient();
    client.setQueryData(couponKey(ID(1)), COUPON);
    client.setQueryData([...couponKey(ID(1)), 'history'], []);
    client.setQueryData(RIGS, [{ id: ID(3), name: 'Dock' }]);
    const now = (): Coupon => client.getQueryData(couponKey(ID(1)))!;
    return { client, now };
  };

  it('stands in the records at once: a new bead in its place, a rig wherever it is shown', () => {
    const { client, now } = seen();
    const bead = { id: ID(21), couponId: ID(1), number: 2, setupId: ID(2), revision: 8, takenBack: false } as never;
    const rig = { id: ID(3), name: 'Anvil', setup: { id: ID(2) } } as never;
    seeChanges(client, { ...NOTHING_NEW, beads: [bead], rigs: [rig], coupons: [row({ revision: 8 })] });
    expect(now().beads.map(({ id }) => id)).toEqual([ID(20), ID(21)]);
    expect([now().nextNumber, now().revision, now().rigName]).toEqual([3, 8, 'Anvil']);
    expect(now().setups).toEqual([{ id: ID(2) }]);
    expect(client.getQueryData<{ name: string }[]>(RIGS)!.map(({ name }) => name)).toEqual(['Anvil']);
    expect(client.getQueryState(couponKey(ID(1)))!.isInvalidated).toBe(false);
  });

  it('that is older than what is known changes nothing; a bead that was taken back is gone', () => {
    const { client, now } = seen();
    const old = { ...COUPON.beads[0], couponId: ID(1), note: 'old', revision: 5 };
    seeChanges(client, { ...NOTHING_NEW, beads: [old], coupons: [row({ revision: 5, title: 'Old' })] });
    expect(now()).toBe(COUPON);
    expect(client.getQueryState(couponKey(ID(1)))!.isInvalidated).toBe(false);
    const gone = { ...old, takenBack: true, revision: 6 };
    seeChanges(client, { ...NOTHING_NEW, beads: [gone] });
    expect(now().beads).toEqual([]);
  });

  it('is fetched anew where more than a bead changed: another name, rig, job or place', () => {
    for (const change of [{ title: 'Pin' }, { rigId: ID(8) }, { job: { id: ID(9) } }, { putAway: true }]) {
      const { client, now } = seen();
      seeChanges(client, { ...NOTHING_NEW, coupons: [row({ revision: 9, ...change })] });
      expect(client.getQueryState(couponKey(ID(1)))!.isInvalidated).toBe(true);
      expect(now().revision).toBe(5);
    }
  });

  it('is listened for, the server found away and found again, without a gap', async () => {
    let isAway = true;
    const since: string[] = [];
    answers = (path) => {
      if (isAway) return 'lost';
      if (path === '/api/health') return { status: 200, body: { ok: true, revision: 60 } };
      if (path === '/api/rigs') return { status: 200, body: [] };
      if (!path.startsWith('/api/changes')) return { status: 200, body: { coupons: [], next: null } };
      since.push(path);
      return { status: 200, body: since.length < 3 ? { ...NOTHING_NEW, upTo: 60 + since.length } : NOTHING_NEW };
    };
    stop = startListening(recordsClient());
    await waitFor(() => expect(serverState().away).toBe(true));
    isAway = false;
    await waitFor(() => expect(since).toHaveLength(3));
    expect(since).toEqual(['10', '61', '62'].map((from, i) => `/api/changes?since=${from}&wait=${i === 0 ? 0 : 20}`));
    expect(serverState().away).toBe(false);
  });
});

describe('a conflict', () => {
  const met = (device: string | null, other: string | null): HistoryEntry => ({
    ...entry(ID(40)),
    device,
    fields: { outcome: 'sound', takenBack: true },
    overrode: [
      { field: 'outcome', was: 'better', by: ID(39), device: other },
      { field: 'takenBack', was: false, by: ID(39), device: other },
    ],
  });

  it('is noted on the device whose change stands and on the one whose does not, once, and on no other', () => {
    const me = deviceId();
    noteConflicts(met(ID(8), ID(9)));
    expect(stored(CONFLICTS)).toEqual([]);
    noteConflicts(met(me, ID(9)));
    noteConflicts(met(me, ID(9)));
    expect(stored(CONFLICTS)).toEqual([
      expect.objectContaining({ field: 'outcome', was: 'better', now: 'sound', mine: 'later', settled: false }),
    ]);
    noteConflicts({ ...met(null, me), id: ID(41) });
    expect(stored(CONFLICTS).map(({ mine }) => mine)).toEqual(['later', 'earlier']);
  });

  it('that was settled is not brought up again', () => {
    noteConflicts(met(deviceId(), ID(9)));
    settleConflict(stored(CONFLICTS)[0].id);
    noteConflicts(met(deviceId(), ID(9)));
    expect(stored(CONFLICTS).map(({ settled }) => settled)).toEqual([true]);
  });
});

describe('what was seen', () => {
  const ask = (client: ReturnType<typeof recordsClient>): Promise<Coupon> =>
    client.fetchQuery({
      queryKey: couponKey(ID(1)),
      queryFn: async () => (await platform().request(`/api/coupons/${ID(1)}`, { method: 'GET' })).json(),
    });

  it('stands on the next visit, is asked for anew, and goes on standing where the server is away', async () => {
    answers = () => ({ status: 200, body: COUPON });
    expect((await ask(recordsClient())).title).toBe('Plate');
    await waitFor(async () => expect(await (await deviceDatabase()).count('seen')).toBe(1));
    answers = () => 'lost';
    const away = recordsClient();
    asked = [];
    expect((await ask(away)).title).toBe('Plate');
    await waitFor(() => expect(asked.length).toBeGreaterThan(0));
    expect(away.getQueryData<Coupon>(couponKey(ID(1)))!.title).toBe('Plate');
    answers = () => ({ status: 200, body: { ...COUPON, title: 'Pin' } });
    const back = recordsClient();
    await ask(back);
    await waitFor(() => expect(back.getQueryData<Coupon>(couponKey(ID(1)))!.title).toBe('Pin'));
  });

  it('of a coupon that no screen shows is not left behind by a bead that was logged on it', async () => {
    answers = () => ({ status: 200, body: { ...COUPON, title: 'With the bead' } });
    const client = recordsClient();
    const bead = { ...COUPON.beads[0], couponId: ID(1) };
    await seeAnswer(client, { entry: entry(ID(30)), bead });
    expect(asked).toEqual([`/api/coupons/${ID(1)}`]);
    const [kept] = await (await deviceDatabase()).getAll('seen');
    expect(kept).toContain('With the bead');
  });
});
