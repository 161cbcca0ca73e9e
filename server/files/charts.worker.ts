import { connect, storeOn } from '../db/engine/connection';
import type { Charts } from '../../core/record/shapes/charts-schema';
import { chartsOf } from '../db/log/log-charts';

/** What is to be charted, of which database. */
export type Charting = { database: string; rigId: string | null; now: string };

/** Sums the record up in a thread of its own: over many thousand beads it takes longer than another request should wait. */
export default function chartsFrom({ database, rigId, now }: Charting): Charts {
  const connection = connect(database, { readonly: true });
  try {
    return chartsOf(storeOn(connection), rigId, now);
  } finally {
    connection.close();
  }
}
