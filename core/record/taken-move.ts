import type { Move } from '../correction/moves';
import { readable, unitOf, type Quantity, type UnitSystem } from '../quantity/units';
import type { SettingName } from '../case/schema';
import type { TakenMove } from './schema';

/** What each setting measures, for its unit and digits. */
export const QUANTITY_OF: Record<SettingName, Quantity> = {
  voltageV: 'voltage',
  wireSpeedMPerMin: 'wireSpeed',
  stickOutMm: 'length',
  gasFlowLPerMin: 'gasFlow',
  arcControlPct: 'percent',
  travelSpeedMmPerMin: 'travelSpeed',
  travelAngleDeg: 'angle',
};

/** A move in one line: "volts up, 16.5 to 19.9 V". */
export function moveInWords(move: Move, system: UnitSystem): string {
  if (move.kind === 'remedy') return move.do;
  const quantity = QUANTITY_OF[move.setting];
  const figure = (value: number): string => readable(value, quantity, system);
  const from = move.from === null ? '' : `${figure(move.from)} to `;
  return `${move.direction}, ${from}${figure(move.to)} ${unitOf(quantity, system)}`;
}

/** A proposed move as the record keeps it. */
export function takenMove(move: Move): TakenMove {
  const text = moveInWords(move, 'metric');
  if (move.kind === 'remedy') return { kind: 'remedy', cause: move.cause, text };
  return { kind: 'setting', setting: move.setting, from: move.from, to: move.to, text };
}
