import type { Move } from '../correction/moves';
import type { UnitSystem } from '../quantity/units';
import { textIn } from '../quantity/text';
import { dialFor, type Dials } from '../setting/dials';
import { directionText, fromToText, knobText } from '../setting/words';
import type { NewBead, TakenMove } from './schema';

/** A proposed move as the record keeps it: figures, from which the words are made when it is shown. */
export function takenMove(move: Move): NonNullable<NewBead['move']> {
  if (move.kind === 'remedy') return { kind: 'remedy', cause: move.cause, text: move.do };
  const { setting, from, to } = move;
  return { kind: 'setting', setting, from, to, text: `${move.direction}, ${fromToText(move, 'metric')}` };
}

/**
 * A kept move in one line, in the user's units and on the dial of the machine it was made on:
 * "volts up, 16.5 → 19.9 V, knob 4 → 7".
 * @param dials of the setup that the bead was run with
 */
export function moveInWords({ setting, from, to, text }: TakenMove, dials: Dials, units: UnitSystem): string {
  if (setting === undefined || to === undefined) return textIn(text, units);
  const turn = { setting, from: from ?? null, to };
  const knob = knobText(turn, dialFor(dials, setting));
  return [directionText(setting, turn.from, to), fromToText(turn, units), ...(knob === null ? [] : [knob])].join(', ');
}
