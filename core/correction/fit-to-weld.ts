import { HEAT_SHARES } from '../arc/asked';
import { balanceHalfWidth, withinCurrentRange } from '../arc/balance';
import { balancedVolts, currentAt, currentBalancedBy, wireSpeedAt } from '../arc/setup';
import type { Dials } from '../setting/dials';
import { quietRanges } from '../arc/quiet-ranges';
import { wildness } from '../arc/transfer';
import type { MainSetting } from '../setting/table';
import type { Situation, Target } from './objective';
import type { Work } from './situation';
import { settableNear, type Bounds } from './solver';

/** Less wire than this share of today's is no finer point of balance, but a wire that is too fast. */
const FINER_POINT = 0.92;

/**
 * A target that takes no wire out of a bead whose likeliest fault is that it is cold: where the volts end, a little less wire would
 * balance better and fuse less.
 */
export function notColder({ diagnosis }: Work, { today }: Situation, to: Target): Target {
  const { wireSpeedMPerMin: now } = today;
  const isLess = now !== null && to.wireSpeedMPerMin < now && to.wireSpeedMPerMin >= FINER_POINT * now;
  return isLess && diagnosis.causes[0]?.cause === 'heat-low' ? { ...to, wireSpeedMPerMin: now } : to;
}

/** How far into the window of balance volts are brought that would lie outside it, as a share of its half. */
const INSIDE = 0.8;

/**
 * A target whose volts and wire, where both are proposed, lie inside the window of balance: a bead is believed by as much as that, no
 * further, until the machine has shown what it is off by.
 */
export function inBalance({ setup, today }: Situation, bounds: Bounds, dials: Dials | undefined, to: Target): Target {
  const isMoved = (name: 'voltageV' | 'wireSpeedMPerMin'): boolean => to[name] !== today[name];
  if (setup.pulse || !isMoved('voltageV') || !isMoved('wireSpeedMPerMin')) return to;
  const currentA = withinCurrentRange(currentAt(setup, to.wireSpeedMPerMin, to.stickOutMm));
  const middle = balancedVolts(setup, currentA);
  const half = balanceHalfWidth(currentA, setup.wire, setup.gas);
  const off = to.voltageV - middle;
  const brought = settableNear(bounds, dials, 'voltageV', middle + Math.sign(off) * INSIDE * half);
  const nearer = Math.abs(off) <= half ? to : { ...to, voltageV: brought };
  if (!isUnquiet({ setup }, nearer)) return nearer;
  // Where the volts end, the wire is the one that the last of them hold.
  const held = wireSpeedAt(setup, currentBalancedBy(setup, nearer.voltageV), to.stickOutMm);
  const wireSpeedMPerMin = settableNear(bounds, dials, 'wireSpeedMPerMin', held);
  const withWire = { ...nearer, wireSpeedMPerMin };
  if (!isUnquiet({ setup }, withWire)) return withWire;
  // And where that is none that is quiet, the top of the short arc.
  const top = quietRanges(setup.wire, setup.gas).short?.highA;
  if (top === undefined) return nearer;
  const short = settableNear(bounds, dials, 'wireSpeedMPerMin', wireSpeedAt(setup, top, to.stickOutMm));
  const volts = balancedVolts(setup, withinCurrentRange(currentAt(setup, short, to.stickOutMm)));
  const atTop = { ...to, wireSpeedMPerMin: short, voltageV: settableNear(bounds, dials, 'voltageV', volts) };
  return isUnquiet({ setup }, atTop) ? nearer : atTop;
}

/** True where the arc of a target is out of balance, or lies between short arc and spray. */
export function isUnquiet(
  { setup }: Pick<Situation, 'setup'>,
  { voltageV, wireSpeedMPerMin, stickOutMm }: Target,
): boolean {
  if (setup.pulse) return false;
  const currentA = withinCurrentRange(currentAt(setup, wireSpeedMPerMin, stickOutMm));
  const off = Math.abs(voltageV - balancedVolts(setup, currentA));
  return off > balanceHalfWidth(currentA, setup.wire, setup.gas) || wildness(currentA, setup.wire, setup.gas) > 0.5;
}

/** A share of the current that is no difference. */
const NEXT_TO_NOTHING = 0.01;

/** Current of a target, A. */
const currentOf = ({ setup }: Pick<Situation, 'setup'>, { wireSpeedMPerMin, stickOutMm }: Target): number =>
  withinCurrentRange(currentAt(setup, wireSpeedMPerMin, stickOutMm));

/**
 * The way a target harms: too cold to fuse the plate, or hotter than it stands.
 * @param beside the target it is offered with, which may be as cold or hot for want of better
 * @returns null where it does not harm, or the plate is not known
 */
export function harmsBy(situation: Situation, target: Target, beside: Target): 'cold' | 'hot' | null {
  const { currentAskedA } = situation.setup;
  if (currentAskedA === null) return null;
  const [share, besideShare] = [target, beside].map((one) => currentOf(situation, one) / currentAskedA);
  if (share < HEAT_SHARES.cold && share < besideShare - NEXT_TO_NOTHING) return 'cold';
  return share > HEAT_SHARES.sprayHot && share > besideShare + NEXT_TO_NOTHING ? 'hot' : null;
}

/** The words for an other way that the plate would not fuse by or not stand. */
export function withheldWords(situation: Situation, target: Target, turned: MainSetting, by: 'cold' | 'hot'): string {
  const [currentA, askedA] = [currentOf(situation, target), situation.setup.currentAskedA ?? 0].map(Math.round);
  const what = turned === 'wireSpeedMPerMin' ? 'Turning the wire instead' : 'Turning the volts instead';
  return `${what} would steady the arc, but too ${by} for this plate: about ${currentA} A, and it wants about ${askedA} A.`;
}
