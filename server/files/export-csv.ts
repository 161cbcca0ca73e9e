import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { connect, storeOn } from '../db/engine/connection';
import { logCsv, type LoggedBead } from '../../core/files/bead-cells';
import { savedSettingsCsv } from '../../core/files/saved-setting-cells';
import type { Decimal } from '../../core/files/spreadsheet';
import { weldCsv } from '../../core/files/weld-cells';
import { sizesOf, type Measuring } from '../../core/picture/measure';
import type { UnitSystem } from '../../core/quantity/units';
import { pageOfSavedSettings } from '../db/records/saved-settings';
import { readable, toBead, toJob, toPicture, toSetup, type Unreadable } from '../db/tables/rows';
import { beads, coupons, jobs, pictures, rigs, setups } from '../db/tables/schema';
import type { Store } from '../db/engine/store';
import { pageOfWelds } from '../db/records/welds';
import { A_PAGE } from '../db/kinds/export-rows';

type Report = (row: Unreadable) => void;

/** What is asked of a file for a spreadsheet. */
export type CsvAsked = { units: UnitSystem; decimal: Decimal; report: Report };

/** Works on the database as it stands at one moment, on a connection of its own. */
function* reading(file: string, work: (store: Store) => Generator<string>): Generator<string> {
  const connection = connect(file, { readonly: true });
  try {
    connection.exec('BEGIN');
    yield* work(storeOn(connection));
  } finally {
    connection.close();
  }
}

/** Returns what was measured in the photographs of some beads or welds, by their ids. */
function measuredIn(
  store: Store,
  of: 'beadId' | 'weldId',
  ids: readonly string[],
  report: Report,
): Map<string, (Measuring | null)[]> {
  const rows = store
    .select()
    .from(pictures)
    .where(and(inArray(pictures[of], [...ids]), eq(pictures.takenBack, false)))
    .all();
  const found = new Map<string, (Measuring | null)[]>();
  for (const { measuring, ...picture } of readable('pictures', rows, toPicture, report)) {
    const id = picture[of];
    if (id !== null) found.set(id, [...(found.get(id) ?? []), measuring]);
  }
  return found;
}

function* beadLines(store: Store, { units, decimal, report }: CsvAsked): Generator<string> {
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
      .where(inArray(beads.id, ids))
      .orderBy(sql`${beads.ranAt}, ${beads.id}`)
      .all();
    const measured = measuredIn(store, 'beadId', ids, report);
    const lines = readable(
      'beads',
      rows.map((row) => ({ ...row, id: row.bead.id })),
      ({ bead, setup, job, coupon, rigName }): LoggedBead => ({
        ...{ bead: toBead(bead), setup: toSetup(setup), job: toJob(job).job, coupon, rigName },
        sizes: sizesOf(measured.get(bead.id) ?? []),
      }),
      report,
    );
    const text = logCsv(lines, units, decimal, from === 0);
    if (text !== '') yield `${text}\n`;
  }
}

/** Returns what a list gives a page at a time, those in use first, then those that were put away. */
function* pages<Thing, After>(
  page: (putAway: boolean, after: After | undefined) => { things: Thing[]; after: After | null },
): Generator<Thing[]> {
  for (const putAway of [false, true])
    for (let after: After | null | undefined; after !== null;) {
      const next = page(putAway, after);
      if (next.things.length > 0) yield next.things;
      after = next.after;
    }
}

/** Rows of a page of the lists, which are longer than a screen would ask for. */
const ROWS = 200;

function* provenLines(store: Store, { units, decimal, report }: CsvAsked): Generator<string> {
  let first = true;
  const all = pages((putAway, after: { provenAt: string; id: string } | undefined) => {
    const { proven, next } = pageOfSavedSettings(
      store,
      { putAway, ...(after === undefined ? {} : { after }), limit: ROWS },
      report,
    );
    const [provenAt, id] = next?.split('~') ?? [];
    return { things: proven, after: provenAt === undefined || id === undefined ? null : { provenAt, id } };
  });
  for (const settings of all) {
    yield `${savedSettingsCsv(settings, units, decimal, first)}\n`;
    first = false;
  }
}

function* weldLines(store: Store, { units, decimal, report }: CsvAsked): Generator<string> {
  let first = true;
  const all = pages((putAway, after: { weldedAt: string; id: string } | undefined) => {
    const { welds, next } = pageOfWelds(
      store,
      { putAway, ...(after === undefined ? {} : { after }), limit: ROWS },
      report,
    );
    const [weldedAt, id] = next?.split('~') ?? [];
    return { things: welds, after: weldedAt === undefined || id === undefined ? null : { weldedAt, id } };
  });
  for (const welds of all) {
    const ids = welds.map(({ id }) => id);
    const measured = measuredIn(store, 'weldId', ids, report);
    const lines = welds.map((weld) => ({ weld, sizes: sizesOf(measured.get(weld.id) ?? []) }));
    yield `${weldCsv(lines, units, decimal, first)}\n`;
    first = false;
  }
}

const LINES = { beads: beadLines, 'kept-settings': provenLines, welds: weldLines };

/** The files for a spreadsheet, by their names. */
export type CsvName = keyof typeof LINES;
export const CSV_NAMES = Object.keys(LINES) as CsvName[];

/** Every bead in the order they were run, every kept setting or every weld for a spreadsheet, a line each, a page at a time. */
export const csvText = (name: CsvName, file: string, asked: CsvAsked): Generator<string> =>
  reading(file, (store) => LINES[name](store, asked));
