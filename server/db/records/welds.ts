import { and, asc, between, desc, eq, sql } from 'drizzle-orm';
import { judged, weldState } from '../../../core/record/change/weld-state';
import type {
  Inspection,
  NewInspection,
  NewRepair,
  NewWeld,
  Weld,
  WeldChange,
  WeldPage,
  WeldState,
} from '../../../core/record/shapes/weld-schema';
import { recountWelds } from './counts';
import { Refusal } from '../../errors/refusal';
import { readable, toJob, type Unreadable } from '../tables/rows';
import { sameDocument } from '../tables/same-document';
import { beads, jobs, proven, rigs, welds, weldSteps } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Store } from '../engine/store';
import type { Writing } from './write';

type Report = (unreadable: Unreadable) => void;

/** Which welds are asked for. */
export type WeldFilter = {
  state?: WeldState;
  provenId?: string;
  text?: string;
  putAway?: boolean;
  after?: { weldedAt: string; id: string };
  limit: number;
};

const joined = (store: Store) =>
  store
    .select({ weld: welds, rigId: rigs.id, rigName: rigs.name, job: jobs })
    .from(welds)
    .innerJoin(proven, eq(welds.provenId, proven.id))
    .innerJoin(rigs, eq(proven.rigId, rigs.id))
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id));
type Joined = {
  weld: typeof welds.$inferSelect;
  rigId: string;
  rigName: string;
  job: typeof jobs.$inferSelect;
};

function stepsOf(store: Store, weldId: string): Pick<Weld, 'inspections' | 'repairs'> {
  const rows = store.select().from(weldSteps).where(eq(weldSteps.weldId, weldId)).orderBy(asc(weldSteps.seq)).all();
  const of = <T>(kind: string): T[] => rows.flatMap((row) => (row.kind === kind ? [JSON.parse(row.facts) as T] : []));
  return { inspections: of<Inspection>('inspection'), repairs: of<NewRepair>('repair') };
}

const toWeld =
  (store: Store) =>
  ({ weld, rigId, rigName, job }: Joined): Weld => ({
    ...weld,
    ...{ rigId, rigName, job: toJob(job).job },
    ...stepsOf(store, weld.id),
  });

/** A weld with its inspections and repairs; null where there is none. */
export function findWeld(store: Store, id: string): Weld | null {
  const row = joined(store).where(eq(welds.id, id)).get();
  return row === undefined ? null : toWeld(store)(row);
}

const readAll = (store: Store, rows: readonly Joined[], report: Report): Weld[] =>
  readable(
    'welds',
    rows.map((row) => ({ id: row.weld.id, ...row })),
    toWeld(store),
    report,
  );

/** One page of welds, the newest first. */
export function pageOfWelds(store: Store, filter: WeldFilter, report: Report): WeldPage {
  const { state, provenId, text, putAway = false, after, limit } = filter;
  const rows = joined(store)
    .where(
      and(
        eq(welds.putAway, putAway),
        state === undefined ? undefined : eq(welds.state, state),
        provenId === undefined ? undefined : eq(welds.provenId, provenId),
        text === undefined ? undefined : sql`${welds.title} LIKE ${`%${text.replace(/[%_]/g, '')}%`}`,
        after === undefined ? undefined : sql`(${welds.weldedAt}, ${welds.id}) < (${after.weldedAt}, ${after.id})`,
      ),
    )
    .orderBy(desc(welds.weldedAt), desc(welds.id))
    .limit(limit + 1)
    .all();
  const page = rows.slice(0, limit);
  const last = page.at(-1)?.weld;
  return {
    welds: readAll(store, page, report),
    next: rows.length > page.length && last !== undefined ? `${last.weldedAt}~${last.id}` : null,
  };
}

/** Welds that were written in these revisions. */
export function weldsBetween(store: Store, from: number, to: number, report: Report): Weld[] {
  const rows = joined(store)
    .where(between(welds.revision, from, to))
    .orderBy(asc(welds.revision))
    .all();
  return readAll(store, rows, report);
}

/** Returns what may change of a weld, as it stands, with the coupon it goes back to; null where there is none. */
export function weldNow(store: Store, id: string): (Required<WeldChange> & { couponId: string }) | null {
  const { title, note, putAway } = welds;
  return (
    store
      .select({ title, note, putAway, couponId: beads.couponId })
      .from(welds)
      .innerJoin(proven, eq(welds.provenId, proven.id))
      .innerJoin(beads, eq(proven.beadId, beads.id))
      .where(eq(welds.id, id))
      .get() ?? null
  );
}

/** Logs a weld that is not kept yet. @throws Refusal where its setting is not kept */
export function logWeld(writing: Writing, weld: NewWeld): void {
  const { store, revision } = writing;
  const { provenId } = weld;
  if (store.select({ id: proven.id }).from(proven).where(eq(proven.id, provenId)).get() === undefined)
    throw new Refusal('wrong-fields', [{ field: 'provenId', takes: 'the id of a setting that is kept' }]);
  store
    .insert(welds)
    .values({ ...weld, putAway: false, state: 'to-inspect', revision: revision() })
    .run();
  recountWelds(store, [provenId], revision());
}

/** Names a weld otherwise, notes something on it, puts it away or brings it back. */
export function setWeld(writing: Writing, id: string, fields: WeldChange): void {
  const { store, revision } = writing;
  setRow(store, welds, id, { ...fields, revision: revision() });
  if (fields.putAway === undefined) return;
  const { provenId } = store.select({ provenId: welds.provenId }).from(welds).where(eq(welds.id, id)).get()!;
  recountWelds(store, [provenId], revision());
}

/**
 * Writes an inspection or a repair of a weld. One that is kept already may only be named as it stands, and changes nothing.
 * @returns whether it was new
 */
function writeStep(
  { store, revision }: Writing,
  weldId: string,
  kind: 'inspection' | 'repair',
  id: string,
  same: (kept: unknown) => boolean,
  facts: (weld: Weld) => object,
): boolean {
  const kept = store.select().from(weldSteps).where(eq(weldSteps.id, id)).get();
  if (kept !== undefined) {
    if (kept.weldId !== weldId || kept.kind !== kind || !same(JSON.parse(kept.facts)))
      throw new Refusal('conflict', [{ field: 'id', takes: 'an id of its own: what was written is never changed' }]);
    return false;
  }
  const weld = findWeld(store, weldId);
  if (weld === null) throw new Error(`weld ${weldId} is gone`);
  store
    .insert(weldSteps)
    .values({ id, weldId, kind, facts: JSON.stringify(facts(weld)) })
    .run();
  const { inspections, repairs } = stepsOf(store, weldId);
  setRow(store, welds, weldId, { state: weldState(inspections, repairs), revision: revision() });
  return true;
}

const sameAs =
  (sent: object) =>
  (kept: unknown): boolean =>
    sameDocument(JSON.stringify(kept), JSON.stringify(sent));

/** Writes an inspection with what is made of it. @throws Refusal as for any step */
export function inspect(writing: Writing, weldId: string, inspection: NewInspection): boolean {
  const isSame = (kept: unknown): boolean => {
    const { judged: _, ...sent } = kept as Inspection;
    return sameAs(inspection)(sent);
  };
  return writeStep(writing, weldId, 'inspection', inspection.id, isSame, (weld) => judged(weld, inspection));
}

/** Writes a repair. @throws Refusal where what it repairs was not inspected on this weld */
export function repair(writing: Writing, weldId: string, done: NewRepair): boolean {
  return writeStep(writing, weldId, 'repair', done.id, sameAs(done), ({ inspections }) => {
    if (!inspections.some(({ id }) => id === done.inspectionId))
      throw new Refusal('wrong-fields', [{ field: 'inspectionId', takes: 'the id of an inspection of this weld' }]);
    return done;
  });
}
