import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Bead, Coupon, RigRecord } from '../../core/record/schema';

/** Machines of the workshop; what is fitted is one document, shaped like the case's rig. */
export const rigs = sqliteTable('rigs', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  rig: text('rig', { mode: 'json' }).$type<RigRecord['rig']>().notNull(),
  note: text('note').notNull().default(''),
  arcControlRising: text('arc_control_rising').$type<RigRecord['arcControlRising']>().notNull(),
  display: text('display').$type<RigRecord['display']>().notNull(),
});

export const coupons = sqliteTable(
  'coupons',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    title: text('title').notNull(),
    job: text('job', { mode: 'json' }).$type<Coupon['job']>().notNull(),
    createdAt: text('created_at').notNull(),
  },
  (table) => [index('coupons_by_time').on(table.createdAt)],
);

export const beads = sqliteTable(
  'beads',
  {
    id: text('id').primaryKey(),
    couponId: text('coupon_id')
      .notNull()
      .references(() => coupons.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    ranAt: text('ran_at').notNull(),
    settings: text('settings', { mode: 'json' }).$type<Bead['settings']>().notNull(),
    readings: text('readings', { mode: 'json' }).$type<NonNullable<Bead['readings']>>(),
    findings: text('findings', { mode: 'json' }).$type<Bead['findings']>().notNull(),
    verdict: text('verdict', { mode: 'json' }).$type<NonNullable<Bead['verdict']>>(),
    move: text('move', { mode: 'json' }).$type<NonNullable<Bead['move']>>(),
    outcome: text('outcome').$type<NonNullable<Bead['outcome']>>(),
    note: text('note').notNull().default(''),
  },
  (table) => [index('beads_by_coupon').on(table.couponId, table.number)],
);
