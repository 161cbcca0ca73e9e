import { and, count, eq, gte, sql } from 'drizzle-orm';
import { partsOf, type Worn } from '../../core/record/worn';
import { findRig } from './rigs';
import { beads, setups } from './schema';
import type { Store } from './store';

/** A bead on a coupon as a hand runs it, and the pace of one that was not timed. Judged: nobody measures the length. */
const USUAL = { lengthMm: 100, travelMmPerMin: 350 };

/**
 * What the parts of a rig have done since each was fitted. Of a part that nobody said when it was fitted only the beads are
 * counted: on a rig of many thousand their arc time would be read from each of them, and say nothing of the part.
 * @returns null where there is no such rig
 */
export function wornParts(store: Store, rigId: string): Worn[] | null {
  const rig = findRig(store, rigId);
  if (rig === null) return null;
  const facts = rig.setup.rig;
  const pace = sql`coalesce(json_extract(${beads.facts}, '$.settings.travelSpeedMmPerMin'), ${USUAL.travelMmPerMin})`;
  const ran = (since: string | null) =>
    and(eq(setups.rigId, rigId), eq(beads.takenBack, false), since === null ? undefined : gte(beads.ranAt, since));
  const [{ beads: everyBead }] = store
    .select({ beads: count() })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(ran(null))
    .all();
  return partsOf(facts).map((part): Worn => {
    const since = facts.fittedAt?.[part];
    if (since === undefined) return { part, since: null, beads: everyBead, arcMinutes: null };
    const [done] = store
      .select({ beads: count(), minutes: sql<number>`coalesce(sum(1.0 * ${USUAL.lengthMm} / ${pace}), 0)` })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .where(ran(since))
      .all();
    return { part, since, beads: done.beads, arcMinutes: Number(done.minutes.toFixed(1)) };
  });
}
