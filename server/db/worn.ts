import { and, eq, gte, sql } from 'drizzle-orm';
import { partsOf, type Worn } from '../../core/record/worn';
import { findRig } from './rigs';
import { beads, jobs, setups } from './schema';
import type { Store } from './store';

/** A bead whose length nobody said, and a pace that was not timed: a hand's length of a trial bead at a usual pace. */
const USUAL = { lengthMm: 100, travelMmPerMin: 350 };

/**
 * What the parts of a rig have done since each was fitted.
 * @returns null where there is no such rig
 */
export function wornParts(store: Store, rigId: string): Worn[] | null {
  const rig = findRig(store, rigId);
  if (rig === null) return null;
  const facts = rig.setup.rig;
  const length = sql`min(coalesce(json_extract(${jobs.job}, '$.lengthMm'), ${USUAL.lengthMm}), ${USUAL.lengthMm})`;
  const pace = sql`coalesce(json_extract(${beads.facts}, '$.settings.travelSpeedMmPerMin'), ${USUAL.travelMmPerMin})`;
  return partsOf(facts).map((part) => {
    const since = facts.fittedAt?.[part] ?? null;
    const [{ count, minutes }] = store
      .select({
        count: sql<number>`count(*)`,
        minutes: sql<number>`coalesce(sum(1.0 * ${length} / ${pace}), 0)`,
      })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .innerJoin(jobs, eq(beads.jobId, jobs.id))
      .where(
        and(eq(setups.rigId, rigId), eq(beads.takenBack, false), since === null ? undefined : gte(beads.ranAt, since)),
      )
      .all();
    return { part, since, beads: count, arcMinutes: Number(minutes.toFixed(1)) };
  });
}
