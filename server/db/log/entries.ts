import { and, desc, eq, inArray, lt, sql, type SQL } from 'drizzle-orm';
import { integer, sqliteTable, text, type SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { EntryKind } from '../../../core/record/shapes/log-entry-schema';
import {
  beadEntry,
  careEntry,
  couponEntry,
  inspectionEntry,
  provenEntry,
  refitEntry,
  repairEntry,
  weldEntry,
  type EntryWords,
} from '../../../core/record/words/log-entry';
import type { Job } from '../../../core/case/schema';
import type { Proof } from '../../../core/start/proofs';
import type { Inspection, NewRepair } from '../../../core/record/shapes/weld-schema';
import { insertRows } from '../engine/insert-rows';
import { perStore } from '../engine/prepared';
import { toBead, toJob, toSetup } from '../tables/rows';
import { entries, entryFindings, staleEntries } from '../tables/log-schema';
import { beads, care, coupons, jobs, proven, rigs, setups, welds, weldSteps } from '../tables/schema';
import type { Store } from '../engine/store';

/** The words that entries are found by; a table of the full-text search, which migrations do not draw up from here. */
const entryWords = sqliteTable('entry_words', { rowid: integer('rowid'), words: text('words') });

/** The highest number that SQLite ever gave in each table. */
const sqliteSequence = sqliteTable('sqlite_sequence', { name: text('name'), seq: integer('seq') });

/** Things that are listed anew with one round of statements. */
const AT_ONCE = 300;

type Row = Omit<typeof entries.$inferInsert, 'id' | 'title' | 'says' | 'outcome' | 'cause'>;
type Listed = { row: Row; words: EntryWords };

/** The plate that an entry is found by. */
function plateOf({ baseMetal, thicknessMm, otherThicknessMm }: Job): Pick<Row, 'baseMetal' | 'thicknessMm'> {
  const thin = thicknessMm === undefined ? null : Math.min(thicknessMm, otherThicknessMm ?? thicknessMm);
  return { baseMetal: baseMetal ?? null, thicknessMm: thin };
}

/** Returns whether an id is among those given as one text, so that a statement is the same for any number of them. */
const among = (id: SQLiteColumn): SQL => sql`${id} IN (SELECT value FROM json_each(${sql.placeholder('ids')}))`;
const asText = (ids: readonly string[]): { ids: string } => ({ ids: JSON.stringify(ids) });

const onCoupons = perStore((store) =>
  store
    .select({ bead: beads, coupon: coupons, job: jobs, rigId: setups.rigId })
    .from(beads)
    .innerJoin(coupons, eq(beads.couponId, coupons.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id))
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(and(among(beads.id), eq(beads.takenBack, false)))
    .prepare(),
);

function listedBeads(store: Store, ids: string[]): Listed[] {
  const rows = onCoupons(store).all(asText(ids));
  return rows.map(({ bead, coupon, job, rigId }) => ({
    row: {
      ...{
        kind: 'bead',
        of: bead.id,
        at: bead.ranAt,
        rigId,
        couponId: coupon.id,
        putAway: coupon.putAway,
        by: bead.by,
      },
      ...plateOf(toJob(job).job),
    },
    words: beadEntry(toBead(bead), coupon.title),
  }));
}

function listedCoupons(store: Store, ids: string[]): Listed[] {
  const rows = store
    .select({ coupon: coupons, job: jobs })
    .from(coupons)
    .innerJoin(jobs, eq(coupons.jobId, jobs.id))
    .where(inArray(coupons.id, ids))
    .all();
  return rows.map(({ coupon: { id, createdAt, rigId, putAway, title }, job }) => ({
    row: { kind: 'coupon', of: id, at: createdAt, rigId, couponId: id, putAway, ...plateOf(toJob(job).job) },
    words: couponEntry(title),
  }));
}

const onProven = (store: Store) =>
  store
    .select({ kept: proven, coupon: coupons, job: jobs })
    .from(proven)
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .innerJoin(coupons, eq(beads.couponId, coupons.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id));

function listedProven(store: Store, ids: string[]): Listed[] {
  const rows = onProven(store).where(inArray(proven.id, ids)).all();
  return rows.map(({ kept: { id, provenAt, rigId, putAway, by, how, note }, coupon, job }) => ({
    row: {
      ...{ kind: 'proven', of: id, at: provenAt, rigId, couponId: coupon.id, by, putAway },
      ...plateOf(toJob(job).job),
    },
    words: provenEntry(coupon.title, by, JSON.parse(how) as Proof[], note),
  }));
}

const onWelds = (store: Store) =>
  store
    .select({ weld: welds, rigId: proven.rigId, job: jobs })
    .from(welds)
    .innerJoin(proven, eq(welds.provenId, proven.id))
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id));

function listedWelds(store: Store, ids: string[]): Listed[] {
  const rows = onWelds(store).where(inArray(welds.id, ids)).all();
  return rows.map(({ weld: { id, weldedAt, putAway, title, state, by, note }, rigId, job }) => ({
    row: { kind: 'weld', of: id, at: weldedAt, rigId, weldId: id, by, putAway, ...plateOf(toJob(job).job) },
    words: weldEntry(title, state, by, note),
  }));
}

function listedSteps(store: Store, ids: string[]): Listed[] {
  const steps = store.select().from(weldSteps).where(inArray(weldSteps.id, ids)).all();
  const rows = onWelds(store)
    .where(inArray(welds.id, [...new Set(steps.map(({ weldId }) => weldId))]))
    .all();
  const byWeld = new Map(rows.map((row) => [row.weld.id, row]));
  return steps.flatMap(({ id, weldId, kind, facts }): Listed[] => {
    const of = byWeld.get(weldId);
    if (of === undefined) return [];
    const { weld, rigId, job } = of;
    const row = { kind, of: id, rigId, weldId, putAway: weld.putAway, ...plateOf(toJob(job).job) };
    if (kind === 'inspection') {
      const inspection = JSON.parse(facts) as Inspection;
      const { inspectedAt: at, by } = inspection;
      return [{ row: { ...row, at, by }, words: inspectionEntry(inspection, weld.title) }];
    }
    const repair = JSON.parse(facts) as NewRepair;
    return [{ row: { ...row, at: repair.repairedAt, by: repair.by }, words: repairEntry(repair, weld.title) }];
  });
}

function listedRefits(store: Store, ids: string[]): Listed[] {
  const rows = store
    .select({ setup: setups, rigName: rigs.name })
    .from(setups)
    .innerJoin(rigs, eq(setups.rigId, rigs.id))
    .where(inArray(setups.id, ids))
    .all();
  return rows.map(({ setup, rigName }) => {
    const { id, rigId, fittedAt } = setup;
    const before = store
      .select()
      .from(setups)
      .where(and(eq(setups.rigId, rigId), lt(setups.fittedAt, fittedAt)))
      .orderBy(desc(setups.fittedAt))
      .limit(1)
      .get();
    return {
      row: { kind: 'refit', of: id, at: fittedAt, rigId, putAway: false },
      words: refitEntry(toSetup(setup), before === undefined ? null : toSetup(before), rigName),
    };
  });
}

function listedCare(store: Store, ids: string[]): Listed[] {
  const rows = store.select().from(care).where(inArray(care.id, ids)).all();
  return rows.map(({ id, rigId, task, doneAt, by }) => ({
    row: { kind: 'care', of: id, at: doneAt, rigId, by, putAway: false },
    words: careEntry(task, by),
  }));
}

const LISTED: Record<EntryKind, (store: Store, ids: string[]) => Listed[]> = {
  coupon: listedCoupons,
  bead: listedBeads,
  proven: listedProven,
  weld: listedWelds,
  inspection: listedSteps,
  repair: listedSteps,
  refit: listedRefits,
  care: listedCare,
};

/** Returns what cannot be read is not listed; reading the thing itself says why. */
function readOneByOne(store: Store, kind: EntryKind, ids: string[]): Listed[] {
  try {
    return LISTED[kind](store, ids);
  } catch {
    if (ids.length === 1) return [];
    return ids.flatMap((id) => readOneByOne(store, kind, [id]));
  }
}

const listed = and(eq(entries.kind, sql.placeholder('kind')), among(entries.of));
const listedIds = perStore((store) => store.select({ id: entries.id }).from(entries).where(listed).prepare());
const deleteWords = perStore((store) =>
  store
    .delete(entryWords)
    .where(eq(entryWords.rowid, sql.placeholder('rowid')))
    .prepare(),
);
const deleteEntries = perStore((store) => store.delete(entries).where(listed).prepare());

function takeOut(store: Store, kind: EntryKind, ids: string[]): void {
  const which = { kind, ...asText(ids) };
  for (const { id } of listedIds(store).all(which)) deleteWords(store).run({ rowid: id });
  deleteEntries(store).run(which);
}

const lastGiven = perStore((store) =>
  store.select({ seq: sqliteSequence.seq }).from(sqliteSequence).where(eq(sqliteSequence.name, 'entries')).prepare(),
);

function putIn(store: Store, listed: readonly Listed[]): void {
  if (listed.length === 0) return;
  // Numbers are given once: a cursor that names a line which is no more must not find another.
  const last = lastGiven(store).get()?.seq ?? 0;
  const numbered = listed.map((one, i) => ({ ...one, id: last + 1 + i }));
  insertRows(
    store,
    entries,
    numbered.map(({ id, row, words: { title, says, outcome, cause } }) => ({
      ...{ ...row, id, title, says, outcome, cause },
    })),
  );
  insertRows(
    store,
    entryFindings,
    numbered.flatMap(({ id, words: { findings } }) =>
      [...new Set(findings)].map((finding) => ({ entryId: id, finding })),
    ),
  );
  insertRows(
    store,
    entryWords,
    numbered.map(({ id, words: { words } }) => ({ rowid: id, words: words.join('\n') })),
  );
}

const staleOnes = perStore((store) =>
  store.select().from(staleEntries).orderBy(staleEntries.kind).limit(AT_ONCE).prepare(),
);
const deleteStale = perStore((store) =>
  store
    .delete(staleEntries)
    .where(and(eq(staleEntries.kind, sql.placeholder('kind')), among(staleEntries.of)))
    .prepare(),
);

/**
 * Lists anew what was written since: triggers of the database have named it. Called within the transaction that wrote it, and
 * when a database of an older version is opened.
 */
export function listAnew(store: Store): void {
  for (;;) {
    const stale = staleOnes(store).all();
    if (stale.length === 0) return;
    const { kind } = stale[0];
    const ids = stale.flatMap((one) => (one.kind === kind ? [one.of] : []));
    takeOut(store, kind, ids);
    putIn(store, readOneByOne(store, kind, ids));
    deleteStale(store).run({ kind, ...asText(ids) });
  }
}
