import type { FieldProblem } from '../schema/problems';
import { dialEnds, isMonotone, type Dial } from '../setting/dial';
import { statedTotal } from './gas-mix';
import type { Rig } from './schema';

/** Returns what a schema cannot say of a rig: the gas adds up, dials run one way, ranges stand upright. */
export function rigProblems(rig: Rig, at: string): FieldProblem[] {
  const problems: FieldProblem[] = [];
  if (rig.gas) {
    const total = statedTotal(rig.gas);
    const open = rig.gas.argonPct === undefined && total < 100;
    if (!open && Math.abs(total - 100) > 1)
      problems.push({ field: `${at}.gas`, takes: `shares that add up to 100 %, not ${total} %` });
  }
  for (const [name, dial] of Object.entries(rig.dials ?? {})) {
    const field = `${at}.dials.${name}.points`;
    if (!isMonotone(dial)) problems.push({ field, takes: 'points that differ, with figures that run one way' });
    else if (name !== 'arcControlPct' && !isMonotone(dial, 'rising'))
      problems.push({ field, takes: 'figures that rise with their marks' });
    problems.push(...endProblems(dial, `${at}.dials.${name}`));
  }
  for (const [name, range] of Object.entries(rig.range ?? {})) {
    if (range.low >= range.high) problems.push({ field: `${at}.range.${name}`, takes: 'a low below its high' });
  }
  return problems;
}

/** Returns what is wrong with the ends of a knob, and with the taps of a switch. */
function endProblems(dial: Dial, at: string): FieldProblem[] {
  const { low = -Infinity, high = Infinity, points, scale, names } = dial;
  if (low >= high) return [{ field: `${at}.low`, takes: 'a beginning below its end' }];
  if (points.some(({ mark }) => mark < low || mark > high))
    return [{ field: `${at}.points`, takes: `marks from ${low} to ${high}, where the knob ends` }];
  if (scale !== 'taps') return [];
  const ends = dialEnds(dial);
  const taps = names?.length ?? ends.high;
  const isTap = (mark: number): boolean => Number.isInteger(mark) && mark >= 1 && mark <= taps;
  return [...points.map(({ mark }) => mark), ends.low, ends.high].every(isTap) && dial.step === 1
    ? []
    : [{ field: `${at}.points`, takes: `whole taps from 1 to ${taps}, one step apart` }];
}
