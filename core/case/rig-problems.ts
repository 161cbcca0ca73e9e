import type { FieldProblem } from '../schema/problems';
import { isMonotone } from '../setting/dial';
import { statedTotal } from './gas-mix';
import type { Rig } from './schema';

/** What a schema cannot say of a rig: the gas adds up, dials run one way, ranges stand upright. */
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
  }
  for (const [name, range] of Object.entries(rig.range ?? {})) {
    if (range.low >= range.high) problems.push({ field: `${at}.range.${name}`, takes: 'a low below its high' });
  }
  return problems;
}
