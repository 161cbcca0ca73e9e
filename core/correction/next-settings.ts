import { MAIN_SETTINGS, type Settings } from '../setting/table';
import type { Correction } from './correct';
import type { Move } from './moves';

const PAIR = ['voltageV', 'wireSpeedMPerMin'];

/**
 * The moves to make before the next bead. One at a time is one change, but volts and wire that both move
 * keep their balance only together, so that pair counts as one.
 * @param changes one change at a time, or all at once
 */
export function movesNow(correction: Correction, changes: 'one' | 'all'): Move[] {
  const [first] = correction.moves;
  if (changes === 'all' || first === undefined) return correction.moves;
  if (first.kind === 'remedy' || !PAIR.includes(first.setting)) return [first];
  return correction.moves.filter((move) => move.kind === 'setting' && PAIR.includes(move.setting));
}

/** What to start with where figures are not known yet: the proposed value of each main setting that is missing. */
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
 * proposed value, so that the next bead has figures to be judged by.
 */
export function nextSettings(today: Settings, correction: Correction, changes: 'one' | 'all'): Settings {
  const turned = movesNow(correction, changes).flatMap((move) =>
    move.kind === 'setting' ? [[move.setting, move.to] as const] : [],
  );
  return { ...correction.settings, ...today, ...Object.fromEntries(turned) };
}
