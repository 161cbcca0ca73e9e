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
import type { CareTask } from '../../../core/care/tasks';
import type { PictureView } from '../../../core/picture/sizes';
import type { ChangeKind } from '../../../core/record/kinds/all';
import type { Outcome } from '../../../core/record/shapes/record-schema';
import type { WeldState } from '../../../core/record/shapes/weld-schema';

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
  (table) => [
    index('coupons_by_time').on(table.createdAt, table.id),
    index('coupons_by_revision').on(table.revision),
    // A job that is written later than the coupon that names it is looked for here, once for each.
    index('coupons_by_job').on(table.jobId),
  ],
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
    /** Who ran it and who judged it, by the name of that day; null where nobody had said who they are. */
    by: text('by'),
    outcomeBy: text('outcome_by'),
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
    /** Who made it, and what they were called then; null where nobody had said who they are. */
    person: text('person'),
    by: text('by'),
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

/** Settings that a coupon ended in. What they stand on is the bead; the rest is kept beside it to be found by. */
export const proven = sqliteTable(
  'proven',
  {
    id: text('id').primaryKey(),
    beadId: text('bead_id')
      .notNull()
      .references(() => beads.id),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    provenAt: text('proven_at').notNull(),
    by: text('by').notNull(),
    how: text('how').notNull(),
    run: text('run').$type<'straight' | 'weave'>(),
    note: text('note').notNull(),
    putAway: integer('put_away', { mode: 'boolean' }).notNull(),
    baseMetal: text('base_metal'),
    /** Of the thinner part. */
    thicknessMm: real('thickness_mm'),
    position: text('position'),
    joint: text('joint'),
    wireClass: text('wire_class'),
    wireMm: real('wire_mm'),
    /** Counted when a weld is logged. */
    weldCount: integer('weld_count').notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [
    index('proven_by_time').on(table.putAway, table.provenAt, table.id),
    index('proven_by_rig').on(table.rigId, table.provenAt),
    index('proven_by_bead').on(table.beadId),
    index('proven_by_revision').on(table.revision),
  ],
);

/** Parts that were welded by a kept setting. */
export const welds = sqliteTable(
  'welds',
  {
    id: text('id').primaryKey(),
    provenId: text('proven_id')
      .notNull()
      .references(() => proven.id),
    title: text('title').notNull(),
    weldedAt: text('welded_at').notNull(),
    by: text('by').notNull(),
    lengthMm: real('length_mm'),
    note: text('note').notNull(),
    putAway: integer('put_away', { mode: 'boolean' }).notNull(),
    /** How it stands, made of its steps when one is written. */
    state: text('state').$type<WeldState>().notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [
    index('welds_by_time').on(table.putAway, table.weldedAt, table.id),
    index('welds_by_setting').on(table.provenId, table.weldedAt),
    index('welds_by_revision').on(table.revision),
  ],
);

/** Inspections and repairs of a weld, in the order they came. A row is written once. */
export const weldSteps = sqliteTable(
  'weld_steps',
  {
    /** Order in which they were written. */
    seq: integer('seq').primaryKey({ autoIncrement: true }),
    id: text('id').notNull(),
    weldId: text('weld_id')
      .notNull()
      .references(() => welds.id),
    kind: text('kind').$type<'inspection' | 'repair'>().notNull(),
    facts: text('facts').notNull(),
  },
  (table) => [uniqueIndex('weld_steps_by_id').on(table.id), index('weld_steps_by_weld').on(table.weldId, table.seq)],
);

/** Levels of acceptance that were edited; the others are as the program brings them. */
export const levels = sqliteTable('levels', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  use: text('use').notNull(),
  limits: text('limits').notNull(),
  revision: integer('revision').notNull(),
});

/** Photographs of beads and welds. The files stand beside the database, named by what they hold. */
export const pictures = sqliteTable(
  'pictures',
  {
    id: text('id').primaryKey(),
    /** One of the two. */
    beadId: text('bead_id').references(() => beads.id),
    weldId: text('weld_id').references(() => welds.id),
    view: text('view').$type<PictureView>().notNull(),
    takenAt: text('taken_at').notNull(),
    note: text('note').notNull(),
    hash: text('hash').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: integer('bytes').notNull(),
    /** What was tapped in it; null before it was measured. */
    measuring: text('measuring'),
    takenBack: integer('taken_back', { mode: 'boolean' }).notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [
    check('of_one', sql`(${table.beadId} IS NULL) <> (${table.weldId} IS NULL)`),
    index('pictures_by_bead').on(table.beadId),
    index('pictures_by_weld').on(table.weldId),
    index('pictures_by_hash').on(table.hash),
    index('pictures_by_revision').on(table.revision),
  ],
);

/** What was looked after on a rig, and when. A row is written once. */
export const care = sqliteTable(
  'care',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    task: text('task').$type<CareTask>().notNull(),
    doneAt: text('done_at').notNull(),
    by: text('by').notNull(),
  },
  (table) => [index('care_by_rig').on(table.rigId, table.task, table.doneAt)],
);
