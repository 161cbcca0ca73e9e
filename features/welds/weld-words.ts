import type { JudgedLine } from '@/core/inspection/judge';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';

/** A figure of an inspection with its unit, in the reader's. */
export function measureText(value: number, unit: JudgedLine['unit'], units: UnitSystem): string {
  if (unit === null) return String(Math.round(value));
  if (unit === '%') return `${Number(value.toFixed(0))} %`;
  return `${readable(value, 'length', units)} ${unitOf('length', units)}`;
}

/** "Undercut 2 mm, allowed 0.7 mm". What is too small says what it should be at least; what is over by less than is read says so. */
export function lineText({ name, measured, allowed, unit, defect, over }: JudgedLine, units: UnitSystem): string {
  if (measured === 0) return `${name}: none`;
  const least = defect === 'throat-short';
  const limit = measureText(allowed, unit, units);
  const read = measureText(measured, unit, units);
  const figure = over && read === limit ? `just ${least ? 'under' : 'over'} ${limit}` : read;
  return least ? `Throat ${figure}, at least ${limit}` : `${name} ${figure}, allowed ${limit}`;
}
