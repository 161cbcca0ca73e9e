import { and, eq, gte, lt, sql } from 'drizzle-orm';
import { SETTINGS } from '../../../core/setting/table';
import { beads, proven, setups, welds } from '../tables/schema';
import type { Store } from '../engine/store';

/** A bead on a coupon as a hand runs it, and the pace of one that was not timed. Judged: nobody measures the length. */
const USUAL = { lengthMm: 100, travelMmPerMin: 350 };

/** A setting of a bead, or what is usual where it was not said. */
export const settingOf = (name: keyof typeof SETTINGS, usual: number) =>
  sql`coalesce(json_extract(${beads.facts}, ${`$.settings.${name}`}), ${usual})`;

const PACE = settingOf('travelSpeedMmPerMin', USUAL.travelMmPerMin);

/** How long the arc of a usual bead burns, min. */
export const USUAL_ARC_MINUTES = USUAL.lengthMm / USUAL.travelMmPerMin;

/** About how long the arc of a bead burned, by its pace, min. */
export const ARC_MINUTES = sql`(1.0 * ${USUAL.lengthMm} / ${PACE})`;

/**
 * About how long the arc of a weld burned, by its length in one pass and the pace of the bead its setting stands on, min; of
 * a weld whose length nobody said nothing is counted.
 */
export const WELD_MINUTES = sql`(coalesce(${welds.lengthMm}, 0) / ${PACE})`;

/**
 * Arc minutes of a rig from one time to another, by its beads and by the welds made with its settings.
 * @param until null for up to now
 */
export function arcBetween(store: Store, rigId: string, since: string, until: string | null): number {
  const [{ minutes }] = store
    .select({ minutes: sql<number>`coalesce(sum(${ARC_MINUTES}), 0)` })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(
      and(
        eq(setups.rigId, rigId),
        eq(beads.takenBack, false),
        gte(beads.ranAt, since),
        until === null ? undefined : lt(beads.ranAt, until),
      ),
    )
    .all();
  const [{ welded }] = store
    .select({ welded: sql<number>`coalesce(sum(${WELD_MINUTES}), 0)` })
    .from(welds)
    .innerJoin(proven, eq(welds.provenId, proven.id))
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .where(
      and(
        eq(proven.rigId, rigId),
        eq(welds.putAway, false),
        gte(welds.weldedAt, since),
        until === null ? undefined : lt(welds.weldedAt, until),
      ),
    )
    .all();
  return minutes + welded;
}
