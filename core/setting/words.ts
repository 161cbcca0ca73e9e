import { readable, unitOf, type UnitSystem } from '../quantity/units';
import { valueToDial, type Dial } from './dial';
import { markText } from './dial-marks';
import { SETTINGS, type SettingName } from './table';

/** A figure alone, in the user's units: "7.5", "295"; a gun angle without its sign. */
export function figureText(name: SettingName, value: number, units: UnitSystem): string {
  const shown = name === 'travelAngleDeg' ? Math.abs(value) : value;
  return readable(shown, SETTINGS[name].quantity, units);
}

/** The unit beside a figure; a gun angle says which way it leans. */
export function unitText(name: SettingName, value: number | undefined, units: UnitSystem): string {
  const unit = unitOf(SETTINGS[name].quantity, units);
  if (name !== 'travelAngleDeg' || value === undefined || value === 0) return unit;
  return value > 0 ? `${unit} push` : `${unit} drag`;
}

/** A figure with its unit: "7.5 m/min", "10° drag"; "not known" where there is none. */
export function figureWithUnit(name: SettingName, value: number | null | undefined, units: UnitSystem): string {
  if (value === null || value === undefined) return 'not known';
  // Degrees stand close to their figure, other units a space away.
  const space = name === 'travelAngleDeg' ? '' : ' ';
  return `${figureText(name, value, units)}${space}${unitText(name, value, units)}`;
}

/** Returns what a setting takes, in the user's units: "takes 8 to 50 V". */
export function takesText(name: SettingName, units: UnitSystem): string {
  const { minimum, maximum, quantity } = SETTINGS[name];
  const figure = (value: number): string => readable(value, quantity, units);
  const both = name === 'travelAngleDeg' ? `0 to ${figure(maximum)}` : `${figure(minimum)} to ${figure(maximum)}`;
  return `takes ${both} ${unitOf(quantity, units)}`;
}

/**
 * Which way a setting is turned, in words. An angle that gets smaller is told to come upright, whichever
 * side it leans to.
 * @param from today's figure, null when unknown
 */
export function directionText(name: SettingName, from: number | null, to: number): string {
  const [up, down] = SETTINGS[name].turns;
  if (from === null) return `set ${SETTINGS[name].name.toLowerCase()}`;
  if (name === 'travelAngleDeg' && Math.abs(to) < Math.abs(from)) return 'gun more upright';
  return to >= from ? up : down;
}

/** A turn of a knob as it is shown and kept: figures inside, dial as the machine carried it. */
export type Turn = { setting: SettingName; from: number | null; to: number };

/** "16.5 → 19.9 V"; an unknown start is "?". */
export function fromToText({ setting: name, from, to }: Turn, units: UnitSystem): string {
  const start = from === null ? '?' : figureText(name, from, units);
  // An angle that changes sides needs both of them named.
  const sides = name === 'travelAngleDeg' && from !== null && Math.sign(from) !== Math.sign(to);
  const left = sides ? figureWithUnit(name, from, units) : start;
  return `${left} → ${figureWithUnit(name, to, units)}`;
}

/** Returns what the machine calls what is turned: a knob, or a tap of a switch. */
const called = ({ scale }: Dial): string => (scale === 'taps' ? 'tap' : 'knob');

/** Where a figure stands on the machine's own dial: "knob 5.5", "tap B", "knob 9:30"; null where it has none. */
export function dialText(dial: Dial | null, value: number | null | undefined): string | null {
  if (dial === null || value === null || value === undefined) return null;
  return `${called(dial)} ${markText(dial, valueToDial(dial, value))}`;
}

/** The same turn on the machine's own dial, "knob 3 → 5.5"; null where the machine has none. */
export function knobText({ from, to }: Turn, dial: Dial | null): string | null {
  if (dial === null) return null;
  const start = from === null ? '?' : markText(dial, valueToDial(dial, from));
  return `${called(dial)} ${start} → ${markText(dial, valueToDial(dial, to))}`;
}
