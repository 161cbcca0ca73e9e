import { and, count, desc, eq, gte, max, sql } from 'drizzle-orm';
import { CARE, type Care } from '../../../core/care/tasks';
import type { CareKnown } from '../../../core/care/due';
import type { NewCare } from '../../../core/record/shapes/care-schema';
import { arcBetween, USUAL_ARC_MINUTES } from '../log/arc-minutes';
import { Refusal } from '../../errors/refusal';
import { findRig } from './rigs';
import { beads, care, rigs, setups } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Store } from '../engine/store';
import type { Writing } from './write';

/** Beads that are looked through for what a task would have shown, the newest. */
const OF_LAST = 20;

/**
 * Writes down that something was looked after. One that is kept already may only be named as it stands.
 * @returns whether it was new
 * @throws Refusal where another stands under its id
 */
export function lookAfter({ store, revision }: Writing, rigId: string, { id, task, doneAt, by }: NewCare): boolean {
  const kept = store.select().from(care).where(eq(care.id, id)).get();
  if (kept !== undefined) {
    if (kept.rigId !== rigId || kept.task !== task || kept.doneAt !== doneAt || kept.by !== by)
      throw new Refusal('conflict', [{ field: 'id', takes: 'an id of its own: what was written is never changed' }]);
    return false;
  }
  store.insert(care).values({ id, rigId, task, doneAt, by }).run();
  // The rig is told of anew, so that every device asks what is due on it.
  setRow(store, rigs, rigId, { revision: revision() });
  return true;
}

/** The later of two instants, either of which may not be known. */
const later = (a: string | null, b: string | null | undefined): string | null =>
  a === null || (b ?? '') > a ? (b ?? a) : a;

/** Returns what is known of everything that is looked after on a rig; null where there is no such rig. */
export function careOf(store: Store, rigId: string): CareKnown[] | null {
  const rig = findRig(store, rigId);
  if (rig === null) return null;
  const done = store
    .select({ task: care.task, at: max(care.doneAt) })
    .from(care)
    .where(eq(care.rigId, rigId))
    .groupBy(care.task)
    .all();
  const fitted = rig.setup.rig.fittedAt ?? {};
  return CARE.filter(({ id }) => rig.setup.rig.gas !== null || (id !== 'regulator' && id !== 'leaks')).map((task) => {
    const at = done.find((one) => one.task === task.id)?.at ?? null;
    const since = later(at, task.part === null ? null : fitted[task.part]);
    return { task: task.id, since, ...ranSince(store, rigId, since, task), lives: livesOf(store, rigId, task) };
  });
}

/** Last times that are looked back on. */
const MOST_LIVES = 8;
/** Two entries so near each other are one: a part was looked at and fitted anew, min of arc. */
const ONE_AND_THE_SAME = 1;

/** Arc minutes from each of the last times to the next: that it was done, or that its part was fitted anew. */
function livesOf(store: Store, rigId: string, { id, part, every }: Care): number[] {
  if (every.arcMinutes === undefined) return [];
  const done = store
    .select({ at: care.doneAt })
    .from(care)
    .where(and(eq(care.rigId, rigId), eq(care.task, id)))
    .orderBy(desc(care.doneAt))
    .limit(MOST_LIVES + 1)
    .all();
  const anew =
    part === null
      ? []
      : store
          .selectDistinct({ at: sql<string | null>`json_extract(${setups.facts}, ${`$.rig.fittedAt.${part}`})` })
          .from(setups)
          .where(eq(setups.rigId, rigId))
          .all();
  const times = [...new Set([...done, ...anew].flatMap(({ at }) => (at === null ? [] : [at])))].sort();
  const last = times.slice(-MOST_LIVES - 1);
  return last
    .slice(1)
    .map((until, i) => Number(arcBetween(store, rigId, last[i], until).toFixed(1)))
    .filter((minutes) => minutes >= ONE_AND_THE_SAME);
}

/** Arc minutes since a time, where the arc counts it, and how many of the newest beads since then show what a task would cause. */
function ranSince(
  store: Store,
  rigId: string,
  since: string | null,
  { shownBy, every }: Care,
): Pick<CareKnown, 'arcMinutes' | 'beads' | 'showing'> {
  const ran = and(
    eq(setups.rigId, rigId),
    eq(beads.takenBack, false),
    since === null ? undefined : gte(beads.ranAt, since),
  );
  // What the arc does not count is not summed; and where nobody said since when, the beads are counted as usual ones: on a
  // rig of many thousand the pace of each would have to be read, and say little.
  const usual = (): number =>
    store
      .select({ arcMinutes: sql<number>`count(*) * ${USUAL_ARC_MINUTES}` })
      .from(beads)
      .innerJoin(setups, eq(beads.setupId, setups.id))
      .where(ran)
      .all()[0].arcMinutes;
  const burned = (): number => (since === null ? usual() : arcBetween(store, rigId, since, null));
  const arcMinutes = every.arcMinutes === undefined ? 0 : burned();
  const last = store
    .select({ facts: beads.facts })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(ran)
    .orderBy(desc(beads.ranAt))
    .limit(OF_LAST)
    .as('last');
  const shows = shownBy.map((id) => sql`json_extract(${last.facts}, ${`$.findings."${id}"`}) = 'present'`);
  const [{ showing, looked }] = store
    .select({ looked: count(), showing: sql<number>`coalesce(sum(${sql.join(shows, sql` OR `)}), 0)` })
    .from(last)
    .all();
  return { arcMinutes: Number(arcMinutes.toFixed(1)), beads: looked, showing };
}
