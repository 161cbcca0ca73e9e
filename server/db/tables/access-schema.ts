import { sql } from 'drizzle-orm';
import type { Drill } from '../../../core/school/practice-schema';
import { check, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Who may come in from the network, and who works here. None of it is part of the record, and none of it is written out with it. */

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

/** Whoever works here, to be picked from. What they did carries their name of that day. */
export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  initials: text('initials').notNull(),
  /** One of the colours of a mark, by its number. */
  colour: integer('colour').notNull(),
  keeper: integer('keeper', { mode: 'boolean' }).notNull(),
  /** Hash of a pass phrase of their own; null where anybody may say that it is them. */
  passPhrase: text('pass_phrase'),
  putAway: integer('put_away', { mode: 'boolean' }).notNull(),
  /** How they weld, as a document; null until a device has told. */
  habits: text('habits'),
});

/** What somebody answered in the School, on whichever device. A row is written once. */
export const answers = sqliteTable(
  'answers',
  {
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    at: text('at').notNull(),
    drill: text('drill').$type<Drill>().notNull(),
    item: text('item').notNull(),
    said: text('said').notNull(),
    level: integer('level').notNull(),
  },
  (table) => [primaryKey({ columns: [table.personId, table.at, table.drill] })],
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
    /** Who works with the device now; null where nobody has said. */
    personId: text('person_id').references(() => people.id),
    beganAt: text('began_at').notNull(),
    lastAt: text('last_at').notNull(),
  },
  (table) => [index('sessions_by_device').on(table.deviceId)],
);

/** People whose own pass phrase a device has shown: what it sends in their name is taken. */
export const devicePeople = sqliteTable(
  'device_people',
  {
    deviceId: text('device_id')
      .notNull()
      .references(() => devices.id),
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
  },
  (table) => [primaryKey({ columns: [table.deviceId, table.personId] })],
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
