import { and, asc, between, desc, eq, gt, isNotNull, sql } from 'drizzle-orm';
import type { HistoryEntry } from '../../../core/record/change/change-schema';
import { insertRows } from '../engine/insert-rows';
import { perStore } from '../engine/prepared';
import { readable, type Unreadable } from '../tables/rows';
import { changes } from '../tables/schema';
import type { Store } from '../engine/store';
import type { Writing } from './write';

type Row = typeof changes.$inferSelect;
/** A field that was changed by two. */
export type Overrode = HistoryEntry['overrode'][number];

function toEntry({ fields, before, overrode, person: _, ...row }: Row): HistoryEntry {
  return {
    ...row,
    fields: JSON.parse(fields) as HistoryEntry['fields'],
    before: JSON.parse(before) as HistoryEntry['before'],
    overrode: overrode === null ? [] : (JSON.parse(overrode) as Overrode[]),
  };
}

const byId = perStore((store) =>
  store
    .select()
    .from(changes)
    .where(eq(changes.id, sql.placeholder('id')))
    .prepare(),
);

/** A change that was taken already, by its own id. */
export function findEntry(store: Store, id: string): HistoryEntry | null {
  const row = byId(store).get({ id });
  return row === undefined ? null : toEntry(row);
}

/** Writes a change into the history. @param person who made it, by id */
export function keepEntry(
  { store }: Writing,
  { fields, before, overrode, ...rest }: HistoryEntry,
  person: string | null,
): void {
  insertRows(store, changes, [
    {
      ...rest,
      person,
      fields: JSON.stringify(fields),
      before: JSON.stringify(before),
      overrode: overrode.length === 0 ? null : JSON.stringify(overrode),
    },
  ]);
}

const sinceOf = perStore((store) =>
  store
    .select()
    .from(changes)
    .where(and(eq(changes.of, sql.placeholder('of')), gt(changes.revision, sql.placeholder('against'))))
    .orderBy(desc(changes.revision))
    .prepare(),
);

/** Returns what others than this device did to a thing after a revision, newest first. @param device null for a program */
export function sinceByOthers(store: Store, of: string, against: number, device: string | null): HistoryEntry[] {
  const rows = sinceOf(store).all({ of, against });
  return rows.filter((row) => row.device === null || row.device !== device).map(toEntry);
}

/** The changes of a coupon and of its beads, in order. */
export function historyOf(store: Store, couponId: string, report: (row: Unreadable) => void): HistoryEntry[] {
  const rows = store
    .select()
    .from(changes)
    .where(eq(changes.couponId, couponId))
    .orderBy(asc(changes.revision), asc(changes.id))
    .all();
  return readable('changes', rows, toEntry, report);
}

/** The changes that stood over another's, between two revisions, oldest first. */
export function overriding(
  store: Store,
  since: number,
  upTo: number,
  report: (row: Unreadable) => void,
): HistoryEntry[] {
  const rows = store
    .select()
    .from(changes)
    .where(and(isNotNull(changes.overrode), between(changes.revision, since + 1, upTo)))
    .orderBy(asc(changes.revision))
    .all();
  return readable('changes', rows, toEntry, report);
}
