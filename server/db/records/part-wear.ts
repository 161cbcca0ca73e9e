import { and, count, eq, gte, sql } from 'drizzle-orm';
import type { Rig } from '../../../core/case/schema';
import { partsOf, type Worn } from '../../../core/record/shapes/part-wear';
import { BESIDE_THE_ARC } from '../../../core/start/gas-supply';
import { wireKgPerMinute } from '../../../core/start/stock';
import { SETTINGS } from '../../../core/setting/table';
import { arcBetween, ARC_MINUTES, settingOf } from '../log/arc-minutes';
import { findRig } from './rigs';
import { beads, setups } from '../tables/schema';
import type { Store } from '../engine/store';

/** When the content of a part was read; null for one that holds nothing, or was never read. */
function readAt({ spool, cylinder }: Rig, part: Worn['part']): string | null {
  if (part === 'spool') return spool?.at ?? null;
  return part === 'cylinder' ? (cylinder?.at ?? null) : null;
}

/**
 * Returns what the parts of a rig have done since each was fitted. Of a part that nobody said when it was fitted only the beads are
 * counted: on a rig of many thousand their arc time would be read from each of them, and say nothing of the part.
 * @returns null where there is no such rig
 */
export function wornParts(store: Store, rigId: string): Worn[] | null {
  const rig = findRig(store, rigId);
  if (rig === null) return null;
  const facts = rig.setup.rig;
  const ran = (since: string | null) =>
    and(eq(setups.rigId, rigId), eq(beads.takenBack, false), since === null ? undefined : gte(beads.ranAt, since));
  const [{ beads: everyBead }] = store
    .select({ beads: count() })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(ran(null))
    .all();
  /** Sum over the beads since a time; nothing where there are none. */
  const sumSince = (since: string, of: ReturnType<typeof sql>): number =>
    store
      .select({ sum: sql<number>`coalesce(sum(${of}), 0)` })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .where(ran(since))
      .all()[0].sum;
  const taken = (part: Worn['part']): number | null => {
    const at = readAt(facts, part);
    if (at === null) return null;
    if (part === 'cylinder')
      return sumSince(
        at,
        sql`${ARC_MINUTES} * ${settingOf('gasFlowLPerMin', SETTINGS.gasFlowLPerMin.usual)} * ${BESIDE_THE_ARC}`,
      );
    const { class: wireClass, diameterMm } = facts.wire ?? {};
    if (wireClass === undefined || diameterMm === undefined) return null;
    const perMetre = wireKgPerMinute(1, { class: wireClass, diameterMm });
    return sumSince(
      at,
      sql`${ARC_MINUTES} * ${settingOf('wireSpeedMPerMin', SETTINGS.wireSpeedMPerMin.usual)} * ${perMetre}`,
    );
  };
  return partsOf(facts).map((part): Worn => {
    const since = facts.fittedAt?.[part];
    if (since === undefined) return { part, since: null, beads: everyBead, arcMinutes: null, taken: taken(part) };
    const [done] = store
      .select({ beads: count() })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .where(ran(since))
      .all();
    const arcMinutes = Number(arcBetween(store, rigId, since, null).toFixed(1));
    return { part, since, beads: done.beads, arcMinutes, taken: taken(part) };
  });
}
