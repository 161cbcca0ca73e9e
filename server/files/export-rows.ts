import { asc, eq, gt, inArray } from 'drizzle-orm';
import { PROOFS } from '../../core/start/proofs';
import {
  type RecordRows,
  type BeadRow,
  type RecordKind,
  type SavedSettingRow,
  type WeldRow,
} from '../../core/record/shapes/record-file-schema';
import type { Inspection, NewRepair } from '../../core/record/shapes/weld-schema';
import type { Limits } from '../../core/inspection/level-schema';
import { readable, toBead, toJob, toPicture, toSetup, type Unreadable } from '../db/tables/rows';
import {
  beads,
  care,
  coupons,
  jobs,
  levels,
  pictures,
  proven,
  rigs,
  setups,
  welds,
  weldSteps,
} from '../db/tables/schema';
import type { Store } from '../db/engine/store';

type Report = (row: Unreadable) => void;

const tables = { rigs, setups, coupons, jobs, beads, proven, welds, care, levels, pictures } as const;

/** Rows of one table by their ids. */
function rowsOf<Kind extends Exclude<RecordKind, 'proven'>>(store: Store, kind: Kind, ids: readonly string[]) {
  const table = tables[kind];
  return store
    .select()
    .from(table as typeof rigs)
    .where(inArray(table.id, [...ids]))
    .orderBy(asc(table.id))
    .all() as unknown as (typeof tables)[Kind]['$inferSelect'][];
}

function keptProven(store: Store, ids: readonly string[]): { id: string; row: SavedSettingRow }[] {
  const rows = store
    .select({ kept: proven, couponId: beads.couponId })
    .from(proven)
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .where(inArray(proven.id, [...ids]))
    .orderBy(asc(proven.id))
    .all();
  return rows.map(({ kept: { id, beadId, provenAt, by, how, run, note, putAway }, couponId }) => {
    const ways = JSON.parse(how) as (typeof PROOFS)[number][];
    const row = { id, couponId, beadId, provenAt, by, how: ways, ...(run === null ? {} : { run }), note, putAway };
    return { id, row };
  });
}

function keptWelds(store: Store, ids: readonly string[]): WeldRow[] {
  const rows = rowsOf(store, 'welds', ids);
  const steps = store
    .select()
    .from(weldSteps)
    .where(
      inArray(
        weldSteps.weldId,
        rows.map(({ id }) => id),
      ),
    )
    .orderBy(asc(weldSteps.seq))
    .all();
  const of = new Map<string, WeldRow['steps']>(rows.map(({ id }) => [id, []]));
  for (const { weldId, kind, facts } of steps)
    of.get(weldId)?.push(
      kind === 'inspection'
        ? { inspection: JSON.parse(facts) as Inspection }
        : { repair: JSON.parse(facts) as NewRepair },
    );
  return rows.map(({ state: _, revision: __, ...row }) => ({ ...row, steps: of.get(row.id) ?? [] }));
}

/** How the rows of each kind are read as things of the record; a row that cannot be read is passed over and reported. */
const READ: { [kind in RecordKind]: (store: Store, ids: readonly string[], report: Report) => RecordRows[kind] } = {
  rigs: (store, ids) => rowsOf(store, 'rigs', ids).map(({ revision: _, ...row }) => row),
  setups: (store, ids, report) =>
    readable('setups', rowsOf(store, 'setups', ids), toSetup, report).map(({ revision: _, ...row }) => row),
  coupons: (store, ids) =>
    rowsOf(store, 'coupons', ids).map(({ beadCount: _, soundNumber: __, revision: ___, ...row }) => row),
  jobs: (store, ids, report) =>
    readable('jobs', rowsOf(store, 'jobs', ids), (row) => ({ ...toJob(row), couponId: row.couponId }), report),
  beads: (store, ids, report) =>
    readable('beads', rowsOf(store, 'beads', ids), toBead, report).map(
      ({ revision: _, by, outcomeBy, ...row }): BeadRow => ({
        ...row,
        // A file of before, or of another program, says nothing of who.
        ...(by == null ? {} : { by }),
        ...(outcomeBy == null ? {} : { outcomeBy }),
      }),
    ),
  proven: (store, ids) => keptProven(store, ids).map(({ row }) => row),
  welds: (store, ids) => keptWelds(store, ids),
  care: (store, ids) => rowsOf(store, 'care', ids),
  levels: (store, ids) =>
    rowsOf(store, 'levels', ids).map(({ revision: _, limits, ...row }) => ({
      ...row,
      limits: JSON.parse(limits) as Limits,
    })),
  pictures: (store, ids, report) =>
    readable('pictures', rowsOf(store, 'pictures', ids), (row) => toPicture(row), report).map(
      ({ revision: _, ...row }) => row,
    ),
};

/** Things of one kind as the record has them. */
export function rowsToExport<Kind extends RecordKind>(
  store: Store,
  kind: Kind,
  ids: readonly string[],
  report: Report,
): RecordRows[Kind] {
  return READ[kind](store, ids, report);
}

/** How many things are read at once. */
export const A_PAGE = 500;

/** Every id of a kind after one, in their order: the keys by which a table is gone through. */
export function idsAfter(store: Store, kind: RecordKind, after: string, limit = A_PAGE): string[] {
  const table = tables[kind];
  return store
    .select({ id: table.id })
    .from(table as typeof rigs)
    .where(gt(table.id, after))
    .orderBy(asc(table.id))
    .limit(limit)
    .all()
    .map(({ id }) => id);
}
