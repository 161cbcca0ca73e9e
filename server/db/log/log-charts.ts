import { and, asc, desc, eq, gt, gte, inArray, isNotNull, sql } from 'drizzle-orm';
import { partAges } from '../../../core/care/part-ages';
import { CARE } from '../../../core/care/tasks';
import { isCauseId } from '../../../core/evidence/ids';
import { cause as causeOf } from '../../../core/knowledge';
import type { Charts } from '../../../core/record/shapes/charts-schema';
import { PART_NAMES } from '../../../core/record/words/part-words';
import { ARC_MINUTES, WELD_MINUTES } from './arc-minutes';
import { toSetup } from '../tables/rows';
import { entries, entryFindings } from '../tables/log-schema';
import { beads, coupons, proven, rigs, setups, welds } from '../tables/schema';
import type { Store } from '../engine/store';

/** Months that are looked back on, and causes that are told apart. */
const MONTHS = 24;
const CAUSES = 5;
/** Beads that the ages of parts are counted from, the newest: so many are read in a fraction of a second. */
const MOST_AGED = 20_000;

/** The months up to one, oldest first. @param now ISO string */
function monthsTo(now: string, count: number): string[] {
  const [year, month] = now.split('-').map(Number);
  return Array.from({ length: count }, (_, i) => {
    const at = year * 12 + month - 1 - (count - 1 - i);
    return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`;
  });
}

const monthOf = (column: typeof entries.at | typeof coupons.createdAt) => sql<string>`substr(${column}, 1, 7)`;
const rounded = (x: number): number => Number(x.toFixed(2));

function causesByMonth(store: Store, months: readonly string[], rigId: string | null): Charts['causes'] {
  const counted = and(
    eq(entries.kind, 'bead'),
    eq(entries.putAway, false),
    isNotNull(entries.cause),
    gte(entries.at, months[0]),
    rigId === null ? undefined : eq(entries.rigId, rigId),
  );
  const rows = store
    .select({ cause: entries.cause, month: monthOf(entries.at), beads: sql<number>`count(*)` })
    .from(entries)
    .where(counted)
    .groupBy(entries.cause, monthOf(entries.at))
    .all();
  const sums = new Map<string, number>();
  for (const { cause, beads: n } of rows) if (cause !== null) sums.set(cause, (sums.get(cause) ?? 0) + n);
  const most = [...sums].sort((a, b) => b[1] - a[1]).slice(0, CAUSES);
  return most.map(([id]) => ({
    id,
    name: isCauseId(id) ? causeOf(id).name : id.replace(/-/g, ' '),
    beads: months.map((month) => rows.find((row) => row.cause === id && row.month === month)?.beads ?? 0),
  }));
}

function soundByMonth(
  store: Store,
  months: readonly string[],
  rigId: string | null,
): Pick<Charts, 'beadsToSound' | 'coupons' | 'soundAtFirst'> {
  const rows = store
    .select({
      rigId: coupons.rigId,
      name: rigs.name,
      month: monthOf(coupons.createdAt),
      coupons: sql<number>`count(*)`,
      first: sql<number>`sum(coalesce(${coupons.soundNumber}, 0) = 1)`,
      sound: sql<number>`count(${coupons.soundNumber})`,
      beads: sql<number>`coalesce(sum(${coupons.soundNumber}), 0)`,
    })
    .from(coupons)
    .innerJoin(rigs, eq(coupons.rigId, rigs.id))
    .where(
      and(
        gt(coupons.beadCount, 0),
        eq(coupons.putAway, false),
        gte(coupons.createdAt, months[0]),
        rigId === null ? undefined : eq(coupons.rigId, rigId),
      ),
    )
    .groupBy(coupons.rigId, monthOf(coupons.createdAt))
    .orderBy(asc(rigs.name))
    .all();
  const meanOf = (some: typeof rows): number | null => {
    const sound = some.reduce((sum, row) => sum + row.sound, 0);
    return sound === 0 ? null : rounded(some.reduce((sum, row) => sum + row.beads, 0) / sound);
  };
  const means = (of: typeof rows) => months.map((month) => meanOf(of.filter((row) => row.month === month)));
  const ofRig = [...new Map(rows.map((row) => [row.rigId, row.name]))];
  const counts = months.map((month) => rows.filter((row) => row.month === month));
  return {
    beadsToSound: [
      ...(ofRig.length === 1 ? [] : [{ rigId: null, name: 'All rigs', means: means(rows) }]),
      ...ofRig.map(([id, name]) => ({ rigId: id, name, means: means(rows.filter((row) => row.rigId === id)) })),
    ],
    coupons: counts.map((some) => some.reduce((sum, row) => sum + row.coupons, 0)),
    soundAtFirst: counts.map((some) => {
      const all = some.reduce((sum, row) => sum + row.coupons, 0);
      return all === 0 ? null : rounded(some.reduce((sum, row) => sum + row.first, 0) / all);
    }),
  };
}

/** Every part that wears, with beads by how long the arc had burned on it. */
function agesOfParts(store: Store, rigId: string | null): Charts['parts'] {
  const ran = store
    .select({ id: beads.id, at: beads.ranAt, setupId: beads.setupId, minutes: sql<number>`${ARC_MINUTES}` })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .where(and(eq(beads.takenBack, false), rigId === null ? undefined : eq(setups.rigId, rigId)))
    .orderBy(desc(beads.ranAt))
    .limit(MOST_AGED)
    .all();
  const welded = store
    .select({ at: welds.weldedAt, setupId: beads.setupId, minutes: sql<number>`${WELD_MINUTES}` })
    .from(welds)
    .innerJoin(proven, eq(welds.provenId, proven.id))
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .where(and(isNotNull(welds.lengthMm), eq(welds.putAway, false)))
    .all();
  const fitted = new Map(
    store
      .select()
      .from(setups)
      .where(rigId === null ? undefined : eq(setups.rigId, rigId))
      .all()
      .map((row) => [row.id, toSetup(row)]),
  );
  return CARE.flatMap(({ id: task, part, shownBy }) => {
    if (part === null) return [];
    const showing = new Set(
      store
        .select({ of: entries.of })
        .from(entryFindings)
        .innerJoin(entries, eq(entryFindings.entryId, entries.id))
        .where(and(inArray(entryFindings.finding, [...shownBy]), eq(entries.kind, 'bead')))
        .all()
        .map(({ of }) => of),
    );
    const all = [
      ...ran.map((one) => ({ ...one, counts: true, shows: showing.has(one.id) })),
      ...welded.filter(({ setupId }) => fitted.has(setupId)).map((one) => ({ ...one, counts: false, shows: false })),
    ].sort((a, b) => (a.at < b.at ? -1 : 1));
    const byRig = new Map<string, Parameters<typeof partAges>[0][number][]>();
    for (const { setupId, minutes, shows, counts } of all) {
      const setup = fitted.get(setupId);
      if (setup === undefined) continue;
      const list = byRig.get(setup.rigId) ?? [];
      list.push({ fittedAt: setup.rig.fittedAt?.[part] ?? null, arcMinutes: minutes, shows, counts });
      byRig.set(setup.rigId, list);
    }
    // One machine after the other: a part of one is not another's, whose ages begin anew.
    const ages = partAges(
      [...byRig.entries()].flatMap(([id, list]) =>
        list.map((one) => ({ ...one, fittedAt: one.fittedAt === null ? null : `${id} ${one.fittedAt}` })),
      ),
    );
    return ages.length === 0 ? [] : [{ task, name: PART_NAMES[part], ages }];
  });
}

/** The sum of the record by the month. @param rigId of this rig alone; null for all @param now ISO string */
export function chartsOf(store: Store, rigId: string | null, now: string): Charts {
  const months = monthsTo(now, MONTHS);
  return {
    months,
    causes: causesByMonth(store, months, rigId),
    ...soundByMonth(store, months, rigId),
    parts: agesOfParts(store, rigId),
  };
}
