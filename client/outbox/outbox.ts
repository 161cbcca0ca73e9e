import { useSyncExternalStore } from 'react';
import type { Change } from '../../core/record/change/change';
import type { Changed } from '../../core/record/change/change-schema';
import { isPendingChange } from '../../core/record/pending/is-pending-change';
import { deviceDatabase, type StoredChange, type Rejection } from './device-database';
import { platform } from '../../platform/ports';
import { setStorageNotice } from '../../platform/stored';

/**
 * Changes that wait for the server, in the order they were made, kept in the device's database one by one: a change is
 * there before the screen says so, and it goes only once the server has answered. All tabs share them.
 */
export type OutboxItem = StoredChange & { seq: number };

/** What one tab tells the others. */
type OutboxMessage = { what: 'changed' } | { what: 'sent'; answer: Changed };

const CHANNEL = 'jolly-outbox';
let waiting: readonly OutboxItem[] = [];
let channel: BroadcastChannel | null = null;
const listeners = new Set<() => void>();
const sentListeners = new Set<(answer: Changed) => void>();

function begin(): BroadcastChannel | null {
  if (channel !== null || typeof BroadcastChannel === 'undefined') return channel;
  channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<OutboxMessage>) => {
    // What was sent stands in the records before it stops waiting.
    if (data.what === 'sent') sentListeners.forEach((listener) => listener(data.answer));
    void readOutbox();
  };
  return channel;
}

const isWhole = (kept: StoredChange): kept is OutboxItem =>
  typeof kept.seq === 'number' && isPendingChange(kept.change);

/** Reads what waits. What cannot be read is set aside and said, and the rest goes on. */
export async function readOutbox(): Promise<readonly OutboxItem[]> {
  const database = await deviceDatabase();
  const kept = await database.getAll('waiting');
  const odd = kept.filter((one) => !isWhole(one));
  if (odd.length > 0) {
    const moving = database.transaction(['waiting', 'set-aside'], 'readwrite');
    for (const one of odd) {
      void moving.objectStore('set-aside').add(one);
      void moving.objectStore('waiting').delete(one.seq!);
    }
    await moving.done;
    setStorageNotice('unreadable');
  }
  const next = kept.filter(isWhole);
  const isSame = ({ seq, refused }: OutboxItem, i: number): boolean =>
    seq === waiting[i].seq && JSON.stringify(refused) === JSON.stringify(waiting[i].refused);
  if (next.length !== waiting.length || !next.every(isSame)) {
    waiting = next;
    listeners.forEach((listener) => listener());
  }
  return next;
}

async function written(told: OutboxMessage = { what: 'changed' }): Promise<void> {
  await readOutbox();
  begin()?.postMessage(told);
}

/** Addresses at which the page shows files that wait, by the changes they go with. */
const addresses = new Map<string, string>();
/** The page looks to the server for a file before its address here ends, ms. */
const ADDRESS_FOR = 30_000;

/** The address of a file that waits; null where none goes with the change. */
export function fileAddressOf({ change: { id }, file }: OutboxItem): string | null {
  if (file === undefined) return null;
  const address = addresses.get(id) ?? URL.createObjectURL(file);
  addresses.set(id, address);
  return address;
}

function endAddress(id: string): void {
  const address = addresses.get(id);
  addresses.delete(id);
  if (address !== undefined) platform().after(ADDRESS_FOR, () => URL.revokeObjectURL(address));
}

/** The files that go with changes, by the ids of these. */
export type Files = ReadonlyMap<string, Blob>;

/**
 * Keeps changes until the server has them, all or none; one that waits already is not put twice.
 * @param files what goes with some of them
 * @throws where the device has no room or keeps nothing
 */
export async function enqueue(changes: readonly Change[], files: Files = new Map()): Promise<void> {
  const database = await deviceDatabase();
  const adding = database.transaction('waiting', 'readwrite', { durability: 'strict' });
  try {
    for (const change of changes) {
      if ((await adding.store.index('by-change').getKey(change.id)) !== undefined) continue;
      const file = files.get(change.id);
      await adding.store.add({ change, tried: false, refused: null, ...(file === undefined ? {} : { file }) });
    }
  } catch (error) {
    adding.done.catch(() => undefined);
    adding.abort();
    throw error;
  }
  await adding.done;
  await written();
}

/** Takes a change off the device. @param answer what the server made of it, or null where it is thrown away */
export async function dequeue(seq: number, answer: Changed | null): Promise<void> {
  await (await deviceDatabase()).delete('waiting', seq);
  const gone = waiting.find((one) => one.seq === seq);
  if (gone !== undefined) endAddress(gone.change.id);
  await written(answer === null ? undefined : { what: 'sent', answer });
}

/** Changes how a change is kept, unless it is gone. @returns whether it was there */
async function updateItem(seq: number, how: Partial<StoredChange>): Promise<boolean> {
  const writing = (await deviceDatabase()).transaction('waiting', 'readwrite');
  const kept = await writing.store.get(seq);
  if (kept !== undefined) await writing.store.put({ ...kept, ...how });
  await writing.done;
  return kept !== undefined;
}

/** Marks a change as sent, before it is. @returns whether it still waits */
export const markSent = (seq: number): Promise<boolean> => updateItem(seq, { tried: true });

/** Keeps a change that the server does not take, with the reason; null lets it be sent again. */
export async function markRejected(seq: number, refused: Rejection | null): Promise<void> {
  await updateItem(seq, { refused });
  await written();
}

/** Returns whether a change is of a thing, or attaches something to it. */
function isAbout({ of, fields }: Change, thing: string): boolean {
  const { beadId, weldId } = fields as { beadId?: unknown; weldId?: unknown };
  return of === thing || beadId === thing || weldId === thing;
}

/**
 * Undoes what waits and was not sent yet: a change, with all that waits of the same thing after it.
 * @returns whether it was undone; what was sent, or waits no more, has to be taken back by another change
 */
export async function undoPending(changeId: string): Promise<boolean> {
  const undoing = (await deviceDatabase()).transaction('waiting', 'readwrite');
  const all = await undoing.store.getAll();
  const at = all.findIndex(({ change }) => change.id === changeId);
  const after = at < 0 ? [] : all.slice(at).filter(({ change }) => isAbout(change, all[at].change.of));
  const isUnsent = at >= 0 && after.every(({ tried, refused }) => !tried || refused !== null);
  if (isUnsent) for (const { seq } of after) await undoing.store.delete(seq!);
  await undoing.done;
  if (isUnsent) await written();
  return isUnsent;
}

/** Returns what waits now, as far as it was read. */
export const pendingNow = (): readonly OutboxItem[] => waiting;

/** Hears when what waits has changed, here or in another tab. */
export function subscribeToOutbox(listener: () => void): () => void {
  begin();
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Hears what another tab has sent. */
export function onSentElsewhere(listener: (answer: Changed) => void): () => void {
  begin();
  sentListeners.add(listener);
  return () => void sentListeners.delete(listener);
}

/** Returns what waits, for a screen. */
export const useOutbox = (): readonly OutboxItem[] => useSyncExternalStore(subscribeToOutbox, pendingNow, pendingNow);

/** Forgets what was read, as a new visit would. For tests. */
export function resetOutbox(): void {
  waiting = [];
  channel?.close();
  channel = null;
}
