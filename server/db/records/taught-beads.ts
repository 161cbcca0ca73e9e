import { and, desc, eq, gte } from 'drizzle-orm';
import type { Case, Rig } from '../../../core/case/schema';
import type { HistoryBead } from '../../../core/learning/cause-history';
import { caseOfBead } from '../../../core/record/draft/case-of';
import type { Bead } from '../../../core/record/shapes/record-schema';
import { readable, toBead, toJob, toSetup, type Unreadable } from '../tables/rows';
import { beads, coupons, jobs, setups } from '../tables/schema';
import type { Store } from '../engine/store';

/** A bead of a rig with all that it can teach. */
export type TaughtBead = HistoryBead & { bead: Bead; title: string; input: Case };

/** Beads of a rig that are looked through, newest first; older ones have faded. */
const MOST_BEADS = 200;

type Asked = {
  rigId: string;
  /** What was run before is forgotten. */
  since: string | null;
};

/**
 * The newest beads run on a rig, on whatever was fitted. Each setup is asked by itself, the newest first, so that a rig of
 * many thousand beads is not sorted for it.
 */
export function taughtBeads(store: Store, { rigId, since }: Asked, report: (row: Unreadable) => void): TaughtBead[] {
  const fitted = store.select().from(setups).where(eq(setups.rigId, rigId)).orderBy(desc(setups.fittedAt)).all();
  const found: TaughtBead[] = [];
  for (const setup of fitted) {
    if (found.length >= MOST_BEADS) break;
    const rows = store
      .select({ bead: beads, job: jobs, title: coupons.title })
      .from(beads)
      .innerJoin(jobs, eq(beads.jobId, jobs.id))
      .innerJoin(coupons, eq(beads.couponId, coupons.id))
      .where(
        and(
          eq(beads.setupId, setup.id),
          eq(beads.takenBack, false),
          since === null ? undefined : gte(beads.ranAt, since),
        ),
      )
      .orderBy(desc(beads.ranAt))
      .limit(MOST_BEADS - found.length)
      .all();
    const read = readable(
      'beads',
      rows.map((row) => ({ id: row.bead.id, ...row })),
      (row) => taught(toBead(row.bead), row.title, toSetup(setup), toJob(row.job)),
      report,
    );
    found.push(...read);
  }
  return found;
}

function taught(
  bead: Bead,
  title: string,
  setup: ReturnType<typeof toSetup>,
  job: ReturnType<typeof toJob>,
): TaughtBead {
  const { couponId, number, ranAt, outcome, cured = [] } = bead;
  const rig: Rig = setup.rig;
  return { ...{ couponId, number, ranAt, outcome, cured, rig, bead, title }, input: caseOfBead(bead, setup, job) };
}
