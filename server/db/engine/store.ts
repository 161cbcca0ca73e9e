import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import type * as schema from '../tables/schema';

/** The database as queries see it. */
export type Store = BetterSQLite3Database<typeof schema>;
