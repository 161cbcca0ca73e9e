import { sql } from 'drizzle-orm';
import { pause } from '../../system/clock';
import { listAnew } from '../log/entries';
import type { Store } from '../engine/store';
import { perStore } from '../engine/prepared';
import { ledger } from '../tables/schema';

/** A store while its transaction runs, with the revision that its writes carry. */
export type Writing = { store: Store; revision: () => number };

/** How long a lock held by another program is waited for, and how long between two tries, ms. */
const PATIENCE = 3000;
const BETWEEN_TRIES = 40;

const isLocked = (error: unknown): boolean =>
  /^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown } | null)?.code ?? ''));

type Heard = (revision: number) => void;
const heard = new WeakMap<Store, Set<Heard>>();

/** Calls back after every write that changed something, with its revision. @returns how to hear no more */
export function onWritten(store: Store, listener: Heard): () => void {
  const listeners = heard.get(store) ?? new Set();
  heard.set(store, listeners.add(listener));
  return () => void listeners.delete(listener);
}

/** Says that something was written: what a thread of its own wrote is not known here otherwise. */
export const notifyWritten = (store: Store, revision: number): void =>
  heard.get(store)?.forEach((listener) => listener(revision));

const nextRevision = perStore((store) =>
  store
    .update(ledger)
    .set({ revision: sql`${ledger.revision} + 1` })
    .returning({ revision: ledger.revision })
    .prepare(),
);

/**
 * Does some work in one transaction, all or nothing. The revision goes up by one when the work asks for it, so that
 * work which finds nothing to change leaves no trace. What was written is listed anew in
 * the log before it is done.
 */
export function writeNow<T>(store: Store, work: (writing: Writing) => T): T {
  let taken: number | null = null;
  const done = store.transaction(
    () => {
      const revision = (): number => {
        taken ??= nextRevision(store).get().revision;
        return taken;
      };
      // There is one connection, and nothing comes between: whatever the store is asked now belongs to the transaction. The store
      // itself is handed on, for its statements are put together once.
      const done = work({ store, revision });
      listAnew(store);
      return done;
    },
    { behavior: 'immediate' },
  );
  if (taken !== null) notifyWritten(store, taken);
  return done;
}

/**
 * Does some work; while another program holds the database it tries again every {@link BETWEEN_TRIES} ms, and other
 * requests are answered in between.
 * @param work does all or nothing
 * @throws the database's own error when the lock is not given up in time
 */
async function untilUnlocked<T>(work: () => T): Promise<T> {
  for (const until = performance.now() + PATIENCE; ;) {
    try {
      return work();
    } catch (error) {
      if (!isLocked(error) || performance.now() > until) throw error;
    }
    await pause(BETWEEN_TRIES);
  }
}

/**
 * Does what belongs together and is told to no device, all or nothing, with patience. The lock is taken before anything else: a
 * statement that meets it half-way may hold the connection at what was so then.
 * @throws the database's own error when the lock is not given up in time
 */
export const together = <T>(store: Store, work: (writing: Store) => T): Promise<T> =>
  untilUnlocked(() => store.transaction((writing) => work(writing), { behavior: 'immediate' }));

/** The same as {@link writeNow}, with patience. @throws the database's own error when the lock is not given up in time */
export const write = <T>(store: Store, work: (writing: Writing) => T): Promise<T> =>
  untilUnlocked(() => writeNow(store, work));
