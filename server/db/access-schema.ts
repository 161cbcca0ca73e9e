import { sql } from 'drizzle-orm';
import { check, index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Who may come in from the network. None of it is part of the record, and none of it is written out with it. */

/** One row, once a pass phrase was set: without one the server listens to its own machine alone. */
export const access = sqliteTable(
  'access',
  {
    id: integer('id').primaryKey(),
    /** Hash by argon2id, with its salt and what it cost. */
    passPhrase: text('pass_phrase').notNull(),
    setAt: text('set_at').notNull(),
  },
  (table) => [check('one_access', sql`${table.id} = 1`)],
);

/** Devices that came in, by the id that each made for itself. */
export const devices = sqliteTable('devices', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  firstAt: text('first_at').notNull(),
  lastAt: text('last_at').notNull(),
  /** The address it was last seen at. */
  lastFrom: text('last_from').notNull(),
  /** When the keeper shut it out; null where nobody did, or it came in again since. */
  shutOutAt: text('shut_out_at'),
});

/** Each time a device came in. What it shows for it is kept as a hash: who reads the database cannot come in with it. */
export const sessions = sqliteTable(
  'sessions',
  {
    tokenHash: text('token_hash').primaryKey(),
    deviceId: text('device_id')
      .notNull()
      .references(() => devices.id),
    beganAt: text('began_at').notNull(),
    lastAt: text('last_at').notNull(),
  },
  (table) => [index('sessions_by_device').on(table.deviceId)],
);

/** Codes by which a device comes in without the pass phrase, for as long as they are good. */
export const joinCodes = sqliteTable('join_codes', {
  codeHash: text('code_hash').primaryKey(),
  goodUntil: text('good_until').notNull(),
});

/** Wrong pass phrases and codes, by the address they came from: slowed, counted, and told to the keeper. */
export const wrongTries = sqliteTable(
  'wrong_tries',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    from: text('from').notNull(),
    /** ms since 1970. */
    at: integer('at').notNull(),
  },
  (table) => [index('wrong_tries_by_address').on(table.from, table.at), index('wrong_tries_by_time').on(table.at)],
);
