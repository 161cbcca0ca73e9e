import { and, count, eq, min } from 'drizzle-orm';
import { firstShown } from '../../core/record/outcome';
import type { Bead, BeadChange, NewBead } from '../../core/record/schema';
import type { FieldProblem } from '../../core/schema/problems';
import type { Store } from './store';
import { nextNumber } from './next-number';
import { Refusal } from './refusal';
import { sameDocument } from './same-document';
import { toBead, type BeadDocument } from './rows';
import { beads, coupons, jobs, setups } from './schema';
import type { Writing } from './write';

export function findBead(store: Store, id: string): Bead | null {
  const row = store.select().from(beads).where(eq(beads.id, id)).get();
  return row === undefined ? null : toBead(row);
}

/** What a new bead names must be kept, and the version of the job must be of its own coupon. */
function missing(store: Store, { couponId, setupId, jobId }: NewBead): FieldProblem[] {
  const problems: FieldProblem[] = [];
  if (store.select({ id: coupons.id }).from(coupons).where(eq(coupons.id, couponId)).get() === undefined)
    problems.push({ field: 'couponId', takes: 'the id of a coupon that is kept' });
  if (store.select({ id: setups.id }).from(setups).where(eq(setups.id, setupId)).get() === undefined)
    problems.push({ field: 'setupId', takes: 'the id of a setup that is kept' });
  const ofCoupon = and(eq(jobs.id, jobId), eq(jobs.couponId, couponId));
  if (store.select({ id: jobs.id }).from(jobs).where(ofCoupon).get() === undefined)
    problems.push({ field: 'jobId', takes: 'a version of the job of that coupon' });
  return problems;
}

function documentOf(bead: Omit<Bead, 'number' | 'takenBack' | 'revision'>): string {
  const { settings, readings, schools, findings, names, verdict, move, judgedBy, heard, experience, cured, leaves } =
    bead;
  const document: BeadDocument = {
    ...{ settings, readings, schools, findings, names, verdict, move, judgedBy },
    ...{ heard, experience, cured, leaves },
  };
  return JSON.stringify(document);
}

/** The row of a bead. */
export function beadRow(bead: Omit<Bead, 'revision'>, revision: number): typeof beads.$inferInsert {
  const { id, couponId, setupId, jobId, ranAt, number, outcome, note, takenBack, appearance, findings, names } = bead;
  const { by = null, outcomeBy = null } = bead;
  return {
    ...{ id, couponId, setupId, jobId, ranAt, number, outcome, note, takenBack, revision, by, outcomeBy },
    facts: documentOf(bead),
    appearance: appearance === null ? null : JSON.stringify(appearance),
    shows: firstShown({ findings, names }),
  };
}

/** Counts the beads of a coupon anew, and its first sound one. */
function recount({ store, revision }: Writing, couponId: string): void {
  const kept = and(eq(beads.couponId, couponId), eq(beads.takenBack, false));
  const [{ beadCount }] = store.select({ beadCount: count() }).from(beads).where(kept).all();
  const [{ soundNumber }] = store
    .select({ soundNumber: min(beads.number) })
    .from(beads)
    .where(and(kept, eq(beads.outcome, 'sound')))
    .all();
  store.update(coupons).set({ beadCount, soundNumber, revision: revision() }).where(eq(coupons.id, couponId)).run();
}

/** Fields in which a bead that is logged already differs from the one that was sent. */
function differences(kept: typeof beads.$inferSelect, bead: NewBead): string[] {
  const single = (['couponId', 'setupId', 'jobId', 'ranAt'] as const).filter((field) => kept[field] !== bead[field]);
  return sameDocument(kept.facts, documentOf(bead))
    ? single
    : [...single, 'settings, findings and what was made of them'];
}

/**
 * Logs a bead and gives it its number; the same bead again changes nothing.
 * @returns whether it was new
 * @throws Refusal when it names what is not kept, or another bead has its id
 */
export function logBead(writing: Writing, bead: NewBead, by: string | null = null): boolean {
  const { store, revision } = writing;
  const kept = store.select().from(beads).where(eq(beads.id, bead.id)).get();
  if (kept !== undefined) {
    const [field] = differences(kept, bead);
    if (field !== undefined)
      throw new Refusal('conflict', [{ field, takes: 'what was logged: a bead is not changed' }]);
    return false;
  }
  const problems = missing(store, bead);
  if (problems.length > 0) throw new Refusal('wrong-fields', problems);
  store
    .insert(beads)
    .values(beadRow({ ...bead, by, number: nextNumber(store, bead.couponId), takenBack: false }, revision()))
    .run();
  recount(writing, bead.couponId);
  return true;
}

/** Judges a bead, notes something on it, takes it back or brings it back. @param by who does */
export function setBead(
  writing: Writing,
  id: string,
  couponId: string,
  fields: BeadChange,
  by: string | null = null,
): void {
  const judged = fields.outcome === undefined ? {} : { outcomeBy: fields.outcome === null ? null : by };
  writing.store
    .update(beads)
    .set({ ...fields, ...judged, revision: writing.revision() })
    .where(eq(beads.id, id))
    .run();
  recount(writing, couponId);
}

/** What may change of a bead, as it stands, with its coupon; null where there is none. */
export function beadNow(store: Store, id: string): (Required<BeadChange> & { couponId: string }) | null {
  const { outcome, note, takenBack, couponId } = beads;
  return store.select({ outcome, note, takenBack, couponId }).from(beads).where(eq(beads.id, id)).get() ?? null;
}
