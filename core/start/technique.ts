import type { WireSetup } from '../arc/setup';

/** How gun and puddle are led: what a hand needs beside the figures. */
export type Technique = {
  travelSpeedMmPerMin: number;
  /** Seconds for 100 mm, as it is counted at the plate. */
  secondsPer100Mm: number;
  /** Push more than 0, drag less, degrees from square. */
  travelAngleDeg: number;
  /** Between the gun and the face of the thicker or lower part, degrees. */
  workAngleDeg: number;
  gun: 'push' | 'drag' | 'square';
  weaves: boolean;
  /** How the puddle is moved, with its beat. */
  run: string;
  /** Where the wire points. */
  aim: string;
  /** Why the gun leans that way. */
  because: string;
};

/** A part so many times thicker than the other is set and aimed for. */
const UNEQUAL = 1.5;
/** So much more of the arc's angle goes to the thicker part, degrees. */
const LEANS_DEG = 10;

type Parts = {
  /** The thicker part over the thinner one. */
  ratio: number;
  gapMm: number;
};

/**
 * Angle between gun and the face of the thicker or lower part. Source: the trade's 45 degrees in a corner, 60 to 70 onto the
 * lower sheet of a lap, square on a flat face; a horizontal seam is held up by pointing at it from below.
 */
function workAngle({ joint, position }: WireSetup, { ratio }: Parts): number {
  const lean = ratio >= UNEQUAL ? LEANS_DEG : 0;
  if (joint === 'fillet') return 45 + lean;
  if (joint === 'lap') return 60 + lean;
  if (joint === 'corner') return 90;
  return position === 'horizontal' && joint === 'butt' ? 80 : 90;
}

function aimOf({ joint, position, baseMetal }: WireSetup, { ratio, gapMm }: Parts, stitched: boolean): string {
  if (ratio >= UNEQUAL)
    return 'At the thicker part, a wire’s width from the edge: let the puddle run onto the thin one and draw back.';
  switch (joint) {
    case 'fillet':
      return position === 'horizontal' && baseMetal !== 'aluminium'
        ? 'Into the corner, a wire’s width onto the lower plate, or the upper edge is undercut.'
        : 'Into the corner, as much on one plate as on the other.';
    case 'lap':
      return 'At the lower sheet, just off the edge of the upper: the edge melts down onto it by itself.';
    case 'corner':
      return 'Along the middle of the open edge; both edges melt in.';
    case 'plug':
      return 'At the bottom sheet first, round its edge, then spiral inward until the hole is level.';
    case 'butt':
      return gapMm > 0 && !stitched
        ? 'At the leading edge of the puddle, from side to side over the gap.'
        : 'Along the joint, on the leading edge of the puddle.';
    case 'bead-on-plate':
      return 'On the leading edge of the puddle, never behind it.';
  }
}

/** Returns how the puddle is moved in each position. Source: the trade's own rules; a sweep a second. */
function runOf({ position, hand, baseMetal, joint }: WireSetup, { gapMm }: Parts, stitched: boolean): string {
  if (stitched) return 'Straight stitches: trigger, count, let go. Each over half of the one before.';
  if (joint === 'plug') return 'Without stopping, the gun upright; a little over the rim, for it shrinks in.';
  if (position === 'vertical-down') return 'Straight down and ahead of the puddle: it must not run past the arc.';
  if (position === 'vertical-up')
    return 'Up in a small weave: a rest at each side, about one sweep a second, little time in the middle.';
  if (gapMm > 0 && hand.weaves)
    return 'A small weave over the gap: a rest on each edge, quickly across; watch for whiskers of wire behind it.';
  if (hand.weaves) return 'A small weave along the leading edge: a rest at each side, about one sweep a second.';
  if (position === 'overhead') return 'Straight and small, a short arc, the hand braced: nothing wide stays up.';
  return baseMetal === 'aluminium'
    ? 'Straight and quick, without stopping: aluminium runs away once it is warm.'
    : 'Straight, moved from the body, counting a steady beat.';
}

/**
 * Which way the gun leans. Uphill it is square or points a little up; downhill it points up against the puddle, which is a
 * drag. Metal or wire that leave no choice keep theirs.
 */
function lean({ hand, position, baseMetal }: WireSetup): { travelAngleDeg: number; because: string } {
  if (baseMetal === 'aluminium' || !['vertical-up', 'vertical-down'].includes(position))
    return { travelAngleDeg: hand.angleDeg, because: hand.because };
  if (position === 'vertical-down')
    return { travelAngleDeg: -Math.abs(hand.angleDeg), because: 'downhill the gun points up, against the puddle' };
  return {
    travelAngleDeg: hand.fixed ? 0 : 5,
    because: 'uphill the gun is nearly square: drag it and the puddle falls out',
  };
}

/**
 * Returns how a job is welded by hand.
 * @param parts how unequal they are, and the gap
 * @param travelMmPerMin pace that lays the leg
 * @param stitched whether the sheet is stitched
 */
export function techniqueFor(setup: WireSetup, parts: Parts, travelMmPerMin: number, stitched: boolean): Technique {
  const { weaves } = setup.hand;
  const { travelAngleDeg, because } = lean(setup);
  return {
    travelSpeedMmPerMin: Math.round(travelMmPerMin / 10) * 10,
    secondsPer100Mm: Math.round(6000 / travelMmPerMin),
    travelAngleDeg,
    workAngleDeg: workAngle(setup, parts),
    gun: travelAngleDeg < 0 ? 'drag' : travelAngleDeg > 0 ? 'push' : 'square',
    weaves: weaves && !stitched && setup.position !== 'vertical-down',
    run: runOf(setup, parts, stitched),
    aim: aimOf(setup, parts, stitched),
    because,
  };
}
