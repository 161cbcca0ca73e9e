import isSame from 'fast-deep-equal';
import { inArray } from 'drizzle-orm';
import type { Refused } from '../../core/record/file/read-record-file';
import { noRows } from '../../core/record/file/record-file-schema';
import { RECORD_KINDS, THINGS, type RecordKind, type RecordRows } from '../../core/record/kinds/all';
import type { ThingDescriptor } from '../../core/record/kinds/descriptor';
import type { Store } from '../db/engine/store';
import { beads } from '../db/tables/schema';
import { A_PAGE, rowsToExport } from '../db/kinds/export-rows';

type Thing = Record<string, unknown> & { id: string };
type Counts = { [kind in RecordKind]: number };

/** What taking a record in would come to. */
export type Plan = {
  /** Not kept here yet. */
  add: RecordRows;
  /** Kept here, and otherwise in the file in what may change: each as the file has it. */
  change: RecordRows;
  same: Counts;
  refused: Refused[];
};

const none = (): Counts => Object.fromEntries(RECORD_KINDS.map((kind) => [kind, 0])) as Counts;

/** Returns what is kept of some ids, by id. */
export function storedById(store: Store, kind: RecordKind, ids: readonly string[]): Map<string, Thing> {
  const found = new Map<string, Thing>();
  for (let from = 0; from < ids.length; from += A_PAGE)
    for (const thing of rowsToExport(store, kind, ids.slice(from, from + A_PAGE), () => undefined))
      found.set(thing.id, thing as unknown as Thing);
  return found;
}

/** Steps that are kept already stand first and as they are; a file may only add to them. */
function stepsGoOn(now: unknown, then: unknown): boolean {
  const [kept, told] = [now as unknown[], then as unknown[]];
  return kept.every((step, i) => isSame(step, told[i]));
}

/** Why a thing that is kept here cannot be as the file has it; null where it can. */
function clash(kind: RecordKind, now: Thing, then: Thing): string | null {
  const { mayChange }: ThingDescriptor = THINGS[kind];
  const differs = [...new Set([...Object.keys(now), ...Object.keys(then)])].filter(
    (field) => !isSame(now[field] ?? null, then[field] ?? null),
  );
  const fixed = differs.find((field) => !mayChange.includes(field));
  if (fixed !== undefined) return `its ${fixed} is another here, and is never changed`;
  if (kind === 'welds' && !stepsGoOn(now.steps, then.steps))
    return 'it was inspected or repaired otherwise here, and what was written is never changed';
  return null;
}

/** Numbers of beads that another bead of the coupon has here already. */
function numberTaken(store: Store, kept: RecordRows): Map<string, string> {
  const taken = new Map<string, string>();
  const couponIds = [...new Set(kept.beads.map(({ couponId }) => couponId))];
  const here = new Map<string, string>();
  for (let from = 0; from < couponIds.length; from += A_PAGE)
    store
      .select({ id: beads.id, couponId: beads.couponId, number: beads.number })
      .from(beads)
      .where(inArray(beads.couponId, couponIds.slice(from, from + A_PAGE)))
      .all()
      .forEach(({ id, couponId, number }) => here.set(`${couponId} ${number}`, id));
  for (const { id, couponId, number } of kept.beads) {
    const key = `${couponId} ${number}`;
    const other = here.get(key);
    if (other !== undefined && other !== id) taken.set(id, `bead ${number} of its coupon is another`);
    here.set(key, id);
  }
  return taken;
}

/**
 * Returns what taking a record in would come to: what is new, what is otherwise here, and what cannot be taken, each with its reason.
 * Nothing is written.
 * @param kept things that hold what their schemas take
 */
export function planFor(store: Store, kept: RecordRows): Plan {
  const plan: Plan = { add: noRows(), change: noRows(), same: none(), refused: [] };
  const inFile = Object.fromEntries(RECORD_KINDS.map((kind) => [kind, new Set(kept[kind].map(({ id }) => id))])) as {
    [kind in RecordKind]: Set<string>;
  };
  const numbers = numberTaken(store, kept);
  for (const kind of RECORD_KINDS) {
    const names: readonly (readonly [field: string, of: RecordKind])[] = THINGS[kind].names;
    const things = kept[kind] as unknown as Thing[];
    const here = storedById(
      store,
      kind,
      things.map(({ id }) => id),
    );
    const elsewhere = new Map(
      names.map(([field, of]) => {
        const named = things
          .flatMap((thing) => (thing[field] === null ? [] : [String(thing[field])]))
          .filter((id) => !inFile[of].has(id));
        return [field, storedById(store, of, [...new Set(named)])];
      }),
    );
    for (const thing of things) {
      const now = here.get(thing.id);
      const lost = names.find(
        ([field, of]) =>
          thing[field] !== null &&
          !inFile[of].has(String(thing[field])) &&
          !elsewhere.get(field)!.has(String(thing[field])),
      );
      const numbered = kind === 'beads' ? numbers.get(thing.id) : undefined;
      const why =
        lost !== undefined
          ? `it names a ${THINGS[lost[1]].name} that is neither in the file nor here`
          : (numbered ?? (now === undefined ? null : clash(kind, now, thing)));
      if (why !== null) plan.refused.push({ kind, id: thing.id, why: `The ${THINGS[kind].name} ${thing.id}: ${why}.` });
      else if (now === undefined) (plan.add[kind] as unknown[]).push(thing);
      else if (isSame(now, thing)) plan.same[kind] += 1;
      else (plan.change[kind] as unknown[]).push(thing);
    }
  }
  // What is named must be of the same rig and coupon: else a bead would stand on a plate that is not its own.
  plan.refused.push(...strangers(store, kept));
  return plan;
}

/** Beads whose job is another coupon's, and settings that are kept of another coupon than their bead's. */
function strangers(store: Store, kept: RecordRows): Refused[] {
  const jobs = new Map([
    ...storedById(store, 'jobs', [...new Set(kept.beads.map(({ jobId }) => jobId))]),
    ...kept.jobs.map((job) => [job.id, job as unknown as Thing] as const),
  ]);
  const ran = new Map([
    ...storedById(store, 'beads', [...new Set(kept.proven.map(({ beadId }) => beadId))]),
    ...kept.beads.map((bead) => [bead.id, bead as unknown as Thing] as const),
  ]);
  const other = (kind: RecordKind, id: string, what: string): Refused => ({
    kind,
    id,
    why: `The ${THINGS[kind].name} ${id}: its ${what} is another coupon's.`,
  });
  return [
    ...kept.beads.flatMap(({ id, jobId, couponId }) => {
      const job = jobs.get(jobId);
      return job === undefined || job.couponId === couponId ? [] : [other('beads', id, 'job')];
    }),
    ...kept.proven.flatMap(({ id, beadId, couponId }) => {
      const bead = ran.get(beadId);
      return bead === undefined || bead.couponId === couponId ? [] : [other('proven', id, 'bead')];
    }),
  ];
}
