import type { ArcSetup } from '../arc/setup';
import type { Case } from '../case/schema';
import { isCheckId, type CheckId } from '../evidence/ids';
import { priorOf } from './circumstance';
import type { Engine } from './engine';

/** A look at rig or plate before the first bead: how likely it is to show a fault, and what it costs. */
export type FirstLook = { check: CheckId; chance: number; minutes: number };

/** Longer looks, and those that need a bead, come when something speaks for them. */
const QUICK_MINUTES = 1;
/** All of them together take no longer than that, minutes: gloves stay on. */
const ALL_MINUTES = 6;

/**
 * Returns what is worth a look before the first bead of a coupon is run, the likeliest fault for the least time first: parts and
 * plate are not put right by any knob, and a bead run over a clogged nozzle is a bead lost. Empty once anything that a bead
 * shows is stated. A look that was made stays in the list, so that it can be seen what is left.
 */
export function firstLooks(engine: Engine, input: Case, setup: ArcSetup): FirstLook[] {
  const stated = Object.entries(input.findings ?? {}).filter(([, state]) => state !== 'unknown');
  if (input.heard !== undefined || stated.some(([id]) => !isCheckId(id))) return [];
  const chances = new Map<CheckId, number>();
  engine.causes.forEach((cause, column) => {
    const { kind } = cause.remedy;
    // Of what the hand does, only that shows without a bead for which an early look is known.
    if (cause.early === undefined && kind !== 'part' && kind !== 'plate') return;
    const check = cause.early ?? cause.check;
    const { prior } = priorOf(engine, column, input, setup);
    chances.set(check, (chances.get(check) ?? 0) + prior);
  });
  const looks = [...chances]
    .map(([check, chance]) => ({ check, chance, minutes: engine.nodeById.get(check)!.minutes }))
    .filter(({ chance, minutes }) => chance > 0 && minutes <= QUICK_MINUTES)
    .sort((a, b) => b.chance / b.minutes - a.chance / a.minutes);
  let spent = 0;
  return looks.filter(({ minutes }) => {
    if (spent + minutes > ALL_MINUTES) return false;
    spent += minutes;
    return true;
  });
}
