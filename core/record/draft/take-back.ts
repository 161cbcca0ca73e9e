import { TURNED_SETTINGS, type Settings } from '../../setting/table';
import type { Turn } from '../../setting/words';
import type { Bead } from '../shapes/record-schema';

type Judged = Pick<Bead, 'number' | 'settings' | 'outcome'>;

/** What was changed for a bead that came out worse, as turns that undo it. */
export type TakeBack = { worse: number; than: number; turns: Turn[] };

/**
 * Returns what to take back first where the last bead was judged worse than the one before: every figure that was changed between
 * them and does not stand where it was. A figure that was not known before cannot be gone back to.
 * @param beads of the coupon, in the order they were run
 * @param now figures of the bead that is next
 * @returns null where there is nothing to take back
 */
export function takeBackOf(beads: readonly Judged[], now: Settings): TakeBack | null {
  const [before, last] = beads.slice(-2);
  if (last === undefined || last.outcome !== 'worse') return null;
  const turns = TURNED_SETTINGS.flatMap((setting): Turn[] => {
    const [was, became, stands] = [before.settings[setting], last.settings[setting], now[setting]];
    if (was === undefined || became === undefined || was === became || stands === was) return [];
    return [{ setting, from: stands ?? null, to: was }];
  });
  return turns.length === 0 ? null : { worse: last.number, than: before.number, turns };
}

/**
 * The bead to go on from once the change that made the last one worse is taken back: the one before it, with the worse
 * one, while the next is to be run at its figures. Null before that, and once another way is taken.
 */
export function backAt<One extends Judged>(beads: readonly One[], now: Settings): { bead: One; worse: One } | null {
  const [before, last] = beads.slice(-2);
  if (last === undefined || last.outcome !== 'worse') return null;
  const isChanged = TURNED_SETTINGS.some((setting) => before.settings[setting] !== last.settings[setting]);
  const isBack = TURNED_SETTINGS.every((setting) => {
    const was = before.settings[setting];
    return was === undefined || now[setting] === was;
  });
  return isChanged && isBack ? { bead: before, worse: last } : null;
}
