import { isCheckId, type CheckId } from '../../evidence/ids';
import type { Walk } from '../shapes/walk-schema';

/**
 * The walk from cylinder to work clamp: looks at the rig before the first bead, in the order a hand comes by them. Looks at
 * the plate are no part of it: the next coupon is another plate.
 */
export const RIG_WALK: readonly CheckId[] = [
  'check-cylinder',
  'check-gauge-holds',
  'check-gas-label',
  'check-gas-set',
  'check-spool-label',
  'check-wire-rust',
  'check-spool',
  'check-spool-loose',
  'check-roll-groove',
  'check-wire-marks',
  'check-glove',
  'check-studs',
  'check-cable',
  'check-gun-seat',
  'check-liner',
  'check-nozzle',
  'check-tip',
  'check-tip-size',
  'check-tip-recess',
  'check-gas-nozzle',
  'check-preflow',
  'check-clamp',
  'check-leads-warm',
  'check-trigger',
];

/**
 * Looks at what only a refit changes: what was found there in the morning is so in the afternoon, and speaks for the next
 * coupon too. The rest wears and clogs while it is used: such a look need not be asked for again that day, but a nozzle that
 * was clean at eight is no evidence of a bead at three.
 */
const LASTING: readonly CheckId[] = [
  'check-gas-label',
  'check-spool-label',
  'check-roll-groove',
  'check-studs',
  'check-tip-size',
  'check-tip-recess',
];
export const isLasting = (check: CheckId): boolean => LASTING.includes(check);

/** Looks in the order of the walk; those at the plate come last, as they were. */
export function inWalkOrder<Look extends { check: CheckId }>(looks: readonly Look[]): Look[] {
  const place = ({ check }: Look): number => {
    const at = RIG_WALK.indexOf(check);
    return at < 0 ? RIG_WALK.length : at;
  };
  return [...looks].sort((a, b) => place(a) - place(b));
}

/**
 * Looks at the rig that need not be made again: found fine today, and nothing was fitted since.
 * @param fittedAt when what is fitted now was
 * @param isToday whether an instant lies in the day that is now, in the zone of the one who looks
 */
export function fineToday(walk: Walk, fittedAt: string, isToday: (iso: string) => boolean): CheckId[] {
  return Object.entries(walk).flatMap(([id, at]) =>
    isCheckId(id) && RIG_WALK.includes(id) && typeof at === 'string' && at > fittedAt && isToday(at) ? [id] : [],
  );
}
