import type { Lesson, Teaching } from '@/core/learning/teaching';
import { caseOfBead } from '@/core/record/draft/case-of';
import { suspectsOf, type Draft } from '@/core/record/draft/draft';
import { changesOf } from '@/core/learning/changes-of-plate';
import type { Bead, Coupon } from '@/core/record/shapes/record-schema';
import type { Asked } from '@/workers/protocol';

/** Returns whether what the server made of a rig is of the rig as it stands: not before it forgot, or was timed anew. */
const isOf = (teaching: Teaching, { learnsSince, runOutScale }: Coupon['rig']): boolean =>
  teaching.since === (learnsSince ?? null) && teaching.runOutScale === (runOutScale ?? null);

/**
 * Returns what the next answer on a coupon begins with: what its rig has taught, and the judged beads of this coupon that the
 * server has not made something of yet, so that they count at once, with the network gone too.
 * @param teaching of the rig as the server made it last; null where it was never seen
 */
export function lessonFor({ rig, beads, setups, jobs }: Coupon, teaching: Teaching | null): Lesson {
  const known = teaching !== null && isOf(teaching, rig) ? teaching : null;
  const counted = new Map((known?.steps ?? []).map(({ beadId, outcome }) => [beadId, outcome]));
  const isFresh = ({ id, outcome, ranAt }: Bead): boolean =>
    outcome !== null && !counted.has(id) && (rig.learnsSince == null || ranAt >= rig.learnsSince);
  return {
    belief: known?.belief ?? null,
    runOutScale: rig.runOutScale ?? null,
    changes: changesOf(beads, rig.setup.id),
    beads: beads.filter(isFresh).flatMap((bead) => {
      const setup = setups.find(({ id }) => id === bead.setupId);
      const job = jobs.find(({ id }) => id === bead.jobId);
      if (setup === undefined || job === undefined || setup.rigId !== rig.id) return [];
      return [{ id: bead.id, input: caseOfBead(bead, setup, job), sound: bead.outcome === 'sound' }];
    }),
  };
}

/** A logged bead asked about again, with all that the rig has taught since; null where what it was run with is not known. */
export function askedAgain(bead: Bead, coupon: Coupon, teaching: Teaching | null): Asked | null {
  const setup = coupon.setups.find(({ id }) => id === bead.setupId);
  const job = coupon.jobs.find(({ id }) => id === bead.jobId);
  if (setup === undefined || job === undefined) return null;
  return { input: caseOfBead(bead, setup, job), lesson: lessonFor(coupon, teaching) };
}

/** Returns what is known before the bead in front of the welder: what the beads before left, and the causes this rig is known for. */
export function experienceFor(draft: Pick<Draft, 'suspects'>, teaching: Teaching | null): Bead['experience'] {
  const suspects = suspectsOf(draft);
  const causes = (teaching?.causes ?? []).map(({ name: _, ...counts }) => counts);
  return { ...(suspects.length === 0 ? {} : { suspects }), ...(causes.length === 0 ? {} : { causes }) };
}
