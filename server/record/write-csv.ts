import Database from 'better-sqlite3';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { logCsv, type LoggedBead } from '../../core/files/bead-cells';
import type { Decimal } from '../../core/files/spreadsheet';
import type { UnitSystem } from '../../core/quantity/units';
import { readable, toBead, toJob, toSetup, type Unreadable } from '../db/rows';
import * as schema from '../db/schema';
import { beads, coupons, jobs, rigs, setups } from '../db/schema';
import { A_PAGE } from './kept-rows';

/** The whole log for a spreadsheet, a line a bead in the order they were run, a page at a time. */
export function* logCsvText(
  file: string,
  units: UnitSystem,
  decimal: Decimal,
  report: (row: Unreadable) => void,
): Generator<string> {
  const connection = new Database(file, { readonly: true });
  try {
    const store = drizzle(connection, { schema });
    connection.exec('BEGIN');
    const order = store
      .select({ id: beads.id })
      .from(beads)
      .where(eq(beads.takenBack, false))
      .orderBy(asc(beads.ranAt), asc(beads.id))
      .all();
    for (let from = 0; from < order.length; from += A_PAGE) {
      const ids = order.slice(from, from + A_PAGE).map(({ id }) => id);
      const rows = store
        .select({ bead: beads, setup: setups, job: jobs, coupon: coupons, rigName: rigs.name })
        .from(beads)
        .innerJoin(setups, eq(beads.setupId, setups.id))
        .innerJoin(rigs, eq(setups.rigId, rigs.id))
        .innerJoin(jobs, eq(beads.jobId, jobs.id))
        .innerJoin(coupons, eq(beads.couponId, coupons.id))
        .where(and(inArray(beads.id, ids)))
        .orderBy(sql`${beads.ranAt}, ${beads.id}`)
        .all();
      const lines = readable(
        'beads',
        rows.map((row) => ({ ...row, id: row.bead.id })),
        ({ bead, setup, job, coupon, rigName }): LoggedBead => ({
          ...{ bead: toBead(bead), setup: toSetup(setup), job: toJob(job).job, coupon, rigName },
        }),
        report,
      );
      const text = logCsv(lines, units, decimal, from === 0);
      if (text !== '') yield `${text}\n`;
    }
  } finally {
    connection.close();
  }
}
