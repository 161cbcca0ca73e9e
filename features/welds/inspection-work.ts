import type { Job } from '@/core/case/schema';
import { measuresFor, type Measured, type MeasureId } from '@/core/inspection/measures';
import { fromUser, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import type { InspectionDraft } from '@/client/stored/work-drafts';
import { typedFigure } from '../shared/record-form';

/** What was typed of an inspection: the figures that can be taken, and what is wrong with those that cannot. */
export type Typed = { measured: Measured; problems: { [id in MeasureId]?: string } };

const rangeText = (minimum: number, maximum: number, unit: 'mm' | null, units: UnitSystem): string => {
  const text = (value: number): string => (unit === null ? String(value) : readable(value, 'length', units));
  return `${unit === null ? 'A whole number' : 'A figure'} from ${text(minimum)} to ${text(maximum)}${unit === null ? '' : ` ${unitOf('length', units)}`}.`;
};

/** Reads what was typed, in the units it was typed in. */
export function typedOf(job: Job, { texts, units }: Pick<InspectionDraft, 'texts' | 'units'>): Typed {
  const typed: Typed = { measured: {}, problems: {} };
  for (const { id, unit, minimum, maximum } of measuresFor(job.joint)) {
    const figure = typedFigure(texts[id] ?? '');
    if (figure === undefined) continue;
    const value = unit === null ? figure : Number(fromUser(figure, 'length', units).toFixed(4));
    const whole = unit !== null || Number.isInteger(value);
    if (value >= minimum && value <= maximum && whole) typed.measured[id] = value;
    else typed.problems[id] = rangeText(minimum, maximum, unit, units);
  }
  return typed;
}
