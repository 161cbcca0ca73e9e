import '../../platform/testing/device';
import type { Change } from '../../core/record/change/change';
import { clearDeviceDatabase, closeDeviceDatabase, deviceDatabase } from './device-database';
import {
  dequeue,
  resetOutbox,
  enqueue,
  markSent,
  onSentElsewhere,
  subscribeToOutbox,
  readOutbox,
  markRejected,
  undoPending,
  pendingNow,
} from './outbox';
import { forgetMemory } from '../../platform/stored';
import { replacePlatform } from '../../platform/ports';

const ID = (n: number): string => `0190b000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const change = (n: number, of = n): Change => ({
  ...{ id: ID(n), kind: 'change-bead', of: ID(of), device: ID(9), madeAt: '2026-05-04T09:00:00.000Z', against: 0 },
  fields: { note: String(n) },
});
const ids = (): string[] => pendingNow().map(({ change: { id } }) => id);

/** Tabs of one device: what one says the others hear, itself not. */
class Channel {
  static all = new Set<Channel>();
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor() {
    Channel.all.add(this);
  }
  postMessage(data: unknown): void {
    for (const other of Channel.all) if (other !== this) other.onmessage?.({ data });
  }
  close(): void {
    Channel.all.delete(this);
  }
}

beforeEach(async () => {
  Channel.all.clear();
  (globalThis as { BroadcastChannel?: unknown }).BroadcastChannel = Channel;
  replacePlatform({ storage: { read: () => null, write: () => undefined, onForeignWrite: () => () => undefined } });
  resetOutbox();
  forgetMemory();
  await clearDeviceDatabase();
});
afterEach(() => replacePlatform(null));

describe('what waits', () => {
  it('is kept in the order it was made, through a restart, each change once', async () => {
    await enqueue([change(3), change(1)]);
    await enqueue([change(2)]);
    await enqueue([change(1)]);
    expect(ids()).toEqual([ID(3), ID(1), ID(2)]);
    resetOutbox();
    await closeDeviceDatabase();
    expect(pendingNow()).toEqual([]);
    await readOutbox();
    expect(ids()).toEqual([ID(3), ID(1), ID(2)]);
    expect(pendingNow()[0]).toEqual({ seq: expect.any(Number), change: change(3), tried: false, refused: null });
  });

  it('is kept all or none', async () => {
    let added = 0;
    const real = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = function add(...of: [unknown]) {
      added += 1;
      if (added === 2) throw new DOMException('full', 'QuotaExceededError');
      return real.apply(this, of);
    };
    await expect(enqueue([change(1), change(2)])).rejects.toThrow('full');
    IDBObjectStore.prototype.add = real;
    expect(await readOutbox()).toEqual([]);
  });

  it('goes when it was answered, and stays, with the reason, when it was refused', async () => {
    await enqueue([change(1), change(2)]);
    const [first, second] = pendingNow();
    await dequeue(first.seq, null);
    await markRejected(second.seq, { code: 'not-found', detail: 'gone' });
    expect(pendingNow()).toEqual([{ ...second, refused: { code: 'not-found', detail: 'gone' } }]);
    await markRejected(second.seq, null);
    expect(pendingNow()).toEqual([second]);
    // What is gone does not come back by being marked.
    expect(await markSent(first.seq)).toBe(false);
    await markRejected(first.seq, { code: 'x', detail: 'x' });
    expect(ids()).toEqual([ID(2)]);
  });

  it('is undone with all that waits of the same thing after it, as long as it was not sent', async () => {
    await enqueue([change(1, 7), change(2, 8), change(3, 7), change(4, 8)]);
    expect(await undoPending(ID(1))).toBe(true);
    expect(ids()).toEqual([ID(2), ID(4)]);
    await markSent(pendingNow()[0].seq);
    expect(await undoPending(ID(2))).toBe(false);
    expect(ids()).toEqual([ID(2), ID(4)]);
    expect(await undoPending(ID(4))).toBe(true);
    expect(await undoPending(ID(4))).toBe(false);
    // What was sent and refused is not on the server.
    await markRejected(pendingNow()[0].seq, { code: 'x', detail: 'x' });
    expect(await undoPending(ID(2))).toBe(true);
    expect(ids()).toEqual([]);
  });

  it('that cannot be read is set aside, and the rest goes on', async () => {
    await enqueue([change(1)]);
    const database = await deviceDatabase();
    await database.add('waiting', { change: { id: ID(5) } as never, tried: false, refused: null });
    expect((await readOutbox()).map((one) => one.change.id)).toEqual([ID(1)]);
    expect(await database.getAll('set-aside')).toEqual([expect.objectContaining({ change: { id: ID(5) } })]);
    expect(await database.count('waiting')).toBe(1);
  });

  it('is told to a screen only when it changes', async () => {
    const heard = jest.fn();
    const end = subscribeToOutbox(heard);
    await readOutbox();
    expect(heard).not.toHaveBeenCalled();
    await enqueue([change(1)]);
    expect(heard).toHaveBeenCalledTimes(1);
    await readOutbox();
    await markSent(pendingNow()[0].seq);
    expect(heard).toHaveBeenCalledTimes(1);
    end();
    await enqueue([change(2)]);
    expect(heard).toHaveBeenCalledTimes(1);
  });

  it('is seen by every tab, and what one has sent is told to the others before it stops waiting', async () => {
    const sent: unknown[] = [];
    onSentElsewhere((answer) => sent.push([answer, pendingNow().length]));
    await enqueue([change(1)]);
    const other = new Channel();
    const told: unknown[] = [];
    other.onmessage = ({ data }) => told.push(data);
    const answer = { entry: { id: ID(1) } } as never;
    await dequeue(pendingNow()[0].seq, answer);
    expect(told).toEqual([{ what: 'sent', answer }]);
    await (await deviceDatabase()).add('waiting', { change: change(2), tried: false, refused: null });
    const reading = new Promise<void>((done) => subscribeToOutbox(done));
    other.postMessage({ what: 'sent', answer });
    expect(sent).toEqual([[answer, 0]]);
    await reading;
    expect(ids()).toEqual([ID(2)]);
  });
});
