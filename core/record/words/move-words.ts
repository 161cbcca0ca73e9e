import type { Move } from '../../correction/moves';
import type { UnitSystem } from '../../quantity/units';
import { textIn } from '../../quantity/text';
import { dialFor, type Dials } from '../../setting/dials';
import type { Settings } from '../../setting/table';
import { directionText, fromToText, knobText } from '../../setting/words';
import type { NewBead, TakenMove } from '../shapes/record-schema';

type OneMove = Omit<TakenMove, 'with'>;

function oneMove(move: Move): Omit<NonNullable<NewBead['move']>, 'with'> {
  if (move.kind === 'remedy') return { kind: 'remedy', cause: move.cause, text: move.do };
  const { setting, from, to } = move;
  return { kind: 'setting', setting, from, to, text: `${move.direction}, ${fromToText(move, 'metric')}` };
}

/**
 * The moves made after a bead as the record keeps them: figures, from which the words are made when they are shown.
 * @param moves in their order; null for none
 */
export function takenMove([first, ...others]: readonly Move[]): NewBead['move'] {
  if (first === undefined) return null;
  return { ...oneMove(first), ...(others.length === 0 ? {} : { with: others.map(oneMove) }) };
}

/** The settings that a kept move turns, with what they are turned to. */
export function turnedBy(move: TakenMove | null): Settings {
  if (move === null) return {};
  return Object.fromEntries(
    [move, ...(move.with ?? [])].flatMap(({ kind, setting, to }) =>
      kind === 'setting' && setting !== undefined && to !== undefined ? [[setting, to] as const] : [],
    ),
  );
}

/**
 * A kept move in one line, in the user's units and on the dial of the machine it was made on:
 * "volts up, 16.5 → 19.9 V, knob 4 → 7; more wire, 5 → 6 m/min".
 * @param dials of the setup that the bead was run with
 */
export function moveInWords(move: TakenMove, dials: Dials, units: UnitSystem): string {
  return [move, ...(move.with ?? [])].map((one) => oneInWords(one, dials, units)).join('; ');
}

function oneInWords({ setting, from, to, text }: OneMove, dials: Dials, units: UnitSystem): string {
  if (setting === undefined || to === undefined) return textIn(text, units);
  const turn = { setting, from: from ?? null, to };
  const knob = knobText(turn, dialFor(dials, setting));
  return [directionText(setting, turn.from, to), fromToText(turn, units), ...(knob === null ? [] : [knob])].join(', ');
}
