import { and, eq, sql } from 'drizzle-orm';
import { firstShown } from '../../../core/record/words/outcome';
import type { Bead, BeadChange, NewBead } from '../../../core/record/shapes/record-schema';
import type { FieldProblem } from '../../../core/schema/problems';
import type { Store } from '../engine/store';
import { insertRows } from '../engine/insert-rows';
import { recountBeads } from './counts';
import { nextNumber } from './next-number';
import { perStore } from '../engine/prepared';
import { Refusal } from '../../errors/refusal';
import { sameDocument } from '../tables/same-document';
import { setRow } from '../engine/set-row';
import { toBead, type BeadDocument } from '../tables/rows';
import { beads, coupons, jobs, setups } from '../tables/schema';
import type { Writing } from './write';

const byId = perStore((store) =>
  store
    .select()
    .from(beads)
    .where(eq(beads.id, sql.placeholder('id')))
    .prepare(),
);

export function findBead(store: Store, id: string): Bead | null {
  const row = byId(store).get({ id });
  return row === undefined ? null : toBead(row);
}

/** What a new bead may name, each with how it is looked for. */
const NAMED = [
  {
    field: 'couponId',
    takes: 'the id of a coupon that is kept',
    kept: perStore((store) =>
      store
        .select({ id: coupons.id })
        .from(coupons)
        .where(eq(coupons.id, sql.placeholder('couponId')))
        .prepare(),
    ),
  },
  {
    field: 'setupId',
    takes: 'the id of a setup that is kept',
    kept: perStore((store) =>
      store
        .select({ id: setups.id })
        .from(setups)
        .where(eq(setups.id, sql.placeholder('setupId')))
        .prepare(),
    ),
  },
  {
    field: 'jobId',
    takes: 'a version of the job of that coupon',
    kept: perStore((store) =>
      store
        .select({ id: jobs.id })
        .from(jobs)
        .where(and(eq(jobs.id, sql.placeholder('jobId')), eq(jobs.couponId, sql.placeholder('couponId'))))
        .prepare(),
    ),
  },
] as const;

/** Returns what a new bead names must be kept, and the version of the job must be of its own coupon. */
const missing = (store: Store, { couponId, setupId, jobId }: NewBead): FieldProblem[] =>
  NAMED.flatMap(({ field, takes, kept }) =>
    kept(store).get({ couponId, setupId, jobId }) === undefined ? [{ field, takes }] : [],
  );

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
  const kept = byId(store).get({ id: bead.id });
  if (kept !== undefined) {
    const [field] = differences(kept, bead);
    if (field !== undefined)
      throw new Refusal('conflict', [{ field, takes: 'what was logged: a bead is not changed' }]);
    return false;
  }
  const problems = missing(store, bead);
  if (problems.length > 0) throw new Refusal('wrong-fields', problems);
  const numbered = { ...bead, by, number: nextNumber(store, bead.couponId), takenBack: false };
  insertRows(store, beads, [beadRow(numbered, revision())]);
  recountBeads(store, [bead.couponId], revision());
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
  setRow(writing.store, beads, id, { ...fields, ...judged, revision: writing.revision() });
  recountBeads(writing.store, [couponId], writing.revision());
}

const nowById = perStore((store) => {
  const { outcome, note, takenBack, couponId } = beads;
  return store
    .select({ outcome, note, takenBack, couponId })
    .from(beads)
    .where(eq(beads.id, sql.placeholder('id')))
    .prepare();
});

/** Returns what may change of a bead, as it stands, with its coupon; null where there is none. */
export function beadNow(store: Store, id: string): (Required<BeadChange> & { couponId: string }) | null {
  return nowById(store).get({ id }) ?? null;
}
