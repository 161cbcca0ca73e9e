import type { Move } from '../correction/moves';
import { causeOf, type Engine } from '../diagnosis/engine';
import { LOOK_MINUTES, type NextCheck, type WouldBe } from '../diagnosis/next-check';
import type { CauseVerdict } from '../diagnosis/verdict';
import type { StatedId } from '../evidence/ids';
import type { Remedy } from '../knowledge/shapes/types';

/** What to do first: a look or trial, or the first move. */
export type FirstStep = { kind: 'look'; check: StatedId } | { kind: 'move' };

/** Minutes that a remedy takes, with the welder's things at hand. Source: judgement; a knob is turned, a plate is ground. */
const CURE_MINUTES: Record<Remedy['kind'], number> = { setting: 0.5, technique: 0.5, part: 4, plate: 5 };
/** Minutes of the bead that shows whether it was right: trimmed, run, chipped and looked at. */
const BEAD_MINUTES = 2;

/**
 * The step that loses the fewest minutes on the way to a good bead. Done at once, the cure of the likeliest cause and its bead are lost
 * where it was another; a look costs its own time and lets the likelier of what it leaves be cured. One look ahead: what comes after is
 * taken alike. So ten seconds of looking come before grinding at 38 %, and a knob that is as good as certain is turned.
 * @param causes of the answer, likeliest first
 * @param looks what could be looked at next
 * @param moves what would be done, in order; what a look has shown or the record says is done without another
 * @returns null where there is nothing to do
 */
export function firstStep(
  engine: Engine,
  causes: readonly CauseVerdict[],
  looks: readonly NextCheck[],
  moves: readonly Move[],
): FirstStep | null {
  const lost = (lead: WouldBe | null): number =>
    lead === null
      ? BEAD_MINUTES
      : (1 - lead.probability) * (CURE_MINUTES[causeOf(engine, lead.cause).remedy.kind] + BEAD_MINUTES);
  const [move] = moves;
  const now = lost(causes[0] ?? null);
  const costs = looks.map(({ check, minutes, chance, ifPresent, ifAbsent }) => ({
    check,
    minutes: minutes + LOOK_MINUTES + chance * lost(ifPresent) + (1 - chance) * lost(ifAbsent),
  }));
  const best = costs.reduce<(typeof costs)[number] | null>(
    (least, one) => (least === null || one.minutes < least.minutes ? one : least),
    null,
  );
  if (move === undefined) return best === null ? null : { kind: 'look', check: best.check };
  if (best === null || (move.kind === 'remedy' && move.seen) || best.minutes >= now) return { kind: 'move' };
  return { kind: 'look', check: best.check };
}
