import { weldState } from '../../../core/record/change/weld-state';
import type { Inspection, NewRepair } from '../../../core/record/shapes/weld-schema';
import type { RecordRows, WeldRow } from '../../../core/record/shapes/record-file-schema';
import { beadRow } from './beads';
import { pictureRow } from './pictures';
import { provenRow } from './saved-settings';
import { insertRows } from '../engine/insert-rows';
import { factsOf } from './rigs';
import { beads, care, coupons, jobs, levels, pictures, proven, rigs, setups, welds, weldSteps } from '../tables/schema';
import type { Writing } from './write';

/** The inspections and repairs of a weld. */
export const stepsOf = ({ steps }: WeldRow): { inspections: Inspection[]; repairs: NewRepair[] } => ({
  inspections: steps.flatMap((step) => ('inspection' in step ? [step.inspection] : [])),
  repairs: steps.flatMap((step) => ('repair' in step ? [step.repair] : [])),
});

/** The rows of the inspections and repairs of a weld, in their order. */
export const stepRows = ({ id: weldId, steps }: WeldRow): (typeof weldSteps.$inferInsert)[] =>
  steps.map((step) => {
    const [kind, facts] =
      'inspection' in step ? (['inspection', step.inspection] as const) : (['repair', step.repair] as const);
    return { id: facts.id, weldId, kind, facts: JSON.stringify(facts) };
  });

/** Things by their ids. */
const byId = <Thing extends { id: string }>(things: readonly Thing[]): Map<string, Thing> =>
  new Map(things.map((thing) => [thing.id, thing]));

function found<Thing>(things: ReadonlyMap<string, Thing>, id: string, what: string): Thing {
  const thing = things.get(id);
  if (thing === undefined) throw new RangeError(`there is no ${what} ${id}`);
  return thing;
}

/**
 * Writes many things at once that are not kept yet, each as it is given, with what the server counts made of them. Far
 * quicker than one by one; nothing is asked of each, so that what names others has to be known to be whole
 * (see core/record/shapes/record-file-schema.ts). What is kept already and is named must be among `known`.
 * @param kept what goes in
 * @param known jobs, setups and beads that stand there already and that new things name
 * @throws RangeError for a kept setting or weld whose bead, job or setup is in neither
 */
export function insertAll(
  { store, revision }: Writing,
  kept: RecordRows,
  known: Pick<RecordRows, 'setups' | 'jobs' | 'beads' | 'proven'> = { setups: [], jobs: [], beads: [], proven: [] },
): void {
  const at = revision();
  const [allSetups, allJobs] = [byId([...known.setups, ...kept.setups]), byId([...known.jobs, ...kept.jobs])];
  const allBeads = byId([...known.beads, ...kept.beads]);

  const standing = new Map<string, typeof kept.beads>();
  for (const bead of kept.beads)
    if (!bead.takenBack) standing.set(bead.couponId, [...(standing.get(bead.couponId) ?? []), bead]);
  const counted = (couponId: string) => {
    const own = standing.get(couponId) ?? [];
    const sound = own.flatMap(({ outcome, number }) => (outcome === 'sound' ? [number] : []));
    return { beadCount: own.length, soundNumber: sound.length === 0 ? null : Math.min(...sound) };
  };
  const welded = new Map<string, number>();
  for (const { provenId, putAway } of kept.welds) if (!putAway) welded.set(provenId, (welded.get(provenId) ?? 0) + 1);

  insertRows(
    store,
    rigs,
    kept.rigs.map((rig) => ({ ...rig, revision: at })),
  );
  insertRows(
    store,
    setups,
    kept.setups.map(({ id, rigId, fittedAt, assumed, ...facts }) => ({
      ...{ id, rigId, fittedAt, assumed, revision: at },
      facts: factsOf(facts),
    })),
  );
  insertRows(
    store,
    coupons,
    kept.coupons.map((coupon) => ({ ...coupon, ...counted(coupon.id), revision: at })),
  );
  insertRows(
    store,
    jobs,
    kept.jobs.map(({ job, ...row }) => ({ ...row, job: JSON.stringify(job) })),
  );
  insertRows(
    store,
    beads,
    kept.beads.map((bead) => beadRow(bead, at)),
  );
  insertRows(
    store,
    proven,
    kept.proven.map((setting) => {
      const { setupId, jobId } = found(allBeads, setting.beadId, 'bead');
      const { job } = found(allJobs, jobId, 'version of a job');
      const counts = { ...setting, welds: welded.get(setting.id) ?? 0 };
      return provenRow(counts, job, found(allSetups, setupId, 'setup'), at);
    }),
  );
  insertRows(
    store,
    welds,
    kept.welds.map((weld) => {
      const { steps: _, ...row } = weld;
      const { inspections, repairs } = stepsOf(weld);
      return { ...row, state: weldState(inspections, repairs), revision: at };
    }),
  );
  insertRows(store, weldSteps, kept.welds.flatMap(stepRows));
  insertRows(store, care, kept.care);
  insertRows(
    store,
    pictures,
    kept.pictures.map((picture) => pictureRow(picture, at)),
  );
  insertRows(
    store,
    levels,
    kept.levels.map(({ limits, ...level }) => ({ ...level, limits: JSON.stringify(limits), revision: at })),
  );
}
