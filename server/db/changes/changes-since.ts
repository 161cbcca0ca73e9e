import { and, asc, between, count, gt, lte, sql } from 'drizzle-orm';
import type { Changes } from '../../../core/record/change/change-schema';
import { overriding } from '../records/history';
import { perStore } from '../engine/prepared';
import type { Store } from '../engine/store';
import type { Unreadable } from '../tables/rows';
import { ledger } from '../tables/schema';
import { SHOWN, type AnyShown } from '../kinds/all';
import type { ShownList } from '../kinds/storage';
import { after } from '../../system/clock';
import { onWritten } from '../records/write';
import { clamp } from '../../../core/quantity/clamp';

const newest = perStore((store) => store.select({ revision: ledger.revision }).from(ledger).prepare());

/** The newest revision of all; asking for it shows that the database can be read. */
export function newestRevision(store: Store): number {
  const row = newest(store).get();
  if (row === undefined) throw new Error('the ledger is empty');
  return row.revision;
}

/**
 * Devices that wait are told of what is written together, this far apart: with many of them each write would wake all, ms. Where
 * telling them all takes long it is done less often, so that most of the time is left to those who write.
 */
const TOLD_EVERY_MS = 250;
const TOLD_AT_LEAST_EVERY_MS = 1000;
const REST_FOR_TELLING = 8;
/** So many are told at a time: in between, those who write are answered. */
const TOLD_AT_ONCE = 5;

type Announcement = { told: number; latest: number; waiting: Set<() => void>; isComing: boolean };
const tellings = new WeakMap<Store, Announcement>();

/** Returns what those who wait were told of last. The first write after a rest is told at once, those after it together. */
function tellingOf(store: Store): Announcement {
  const known = tellings.get(store);
  if (known !== undefined) return known;
  const newest = newestRevision(store);
  const telling: Announcement = { told: newest, latest: newest, waiting: new Set(), isComing: false };
  tellings.set(store, telling);
  const tell = (): void => {
    telling.isComing = true;
    telling.told = telling.latest;
    const from = performance.now();
    const waiting = [...telling.waiting];
    const tellSome = (): void => {
      waiting.splice(0, TOLD_AT_ONCE).forEach((wake) => wake());
      // By then these have been answered.
      setImmediate(waiting.length > 0 ? tellSome : restAWhile);
    };
    const restAWhile = (): void => {
      const rest = REST_FOR_TELLING * (performance.now() - from);
      // Nor is anything asked of the database then, which may be closed.
      after(clamp(rest, TOLD_EVERY_MS, TOLD_AT_LEAST_EVERY_MS), () => {
        telling.isComing = false;
        if (telling.latest > telling.told) tell();
      });
    };
    tellSome();
  };
  onWritten(store, (revision) => {
    telling.latest = Math.max(telling.latest, revision);
    if (!telling.isComing) tell();
  });
  return telling;
}

/**
 * Comes back as soon as there is something newer than a revision, or when it was waited for long enough. What is written within a
 * moment is told of together.
 * @param patience ms
 */
export function somethingSince(store: Store, since: number, patience: number): Promise<void> {
  if (patience === 0) return Promise.resolve();
  const telling = tellingOf(store);
  if (telling.told > since) return Promise.resolve();
  // Something was written of which nobody was told: by a thread of its own, or within the moment.
  if (!telling.isComing && newestRevision(store) > since) return Promise.resolve();
  return new Promise((done) => {
    const end = (): void => {
      callOff();
      telling.waiting.delete(end);
      done();
    };
    const callOff = after(patience, end);
    telling.waiting.add(end);
  });
}

/** So many more than its limit a page may hold, for the writes of one revision to stay together. */
const MOST_BESIDE = 300;

const countBetween = (store: Store, since: number, upTo: number): number =>
  Object.values(SHOWN).reduce(
    (sum, { table }) =>
      sum +
      store
        .select({ rows: count() })
        .from(table)
        .where(between(table.revision, since + 1, upTo))
        .get()!.rows,
    0,
  );

/** Answers that were given of late: many devices ask the same at once. */
const MOST_GIVEN = 40;
const given = new WeakMap<Store, Map<string, Changes>>();

/**
 * Returns what changed since a revision as those who wait are told of it, worked out once for all that ask the same.
 * @returns the same object to each: it is not to be changed
 */
export function changesForListeners(
  store: Store,
  since: number,
  limit: number,
  report: (unreadable: Unreadable) => void,
): Changes {
  // Up to what was told of last, so that all who were woken together ask the same; who waits for nothing gets the newest.
  const { told, isComing } = tellingOf(store);
  const newest = isComing && told > since ? told : newestRevision(store);
  const known = given.get(store) ?? new Map<string, Changes>();
  given.set(store, known);
  const key = `${since} ${limit} ${newest}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const changes = changesSince(store, since, limit, report, newest);
  known.set(key, changes);
  if (known.size > MOST_GIVEN) known.delete([...known.keys()][0]);
  return changes;
}

type ShownLists = Pick<Changes, ShownList>;

/** Each list that devices are told of, as it is asked for. */
const shownBetween = (ask: (shown: AnyShown) => unknown[]): ShownLists =>
  Object.fromEntries(Object.values(SHOWN).map((shown) => [shown.list, ask(shown)])) as ShownLists;

/**
 * Returns what changed since a revision, oldest first. Writes of one revision stay together, so a page may hold some more than
 * its limit. Where one revision wrote very much, as a file that was taken in does, that alone is said.
 * @param since the newest revision the asker knows, 0 for none
 * @param newest how far it goes: what is written later is left for another time
 */
export function changesSince(
  store: Store,
  since: number,
  limit: number,
  report: (unreadable: Unreadable) => void,
  newest = newestRevision(store),
): Changes {
  const marks = Object.values(SHOWN).flatMap(({ table }) =>
    store
      .select({ revision: sql<number>`${table.revision}` })
      .from(table)
      .where(and(gt(table.revision, since), lte(table.revision, newest)))
      .orderBy(asc(table.revision))
      .limit(limit + 1)
      .all(),
  );
  const inOrder = marks.map(({ revision }) => revision).sort((a, b) => a - b);
  const upTo = inOrder.length > limit ? inOrder[limit - 1] : newest;
  const anew = countBetween(store, since, upTo) > limit + MOST_BESIDE;
  return {
    ...shownBetween(anew ? () => [] : ({ between }) => between(store, since + 1, upTo, report)),
    overriding: overriding(store, since, upTo, report),
    ...{ upTo, more: upTo < newest, anew },
  };
}
