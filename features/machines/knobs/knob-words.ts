import type { Rig } from '@/core/case/schema';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { Dial, DialPoint, PairSource } from '@/core/setting/dial';
import { dialCurve, nextPair, type FigureDial } from '@/core/setting/dial-belief';
import { markText } from '@/core/setting/dial-marks';
import { SETTINGS } from '@/core/setting/table';
import { showsVolts } from './knob-work';

export const SOURCE_WORDS: Record<PairSource, string> = {
  'run-out': 'run-out',
  meter: 'meter while welding',
  'good-bead': 'a good bead',
  chart: 'a chart',
  plate: 'as the plate says',
};

/** A pair in words: "knob 3 → 4.2 m/min, run-out". */
export function pairText(
  name: FigureDial,
  dial: Pick<Dial, 'scale' | 'names'>,
  pair: DialPoint,
  units: UnitSystem,
): string {
  const { quantity } = SETTINGS[name];
  const from = pair.by === undefined ? '' : `, ${SOURCE_WORDS[pair.by]}`;
  const called = dial.scale === 'taps' ? 'tap' : 'knob';
  return `${called} ${markText(dial, pair.mark)} → ${readable(pair.value, quantity, units)} ${unitOf(quantity, units)}${from}`;
}

/** Steps that a knob is looked over at to say how sure it is. */
const STEPS = 18;

/** Returns how sure a knob is over what was taken down, in a sentence; null where its pairs do not say how they were got. */
export function sureWords(name: FigureDial, dial: Dial, units: UnitSystem): string | null {
  const { quantity } = SETTINGS[name];
  if (dial.points.some(({ by }) => by === undefined)) return null;
  const offs = dialCurve(name, dial, STEPS).flatMap(({ beyond, value, high }) => (beyond ? [] : [high - value]));
  const all = dialCurve(name, dial, STEPS);
  if (offs.length === 0) return null;
  const figure = (off: number): string => `${readable(off, quantity, units)} ${unitOf(quantity, units)}`;
  const between = `Between its pairs a mark is good to about ${figure(Math.max(...offs))}, nineteen times in twenty.`;
  if (!all.some(({ beyond }) => beyond)) return between;
  const worst = Math.max(...all.map(({ value, high }) => high - value));
  return `${between} Beyond them the line is only carried on: there to about ${figure(worst)}.`;
}

/** The pair that would help most, in a sentence; null where none would help much. */
export function nextPairWords(name: FigureDial, dial: Dial, rig: Pick<Rig, 'meters'>): string | null {
  const next = nextPair(name, dial);
  if (next === null) return null;
  const how =
    name === 'wireSpeedMPerMin' ? 'A run-out' : showsVolts(rig) ? 'A look at the meter' : 'A voltmeter clipped on';
  const less = Math.round(100 * (1 - next.spreadWith / next.spread));
  return `${how} at ${markText(dial, next.mark)} would help most: it takes off ${less} % of the doubt.`;
}
