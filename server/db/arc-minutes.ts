import { sql } from 'drizzle-orm';
import { SETTINGS } from '../../core/setting/table';
import { beads, welds } from './schema';

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
