import type { Change } from '../change/change';
import { firstShown } from '../words/outcome';
import type { Bead, Coupon, CouponSummary, RigRecord, Setup } from '../shapes/record-schema';

/**
 * What is kept, as it will be once the changes that wait on the device are taken. Laid over what the server said last
 * whenever it is shown, and never mixed into it, so that a change that is refused or undone leaves no trace.
 */

/** Applies changes in order; one that cannot be laid over what is there is left out. */
function inOrder<T>(start: T, waiting: readonly Change[], lay: (kept: T, change: Change) => T): T {
  return waiting.reduce((kept, change) => {
    try {
      return lay(kept, change);
    } catch {
      return kept;
    }
  }, start);
}

const setupOf = (rigId: string, fields: Omit<Setup, 'rigId' | 'assumed' | 'revision'>, revision: number): Setup => ({
  ...fields,
  rigId,
  assumed: false,
  revision,
});

function rigAfter(rig: RigRecord, change: Change): RigRecord {
  if (change.of !== rig.id) return rig;
  if (change.kind === 'change-rig') return { ...rig, ...change.fields };
  if (change.kind === 'refit') return { ...rig, setup: setupOf(rig.id, change.fields, rig.revision) };
  return rig;
}

/** The rigs of the workshop, by name, with those that wait to be begun. */
export function rigsWith(rigs: readonly RigRecord[], waiting: readonly Change[]): RigRecord[] {
  const all = inOrder([...rigs], waiting, (kept, change) => {
    if (change.kind !== 'begin-rig') return kept.map((rig) => rigAfter(rig, change));
    if (kept.some(({ id }) => id === change.of)) return kept;
    const { setup, putAway = false, learnsSince = null, runOutScale = null, ...rest } = change.fields;
    return [
      ...kept,
      { ...rest, putAway, learnsSince, runOutScale, id: change.of, revision: 1, setup: setupOf(change.of, setup, 1) },
    ];
  });
  return all.sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** A bead that waits to be logged: its number is the one it will get if no one else logs one before. */
function withLogged(coupon: Coupon, change: Extract<Change, { kind: 'log-bead' }>): Coupon {
  if (coupon.beads.some(({ id }) => id === change.of)) return coupon;
  const bead: Bead = {
    ...change.fields,
    id: change.of,
    number: coupon.nextNumber,
    takenBack: false,
    revision: coupon.revision,
  };
  const isKnown = coupon.setups.some(({ id }) => id === bead.setupId);
  return {
    ...coupon,
    beads: [...coupon.beads, bead],
    nextNumber: bead.number + 1,
    setups: isKnown || coupon.rig.setup.id !== bead.setupId ? coupon.setups : [...coupon.setups, coupon.rig.setup],
  };
}

function couponAfter(coupon: Coupon, change: Change, rigs: readonly RigRecord[]): Coupon {
  switch (change.kind) {
    case 'log-bead':
      return change.fields.couponId === coupon.id ? withLogged(coupon, change) : coupon;
    case 'change-bead': {
      if (!coupon.beads.some(({ id }) => id === change.of)) return coupon;
      const changed = coupon.beads.map((bead) => (bead.id === change.of ? { ...bead, ...change.fields } : bead));
      return { ...coupon, beads: changed.filter(({ takenBack }) => !takenBack) };
    }
    case 'change-coupon': {
      if (change.of !== coupon.id) return coupon;
      const rig = rigs.find(({ id }) => id === change.fields.rigId) ?? coupon.rig;
      return { ...coupon, ...change.fields, rig, rigId: rig.id, rigName: rig.name };
    }
    case 'correct-job':
      if (change.of !== coupon.id) return coupon;
      return { ...coupon, job: change.fields, jobs: [...coupon.jobs, change.fields] };
    default: {
      const rig = rigAfter(coupon.rig, change);
      return rig === coupon.rig ? coupon : { ...coupon, rig, rigName: rig.name };
    }
  }
}

/**
 * A coupon with what waits laid over it; the same object where nothing does.
 * @param rigs the rigs that are known, for a coupon that moves to another
 */
export function couponWith(
  coupon: Coupon,
  waiting: readonly Change[],
  rigs: readonly RigRecord[] = [coupon.rig],
): Coupon {
  return inOrder(coupon, waiting, (kept, change) => couponAfter(kept, change, rigs));
}

/** A coupon that waits to be begun; null where none of this id does, or its rig is not known. */
export function couponBegun(id: string, waiting: readonly Change[], rigs: readonly RigRecord[]): Coupon | null {
  const begins = waiting.find(({ kind, of }) => kind === 'begin-coupon' && of === id);
  if (begins?.kind !== 'begin-coupon') return null;
  const { rigId, title, createdAt, job, putAway = false } = begins.fields;
  const rig = rigs.find((one) => one.id === rigId);
  if (rig === undefined) return null;
  return {
    ...{ id, rigId, title, createdAt, job, putAway, rig },
    rigName: rig.name,
    revision: 1,
    nextNumber: 1,
    beads: [],
    jobs: [job],
    setups: [],
  };
}

/** The coupons that wait to be begun, newest first. */
export function couponsBegun(waiting: readonly Change[], rigs: readonly RigRecord[]): Coupon[] {
  const begun = waiting.filter(({ kind }) => kind === 'begin-coupon');
  return begun.flatMap(({ of }) => couponBegun(of, waiting, rigs) ?? []).reverse();
}

/** Beads that a line of the log draws. */
const DRAWN = 4;

/** A line of the log with the beads that wait to be logged on it, and its title as it will be. */
export function summaryWith(summary: CouponSummary, waiting: readonly Change[]): CouponSummary {
  return inOrder(summary, waiting, (line, change) => {
    if (change.kind === 'change-coupon' && change.of === line.id) return { ...line, ...change.fields };
    if (change.kind !== 'log-bead' || change.fields.couponId !== line.id) return line;
    const { appearance, outcome, findings, names } = change.fields;
    const number = (line.lastBeads.at(-1)?.number ?? 0) + 1;
    const bead = { number, appearance, outcome, shows: firstShown({ findings, names }) };
    return { ...line, beadCount: line.beadCount + 1, lastBeads: [...line.lastBeads, bead].slice(-DRAWN) };
  });
}

/** A coupon as the log lists it. */
export function summaryOf(coupon: Coupon): CouponSummary {
  const { rig: _, nextNumber: __, beads, jobs: ___, setups: ____, ...row } = coupon;
  const drawn = beads.slice(-DRAWN).map((bead) => ({
    number: bead.number,
    appearance: bead.appearance,
    outcome: bead.outcome,
    shows: firstShown(bead),
  }));
  const soundNumber = beads.find(({ outcome }) => outcome === 'sound')?.number ?? null;
  return { ...row, beadCount: beads.length, soundNumber, lastBeads: drawn };
}
