import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { EntryKind, EntryOutcome } from '../../../core/record/shapes/log-entry-schema';

/**
 * Everything that happened, in time order, as the log is searched: one line a thing, made of the thing itself by
 * `entries.ts`. Its words stand beside it in the full-text table `entry_words`, which only SQL knows (migration 0006).
 */
export const entries = sqliteTable(
  'entries',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    kind: text('kind').$type<EntryKind>().notNull(),
    /** Id of the thing. */
    of: text('of').notNull(),
    at: text('at').notNull(),
    rigId: text('rig_id').notNull(),
    couponId: text('coupon_id'),
    weldId: text('weld_id'),
    by: text('by'),
    /** What it was for or what was done, and what came of it, in the words of that day. */
    title: text('title').notNull(),
    says: text('says').notNull(),
    cause: text('cause'),
    outcome: text('outcome').$type<EntryOutcome>(),
    baseMetal: text('base_metal'),
    /** Of the thinner part. */
    thicknessMm: real('thickness_mm'),
    putAway: integer('put_away', { mode: 'boolean' }).notNull(),
  },
  (table) => [
    uniqueIndex('entries_by_thing').on(table.kind, table.of),
    index('entries_by_time').on(table.putAway, table.at, table.id),
    index('entries_by_cause').on(table.cause, table.putAway, table.at),
    index('entries_by_rig').on(table.rigId, table.putAway, table.at),
    index('entries_by_person').on(table.by, table.putAway, table.at),
    index('entries_by_coupon').on(table.couponId),
  ],
);

/** What an entry shows: findings of a bead, and what of a weld was over its limit. */
export const entryFindings = sqliteTable(
  'entry_findings',
  {
    entryId: integer('entry_id')
      .notNull()
      .references(() => entries.id, { onDelete: 'cascade' }),
    finding: text('finding').notNull(),
  },
  (table) => [primaryKey({ columns: [table.finding, table.entryId] }), index('findings_by_entry').on(table.entryId)],
);

/** Things whose entry has to be made anew. Triggers put them in (server/db/log/stale.ts), so that no way of writing can forget to. */
export const staleEntries = sqliteTable(
  'stale_entries',
  { kind: text('kind').$type<EntryKind>().notNull(), of: text('of').notNull() },
  (table) => [primaryKey({ columns: [table.kind, table.of] })],
);
