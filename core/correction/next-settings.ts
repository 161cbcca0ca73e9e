import { MAIN_SETTINGS, toGoOnWith, type Settings } from '../setting/table';
import type { Correction } from './correct';
import { PAIR, type Move } from './moves';
import { RESET_BY_CURE } from './reset-by-cure';

const isIn = (names: readonly string[], name: string): boolean => names.includes(name);

/** Volts and wire, and the distance that a wire speed is for: at another it would burn another arc. Volts alone are their own change. */
export function pairOf(moves: readonly Move[]): Move[] {
  const pair = moves.filter((move) => move.kind === 'setting' && isIn(PAIR, move.setting));
  if (!pair.some((move) => move.kind === 'setting' && move.setting === 'wireSpeedMPerMin')) return pair;
  return [...pair, ...moves.filter((move) => move.kind === 'setting' && move.setting === 'stickOutMm')];
}

/**
 * The moves to make before the next bead. One at a time is one change, but volts and wire that both move keep their
 * balance only together, so that pair counts as one. Faults that a look showed are all put right at once, with what is reset by
 * that: only what is guessed at is a trial. The numbers are tried after them.
 * @param changes one change at a time, or all at once
 */
export function movesNow(correction: Correction, changes: 'one' | 'all'): Move[] {
  const { moves } = correction;
  const [first] = moves;
  if (changes === 'all' || first === undefined) return moves;
  if (first.kind === 'setting') return isIn(PAIR, first.setting) ? pairOf(moves) : [first];
  const remedies = moves.filter((move) => move === first || (move.kind === 'remedy' && move.seen));
  const reset = remedies.flatMap((move) => (move.kind === 'remedy' ? (RESET_BY_CURE[move.cause] ?? []) : []));
  return [...remedies, ...moves.filter((move) => move.kind === 'setting' && isIn(reset, move.setting))];
}

/** Returns what to start with where figures are not known yet: the proposed value of each main setting that is missing. */
export function startingSettings(today: Settings, correction: Correction): Settings {
  return Object.fromEntries(
    MAIN_SETTINGS.flatMap((name) => {
      const proposed = correction.settings[name];
      return today[name] === undefined && proposed !== undefined ? [[name, proposed]] : [];
    }),
  );
}

/**
 * Settings to run the next bead with: today's, with the moves made now. What was not known takes the
 * proposed value, so that the next bead has figures to be judged by; what was read of this bead stays with it.
 */
export function nextSettings(today: Settings, correction: Correction, changes: 'one' | 'all'): Settings {
  const turned = movesNow(correction, changes).flatMap((move) =>
    move.kind === 'setting' ? [[move.setting, move.to] as const] : [],
  );
  return { ...correction.settings, ...toGoOnWith(today), ...Object.fromEntries(turned) };
}
