import { and, eq, inArray, sql } from 'drizzle-orm';
import { readRecord, type Refused } from '../../core/record/change/read-record-file';
import {
  RECORD_KINDS,
  type RecordRows,
  type RecordKind,
  type WeldRow,
} from '../../core/record/shapes/record-file-schema';
import { weldState } from '../../core/record/change/weld-state';
import { insertAll, stepRows, stepsOf } from '../db/records/insert-all';
import { beads, coupons, levels, pictures, proven, rigs, welds, weldSteps } from '../db/tables/schema';
import type { Store } from '../db/engine/store';
import { write, type Writing } from '../db/records/write';
import { storedById, planFor, type Plan } from './import-plan';

/** What taking a file in comes to, by kind, for people and programs. */
export type ImportReport = {
  counts: { [kind in RecordKind]?: { added: number; changed: number; same: number } };
  /** How many cannot be taken, and the first of them with the reason. */
  refused: number;
  reasons: string[];
  /** Whether it was written: only where nothing is refused. */
  done: boolean;
};

/** Reasons that are told: a person reads no more. */
const MOST_REASONS = 20;

function reportOf({ add, change, same }: Plan, refused: readonly Refused[], done: boolean): ImportReport {
  const counts = Object.fromEntries(
    RECORD_KINDS.flatMap((kind) => {
      const of = { added: add[kind].length, changed: change[kind].length, same: same[kind] };
      return of.added + of.changed + of.same === 0 ? [] : [[kind, of]];
    }),
  );
  return { counts, refused: refused.length, reasons: refused.slice(0, MOST_REASONS).map(({ why }) => why), done };
}

/** What new things name that stands here already. */
function knownFor(
  store: Store,
  { beads: ran, proven: kept, welds: welded }: RecordRows,
): Parameters<typeof insertAll>[2] {
  const of = <Kind extends RecordKind>(kind: Kind, ids: readonly string[]) =>
    [...storedById(store, kind, [...new Set(ids)]).values()] as unknown as RecordRows[Kind];
  const [inFile, newProven] = [new Set(ran.map(({ id }) => id)), new Set(kept.map(({ id }) => id))];
  const known = of(
    'beads',
    kept.flatMap(({ beadId }) => (inFile.has(beadId) ? [] : [beadId])),
  );
  const all = [...known, ...ran];
  return {
    beads: known,
    setups: of(
      'setups',
      all.map(({ setupId }) => setupId),
    ),
    jobs: of(
      'jobs',
      all.map(({ jobId }) => jobId),
    ),
    proven: of(
      'proven',
      welded.flatMap(({ provenId }) => (newProven.has(provenId) ? [] : [provenId])),
    ),
  };
}

/** Writes what is otherwise in the file. */
function change({ store, revision }: Writing, things: RecordRows): void {
  const at = { revision: revision() };
  for (const { id, ...fields } of things.rigs)
    store
      .update(rigs)
      .set({ ...fields, ...at })
      .where(eq(rigs.id, id))
      .run();
  for (const { id, title, rigId, putAway, jobId } of things.coupons)
    store
      .update(coupons)
      .set({ title, rigId, putAway, jobId, ...at })
      .where(eq(coupons.id, id))
      .run();
  for (const { id, outcome, note, takenBack } of things.beads)
    store
      .update(beads)
      .set({ outcome, note, takenBack, ...at })
      .where(eq(beads.id, id))
      .run();
  for (const { id, note, putAway } of things.proven)
    store
      .update(proven)
      .set({ note, putAway, ...at })
      .where(eq(proven.id, id))
      .run();
  for (const { id, view, note, takenBack, measuring } of things.pictures)
    store
      .update(pictures)
      .set({ view, note, takenBack, measuring: measuring === null ? null : JSON.stringify(measuring), ...at })
      .where(eq(pictures.id, id))
      .run();
  for (const weld of things.welds) changeWeld(store, weld, at);
  for (const { id, limits, ...level } of things.levels)
    store
      .update(levels)
      .set({ ...level, limits: JSON.stringify(limits), ...at })
      .where(eq(levels.id, id))
      .run();
}

function changeWeld(store: Store, weld: WeldRow, at: { revision: number }): void {
  const { id, title, note, putAway } = weld;
  const kept = store.select({ id: weldSteps.id }).from(weldSteps).where(eq(weldSteps.weldId, id)).all();
  const added = stepRows(weld).slice(kept.length);
  if (added.length > 0) store.insert(weldSteps).values(added).run();
  const { inspections, repairs } = stepsOf(weld);
  const state = weldState(inspections, repairs);
  store
    .update(welds)
    .set({ title, note, putAway, state, ...at })
    .where(eq(welds.id, id))
    .run();
}

/** Coupons and settings that had beads or welds before are counted anew. */
function recount(store: Store, { add, change: changed }: Plan): void {
  const couponIds = [...new Set([...add.beads, ...changed.beads].map(({ couponId }) => couponId))];
  const provenIds = [...new Set([...add.welds, ...changed.welds].map(({ provenId }) => provenId))];
  const standing = sql`${beads.couponId} = ${coupons.id} AND NOT ${beads.takenBack}`;
  for (let from = 0; from < couponIds.length; from += 500)
    store
      .update(coupons)
      .set({
        beadCount: sql`(SELECT count(*) FROM ${beads} WHERE ${standing})`,
        soundNumber: sql`(SELECT min(${beads.number}) FROM ${beads} WHERE ${standing} AND ${beads.outcome} = 'sound')`,
      })
      .where(inArray(coupons.id, couponIds.slice(from, from + 500)))
      .run();
  for (let from = 0; from < provenIds.length; from += 500)
    store
      .update(proven)
      .set({
        weldCount: sql`(SELECT count(*) FROM ${welds} WHERE ${and(eq(welds.provenId, proven.id), eq(welds.putAway, false))})`,
      })
      .where(inArray(proven.id, provenIds.slice(from, from + 500)))
      .run();
}

/**
 * Takes a record in, all or nothing: where anything of it is refused, nothing is written.
 * @param input parsed JSON of a file
 * @param preview only says what it would come to
 */
export async function importRecord(store: Store, input: unknown, preview: boolean): Promise<ImportReport> {
  const { kept, refused } = readRecord(input);
  if (kept === null)
    return { counts: {}, refused: refused.length, reasons: refused.map(({ why }) => why), done: false };
  if (preview) {
    const plan = planFor(store, kept);
    return reportOf(plan, [...refused, ...plan.refused], false);
  }
  return write(store, (writing) => {
    const plan = planFor(writing.store, kept);
    const all = [...refused, ...plan.refused];
    if (all.length > 0) return reportOf(plan, all, false);
    const isEmpty = RECORD_KINDS.every((kind) => plan.add[kind].length + plan.change[kind].length === 0);
    if (!isEmpty) {
      insertAll(writing, plan.add, knownFor(writing.store, plan.add));
      change(writing, plan.change);
      recount(writing.store, plan);
    }
    return reportOf(plan, [], true);
  });
}
