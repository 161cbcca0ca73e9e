import { answer, hasFigures, startAnswer, type Answer } from '..';
import { arcSetup, withWire, type WireSetup } from '../../arc/setup';
import { usualStickOut } from '../../arc/stick-out';
import type { Case, Rig } from '../../case/schema';
import type { Move } from '../../correction/moves';
import { movesNow } from '../../correction/next-settings';
import { dialToValue, valueToDial } from '../../setting/dial';
import { dialFor } from '../../setting/dials';
import { machineRange } from '../../setting/machine-range';
import { type SettingName, type Settings } from '../../setting/table';

/** A case with all that is answered to it: what is judged as a whole. */
export type Whole = { input: Case; said: Answer; start: ReturnType<typeof startAnswer> | null };

/** What must hold of every answer. Null where it says nothing of this one; else what is wrong, in words, or "". */
export type WholeProperty = { name: string; wrong: (whole: Whole) => string | null };

/** The whole answer to a case, its start among it. */
export function wholeOf(input: Case): Whole {
  const said = answer(input);
  const { wire } = input.rig ?? {};
  const isKnown = wire?.class !== undefined && wire.diameterMm !== undefined;
  return { input, said, start: isKnown ? startAnswer(input) : null };
}

export type Figures = { what: string; settings: Settings };
export const turned = (moves: readonly Move[]): Settings =>
  Object.fromEntries(moves.flatMap((move) => (move.kind === 'setting' ? [[move.setting, move.to]] : [])));

/** Everything that is proposed to be set, each with where it stands. */
export function proposals({ input, said, start }: Whole): Figures[] {
  // A distance that is not known is run as it is proposed.
  const { stickOutMm } = said.correction.settings;
  const today = { ...(stickOutMm === undefined ? {} : { stickOutMm }), ...input.settings };
  const { moves, alternative } = said.correction;
  const now = movesNow(said.correction, 'one');
  return [
    { what: 'corrected', settings: { ...said.correction.settings } },
    ...(now.length === 0 ? [] : [{ what: 'now', settings: { ...today, ...turned(now) } }]),
    ...(alternative.moves.length === 0
      ? []
      : [{ what: 'the other way', settings: { ...today, ...turned(alternative.moves) } }]),
    ...(moves.length === 0 ? [] : [{ what: 'all moves', settings: { ...today, ...turned(moves) } }]),
    ...(start !== null && hasFigures(start)
      ? [
          { what: 'start', settings: start.settings },
          ...(start.otherWay === null ? [] : [{ what: 'the other start', settings: start.otherWay.settings }]),
          ...start.passes.flatMap((pass) =>
            pass.settings === null ? [] : [{ what: 'root', settings: pass.settings }],
          ),
        ]
      : []),
  ];
}

/** Names of what a proposal changes against today, or proposes where nothing is known. */
export const changed = ({ input }: Whole, { settings }: Figures): SettingName[] =>
  (Object.keys(settings) as SettingName[]).filter((name) => settings[name] !== input.settings?.[name]);

export const first = (wrongs: readonly (string | false)[]): string =>
  wrongs.find((one) => one !== false && one !== '') || '';
export const setupOf = ({ input }: Whole): WireSetup | null => withWire(arcSetup(input, input.experience?.machine));
export const stickOutOf = (setup: WireSetup, settings: Settings): number =>
  settings.stickOutMm ?? usualStickOut(setup, null).wanted;

export function isOnStep(rig: Rig, name: 'voltageV' | 'wireSpeedMPerMin', value: number): boolean {
  const dial = dialFor(rig.dials, name);
  if (dial !== null) return Math.abs(dialToValue(dial, valueToDial(dial, value)) - value) < 2e-3;
  const { step, low, high } = machineRange(rig, name);
  const near = Math.abs(value / step - Math.round(value / step)) < 1e-6;
  return near || value === low || value === high;
}
