import { SETTINGS, type SettingName, type Settings } from '../setting/table';
import type { Correction } from './correct';
import type { Move } from './moves';
import { movesNow, pairOf } from './next-settings';

/** So much of a turn that made a bead worse, the same way round, is that turn again. */
const THE_SAME_AGAIN = 0.5;

/** A knob that was turned by less than this share of what was turned most, in what is worth turning, only followed it. */
const ONLY_FOLLOWED = 0.3;

/** The turn of a knob, as a multiple of the least that is worth turning. */
const turnOf = (name: SettingName, before: Settings, after: Settings): number =>
  Math.abs((after[name] ?? 0) - (before[name] ?? after[name] ?? 0)) / SETTINGS[name].worthMoving;

/** The bead's figures as they were made worse: without the knobs that only followed another one. */
function withoutFollowers(before: Settings, after: Settings): Settings {
  const names = (Object.keys(after) as SettingName[]).filter((name) => before[name] !== undefined);
  const most = Math.max(0, ...names.map((name) => turnOf(name, before, after)));
  const followers = names.filter((name) => turnOf(name, before, after) < ONLY_FOLLOWED * most);
  return { ...after, ...Object.fromEntries(followers.map((name) => [name, before[name]])) };
}

/** Returns whether a move turns a knob the way that made the bead worse, and about as far. */
function repeats(move: Move, before: Settings, after: Settings): boolean {
  if (move.kind !== 'setting' || move.from === null) return false;
  const [from, to] = [before[move.setting], after[move.setting]];
  if (from === undefined || to === undefined || from === to) return false;
  return (move.to - move.from) / (to - from) >= THE_SAME_AGAIN;
}

/**
 * Returns what to try once a change was taken back that had made the bead worse: the first of what the correction holds that is
 * not the same change again. What it would do now comes first, then the other way of the schools, then its other moves.
 * @param correction of the bead that the change was taken back to
 * @param before figures of that bead
 * @param after figures that made the next one worse
 * @param changes one change at a time, or all at once
 * @returns nothing where every way was that one
 */
export function anotherWay(correction: Correction, before: Settings, after: Settings, changes: 'one' | 'all'): Move[] {
  const worse = withoutFollowers(before, after);
  const other = correction.alternative.moves;
  const pair = pairOf(correction.moves);
  // Volts and wire that belong together are turned together, here as everywhere: half of a pair is out of balance.
  const alone = correction.moves.filter((move) => pair.length < 2 || !pair.includes(move)).map((move) => [move]);
  const ways = [movesNow(correction, changes), other, ...(pair.length < 2 ? [] : [pair]), ...alone];
  return ways.find((way) => way.length > 0 && !way.some((move) => repeats(move, before, worse))) ?? [];
}
