import { CASE_FORMAT, type Case, type Preferences } from '../case/schema';
import type { Bead, Coupon, RigRecord } from './schema';

/** The part of a bead that a case asks about. */
export type BeadFacts = Pick<Bead, 'settings' | 'findings'> & { readings?: Bead['readings'] };

/**
 * The case that a bead on a coupon poses: its job, its rig, what was set and what it showed.
 * A machine that shows its figures on marks only makes them less certain.
 */
export function caseOf(
  rig: RigRecord,
  coupon: Pick<Coupon, 'job'>,
  bead: BeadFacts,
  preferences: Preferences = {},
): Case {
  const display = rig.display;
  return {
    format: CASE_FORMAT,
    job: coupon.job,
    rig: rig.rig,
    settings: bead.settings,
    readings: { voltageV: display, wireSpeedMPerMin: display, travelSpeedMmPerMin: 'estimate', ...bead.readings },
    findings: bead.findings,
    preferences,
  };
}
