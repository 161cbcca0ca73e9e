import { and, between, desc, eq, sql, type SQL } from 'drizzle-orm';
import type { JobVersion, Setup } from '../../../core/record/shapes/record-schema';
import type {
  NewSavedSetting,
  SavedSettingChange,
  SavedSettingPage,
  SavedSetting,
} from '../../../core/record/shapes/saved-setting-schema';
import type { SoundBead } from '../../../core/start/sound-bead-schema';
import { Refusal } from '../../errors/refusal';
import { readable, toBead, toJob, toSetup, type Unreadable } from '../tables/rows';
import { beads, coupons, jobs, proven, rigs, setups } from '../tables/schema';
import { setRow } from '../engine/set-row';
import type { Store } from '../engine/store';
import type { Writing } from './write';

type Report = (unreadable: Unreadable) => void;

/** Which kept settings are asked for: all that is left out is any. */
export type SavedSettingFilter = {
  rigId?: string;
  baseMetal?: string;
  position?: string;
  wireClass?: string;
  wireMm?: number;
  /** Found within a fifth of it. */
  thicknessMm?: number;
  joint?: string;
  text?: string;
  putAway?: boolean;
  after?: { provenAt: string; id: string };
  limit: number;
};

/** Thickness may differ by so much, as a ratio: what is alike, as for starting settings. */
const NEAR = 1.2;
const WIRE_NEAR_MM = 0.06;

const joined = (store: Store) =>
  store
    .select({ kept: proven, bead: beads, title: coupons.title, rigName: rigs.name, job: jobs, setup: setups })
    .from(proven)
    .innerJoin(beads, eq(proven.beadId, beads.id))
    .innerJoin(coupons, eq(beads.couponId, coupons.id))
    .innerJoin(rigs, eq(proven.rigId, rigs.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id))
    .innerJoin(setups, eq(beads.setupId, setups.id));
type Joined = {
  kept: typeof proven.$inferSelect;
  bead: typeof beads.$inferSelect;
  title: string;
  rigName: string;
  job: typeof jobs.$inferSelect;
  setup: typeof setups.$inferSelect;
};

function toProven({ kept, bead, title, rigName, job, setup }: Joined): SavedSetting {
  const { id, beadId, rigId, provenAt, by, run, note, putAway, weldCount, revision } = kept;
  return {
    ...{ id, beadId, provenAt, by, note, rigId, rigName, putAway, revision, title },
    ...(run === null ? {} : { run }),
    how: JSON.parse(kept.how) as SavedSetting['how'],
    couponId: bead.couponId,
    bead: toBead(bead),
    job: toJob(job).job,
    setup: toSetup(setup),
    welds: weldCount,
  };
}

/** A kept setting; null where there is none. */
export function findSavedSetting(store: Store, id: string): SavedSetting | null {
  const row = joined(store).where(eq(proven.id, id)).get();
  return row === undefined ? null : toProven(row);
}

/** What is searched, as it stands now: what was named otherwise since is found by its new name. */
const WORDS = sql`(${coupons.title} || ' ' || ${rigs.name} || ' ' || ${proven.by} || ' ' || ${proven.note})`;
const escaped = (text: string): string => text.replace(/[%_\\]/g, (sign) => `\\${sign}`);

function conditions(filter: SavedSettingFilter): SQL | undefined {
  const { rigId, baseMetal, position, wireClass, wireMm, thicknessMm, joint, text, putAway = false, after } = filter;
  return and(
    eq(proven.putAway, putAway),
    rigId === undefined ? undefined : eq(proven.rigId, rigId),
    baseMetal === undefined ? undefined : eq(proven.baseMetal, baseMetal),
    position === undefined ? undefined : eq(proven.position, position),
    joint === undefined ? undefined : eq(proven.joint, joint),
    wireClass === undefined ? undefined : eq(proven.wireClass, wireClass),
    wireMm === undefined ? undefined : between(proven.wireMm, wireMm - WIRE_NEAR_MM, wireMm + WIRE_NEAR_MM),
    thicknessMm === undefined ? undefined : between(proven.thicknessMm, thicknessMm / NEAR, thicknessMm * NEAR),
    text === undefined ? undefined : sql`${WORDS} LIKE ${`%${escaped(text)}%`} ESCAPE '\\'`,
    after === undefined ? undefined : sql`(${proven.provenAt}, ${proven.id}) < (${after.provenAt}, ${after.id})`,
  );
}

/** One page of kept settings, the newest first. */
export function pageOfSavedSettings(store: Store, filter: SavedSettingFilter, report: Report): SavedSettingPage {
  const rows = joined(store)
    .where(conditions(filter))
    .orderBy(desc(proven.provenAt), desc(proven.id))
    .limit(filter.limit + 1)
    .all();
  const page = rows.slice(0, filter.limit);
  const last = page.at(-1)?.kept;
  return {
    proven: readable(
      'proven',
      page.map((row) => ({ id: row.kept.id, ...row })),
      toProven,
      report,
    ),
    next: rows.length > page.length && last !== undefined ? `${last.provenAt}~${last.id}` : null,
  };
}

/** Kept settings that were written in these revisions. */
export function provenBetween(store: Store, from: number, to: number, report: Report): SavedSetting[] {
  const rows = joined(store)
    .where(between(proven.revision, from, to))
    .orderBy(proven.revision)
    .all();
  return readable(
    'proven',
    rows.map((row) => ({ id: row.kept.id, ...row })),
    toProven,
    report,
  );
}

/** Settings kept on a rig that are looked through, newest first. */
const MOST_ON_RIG = 60;

/** The settings kept on a rig that are in use, as starting settings are made of them; one a bead, the newest. */
export function savedSettingsOfRig(store: Store, rigId: string, report: Report): SoundBead[] {
  const rows = joined(store)
    .where(
      and(eq(proven.rigId, rigId), eq(proven.putAway, false), eq(beads.takenBack, false), eq(beads.outcome, 'sound')),
    )
    .orderBy(desc(proven.provenAt))
    .limit(MOST_ON_RIG)
    .all();
  const read = readable(
    'proven',
    rows.map((row) => ({ id: row.kept.id, ...row })),
    toProven,
    report,
  );
  const seen = new Set<string>();
  return read.flatMap(({ id, beadId, couponId, provenAt, by, how, title, bead, job, setup }) => {
    if (seen.has(beadId)) return [];
    seen.add(beadId);
    const { number, ranAt, settings } = bead;
    return [{ beadId, couponId, title, number, ranAt, settings, job, rig: setup.rig, kept: { id, provenAt, by, how } }];
  });
}

/** Returns what may change of a kept setting, as it stands; null where there is none. */
export function savedSettingNow(
  store: Store,
  id: string,
): (Required<SavedSettingChange> & { couponId: string }) | null {
  const { note, putAway } = proven;
  return (
    store
      .select({ note, putAway, couponId: beads.couponId })
      .from(proven)
      .innerJoin(beads, eq(proven.beadId, beads.id))
      .where(eq(proven.id, id))
      .get() ?? null
  );
}

/** The row of a kept setting: what it is found by, the plate and the wire, stands beside it. */
export function provenRow(
  {
    id,
    beadId,
    provenAt,
    by,
    how,
    run,
    note,
    putAway,
    welds,
  }: NewSavedSetting & Pick<SavedSetting, 'putAway' | 'welds'>,
  job: JobVersion['job'],
  setup: Pick<Setup, 'rig' | 'rigId'>,
  revision: number,
): typeof proven.$inferInsert {
  return {
    ...{ id, beadId, provenAt, by, note, putAway, revision, rigId: setup.rigId, run: run ?? null },
    how: JSON.stringify(how),
    weldCount: welds,
    ...foundBy(job, setup),
  };
}

function foundBy(job: JobVersion['job'], { rig }: Pick<Setup, 'rig'>) {
  const { baseMetal = null, thicknessMm, otherThicknessMm, position = null, joint } = job;
  return {
    ...{ baseMetal, position },
    joint: joint ?? null,
    thicknessMm: thicknessMm === undefined ? null : Math.min(thicknessMm, otherThicknessMm ?? thicknessMm),
    wireClass: rig.wire?.class ?? null,
    wireMm: rig.wire?.diameterMm ?? null,
  };
}

/**
 * Keeps a setting that is not kept yet.
 * @returns the coupon it belongs to, and whether it was new
 * @throws Refusal where its bead is not kept, was taken back or was not judged sound
 */
export function saveSetting(
  { store, revision }: Writing,
  setting: NewSavedSetting,
): { couponId: string; isNew: boolean } {
  const row = store
    .select({ bead: beads, job: jobs, setup: setups })
    .from(beads)
    .innerJoin(setups, eq(beads.setupId, setups.id))
    .innerJoin(jobs, eq(beads.jobId, jobs.id))
    .where(eq(beads.id, setting.beadId))
    .get();
  if (row === undefined || row.bead.takenBack || row.bead.couponId !== setting.couponId)
    throw new Refusal('wrong-fields', [{ field: 'beadId', takes: 'the id of a bead that is kept on that coupon' }]);
  const { couponId } = row.bead;
  if (store.select({ id: proven.id }).from(proven).where(eq(proven.id, setting.id)).get() !== undefined)
    return { couponId, isNew: false };
  if (row.bead.outcome !== 'sound')
    throw new Refusal('wrong-fields', [{ field: 'beadId', takes: 'a bead that was judged sound' }]);
  const kept = { ...setting, putAway: false, welds: 0 };
  store
    .insert(proven)
    .values(provenRow(kept, toJob(row.job).job, toSetup(row.setup), revision()))
    .run();
  return { couponId, isNew: true };
}

/** Notes something on a kept setting, puts it away or brings it back. */
export function setSavedSetting({ store, revision }: Writing, id: string, fields: SavedSettingChange): void {
  setRow(store, proven, id, { ...fields, revision: revision() });
}
