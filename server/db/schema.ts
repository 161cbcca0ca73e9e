import { sql } from 'drizzle-orm';
import {
  check,
  index,
  integer,
  real,
  sqliteTable,
  text,
  uniqueIndex,
  type AnySQLiteColumn,
} from 'drizzle-orm/sqlite-core';
import type { ChangeKind } from '../../core/record/change-schema';
import type { Outcome } from '../../core/record/schema';

/**
 * Documents stand in text columns and are read row by row (see `rows.ts`), so that one that cannot be read never takes
 * the list with it. Every row that a device may hold carries the revision it was last written at.
 */

/** One row: the newest revision, and what was decided when this database was begun. */
export const ledger = sqliteTable(
  'ledger',
  {
    id: integer('id').primaryKey(),
    revision: integer('revision').notNull(),
    /** Whether it was decided if the demo workshop goes in. */
    begun: integer('begun', { mode: 'boolean' }).notNull(),
    /** Whether beads of an older version still lack what only code can add to them. */
    incomplete: integer('incomplete', { mode: 'boolean' }).notNull(),
  },
  (table) => [check('one_ledger', sql`${table.id} = 1`)],
);

export const rigs = sqliteTable(
  'rigs',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    note: text('note').notNull(),
    putAway: integer('put_away', { mode: 'boolean' }).notNull(),
    setupId: text('setup_id')
      .notNull()
      .references((): AnySQLiteColumn => setups.id),
    /** What was run before teaches no more; null where nothing is forgotten. */
    learnsSince: text('learns_since'),
    /** Measured wire speed over the set one; null where no run-out was timed. */
    runOutScale: real('run_out_scale'),
    revision: integer('revision').notNull(),
  },
  (table) => [index('rigs_by_revision').on(table.revision)],
);

/** What stood on a machine from a moment on. A row is written once. */
export const setups = sqliteTable(
  'setups',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references((): AnySQLiteColumn => rigs.id),
    fittedAt: text('fitted_at').notNull(),
    facts: text('facts').notNull(),
    assumed: integer('assumed', { mode: 'boolean' }).notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [index('setups_by_rig').on(table.rigId, table.fittedAt)],
);

export const coupons = sqliteTable(
  'coupons',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    title: text('title').notNull(),
    createdAt: text('created_at').notNull(),
    putAway: integer('put_away', { mode: 'boolean' }).notNull(),
    jobId: text('job_id')
      .notNull()
      .references((): AnySQLiteColumn => jobs.id),
    /** Counted when a bead is written, so that the log need not. */
    beadCount: integer('bead_count').notNull(),
    soundNumber: integer('sound_number'),
    revision: integer('revision').notNull(),
  },
  (table) => [index('coupons_by_time').on(table.createdAt, table.id), index('coupons_by_revision').on(table.revision)],
);

/** The plate as it was known from a moment on. A row is written once. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    couponId: text('coupon_id')
      .notNull()
      .references((): AnySQLiteColumn => coupons.id),
    at: text('at').notNull(),
    job: text('job').notNull(),
  },
  (table) => [index('jobs_by_coupon').on(table.couponId, table.at)],
);

export const beads = sqliteTable(
  'beads',
  {
    id: text('id').primaryKey(),
    couponId: text('coupon_id')
      .notNull()
      .references(() => coupons.id),
    number: integer('number').notNull(),
    setupId: text('setup_id')
      .notNull()
      .references(() => setups.id),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    ranAt: text('ran_at').notNull(),
    /** Settings, findings, verdict and the rest that was so when it was run; written once. */
    facts: text('facts').notNull(),
    /** How it was drawn, and the first thing it showed, for lists. */
    appearance: text('appearance'),
    shows: text('shows'),
    outcome: text('outcome').$type<NonNullable<Outcome>>(),
    note: text('note').notNull(),
    takenBack: integer('taken_back', { mode: 'boolean' }).notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [
    uniqueIndex('beads_by_number').on(table.couponId, table.number),
    index('beads_by_setup').on(table.setupId, table.ranAt),
    index('beads_by_revision').on(table.revision),
  ],
);

/**
 * Every change that was ever taken, by its own id, so that one sent again is known; and what it changed, so that what
 * stood there before can be read and brought back. A row is written once. Of a thing that was begun the fields are empty:
 * the thing itself says them.
 */
export const changes = sqliteTable(
  'changes',
  {
    id: text('id').primaryKey(),
    kind: text('kind').$type<ChangeKind>().notNull(),
    of: text('of').notNull(),
    couponId: text('coupon_id').references(() => coupons.id),
    /** The device it came from; null for a program. */
    device: text('device'),
    madeAt: text('made_at').notNull(),
    revision: integer('revision').notNull(),
    fields: text('fields').notNull(),
    before: text('before').notNull(),
    /** What another had put since, and is no more; null where nothing was. */
    overrode: text('overrode'),
  },
  (table) => [
    index('changes_by_thing').on(table.of, table.revision),
    index('changes_by_coupon').on(table.couponId, table.revision),
    index('changes_that_overrode')
      .on(table.revision)
      .where(sql`${table.overrode} IS NOT NULL`),
  ],
);
