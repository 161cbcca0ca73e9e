import { LEVELS } from '../../inspection/levels';
import type { Level } from '../../inspection/level-schema';
import type { Change } from '../change/change';
import type { SavedSetting } from '../shapes/saved-setting-schema';
import type { Coupon } from '../shapes/record-schema';
import { withInspection, withRepair } from '../change/weld-state';
import type { Weld } from '../shapes/weld-schema';

/** Kept settings, welds and levels, as they will be once the changes that wait on the device are taken. */

/** A kept setting that counts the welds that wait to be logged with it, each once. */
function withWelds(setting: SavedSetting, waiting: readonly Change[]): SavedSetting {
  const logged = waiting.filter((change) => change.kind === 'log-weld' && change.fields.provenId === setting.id);
  return { ...setting, welds: setting.welds + new Set(logged.map(({ of }) => of)).size };
}

/** A kept setting with what waits laid over it. */
export function provenWith(setting: SavedSetting, waiting: readonly Change[]): SavedSetting {
  return waiting.reduce(
    (kept, change) => {
      if (change.kind === 'change-proven' && change.of === kept.id) return { ...kept, ...change.fields };
      return kept;
    },
    withWelds(setting, waiting),
  );
}

/**
 * A setting that waits to be kept; null where none of this id does, or its bead is not known here.
 * @param coupons those that are known, with what waits laid over them
 */
export function provenBegun(id: string, waiting: readonly Change[], coupons: readonly Coupon[]): SavedSetting | null {
  const begins = waiting.find(({ kind, of }) => kind === 'prove' && of === id);
  if (begins?.kind !== 'prove') return null;
  for (const coupon of coupons) {
    const bead = coupon.beads.find((one) => one.id === begins.fields.beadId);
    const setup = coupon.setups.find((one) => one.id === bead?.setupId) ?? coupon.rig.setup;
    const job = coupon.jobs.find((one) => one.id === bead?.jobId);
    if (bead === undefined || job === undefined) continue;
    const { title, rigId, rigName } = coupon;
    const setting: SavedSetting = {
      ...{ ...begins.fields, id, title, rigId, rigName, bead, setup, job: job.job },
      ...{ welds: 0, putAway: false, revision: 1 },
    };
    return provenWith(setting, waiting);
  }
  return null;
}

/** Settings that wait to be kept, the newest first, with the coupon that each is made of. */
export function pendingSavedSettings(waiting: readonly Change[]): { id: string; couponId: string }[] {
  const begun = new Map(
    waiting.flatMap((change) => (change.kind === 'prove' ? [[change.of, change.fields.couponId] as const] : [])),
  );
  return [...begun].map(([id, couponId]) => ({ id, couponId })).reverse();
}

/** Welds that wait to be logged, the newest first, with the setting that each is made with. */
export function pendingWelds(waiting: readonly Change[]): { id: string; provenId: string }[] {
  const begun = new Map(
    waiting.flatMap((change) => (change.kind === 'log-weld' ? [[change.of, change.fields.provenId] as const] : [])),
  );
  return [...begun].map(([id, provenId]) => ({ id, provenId })).reverse();
}

/** A weld with what waits laid over it. */
export function weldWith(weld: Weld, waiting: readonly Change[]): Weld {
  return waiting.reduce((kept, change) => {
    if (change.of !== kept.id) return kept;
    if (change.kind === 'change-weld') return { ...kept, ...change.fields };
    if (change.kind === 'inspect') return withInspection(kept, change.fields);
    return change.kind === 'repair' ? withRepair(kept, change.fields) : kept;
  }, weld);
}

/** A weld that waits to be logged; null where none of this id does, or its setting is not known here. */
export function weldBegun(id: string, waiting: readonly Change[], proven: readonly SavedSetting[]): Weld | null {
  const begins = waiting.find(({ kind, of }) => kind === 'log-weld' && of === id);
  if (begins?.kind !== 'log-weld') return null;
  const setting = proven.find((one) => one.id === begins.fields.provenId);
  if (setting === undefined) return null;
  const { rigId, rigName, job } = setting;
  return weldWith(
    {
      ...{ ...begins.fields, id, rigId, rigName, job },
      ...{ state: 'to-inspect', inspections: [], repairs: [], putAway: false, revision: 1 },
    },
    waiting,
  );
}

/** The levels with what waits laid over them; those of the program where none were ever seen. */
export function levelsWith(levels: readonly Level[] | undefined, waiting: readonly Change[]): Level[] {
  return (levels ?? LEVELS).map((level) =>
    waiting.reduce(
      (kept, change) =>
        change.kind === 'change-level' && change.of === kept.id ? { ...kept, ...change.fields } : kept,
      level,
    ),
  );
}
