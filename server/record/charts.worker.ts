import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import type { Charts } from '../../core/record/charts-schema';
import { chartsOf } from '../db/log-charts';
import * as schema from '../db/schema';

/** What is to be charted, of which database. */
export type Charting = { database: string; rigId: string | null; now: string };

/** Sums the record up in a thread of its own: over many thousand beads it takes longer than another request should wait. */
export default function chartsFrom({ database, rigId, now }: Charting): Charts {
  const connection = new Database(database, { readonly: true });
  try {
    return chartsOf(drizzle(connection, { schema }), rigId, now);
  } finally {
    connection.close();
  }
}
