import type { FieldProblem } from '../schema/problems';
import type { Measured } from './measures';

/** Returns what a schema cannot say of an inspection: figures that are each possible, but not together. */
export function inspectionProblems({ measured }: { measured: Measured }): FieldProblem[] {
  const { lengthMm, crackMm = 0, unfusedMm = 0, badLengthMm = 0, poreCount, poreLargestMm } = measured;
  const long = (field: string, value: number): FieldProblem[] =>
    lengthMm !== undefined && value > lengthMm
      ? [{ field: `measured.${field}`, takes: `no more than the length looked at, ${lengthMm} mm` }]
      : [];
  return [
    ...long('crackMm', crackMm),
    ...long('unfusedMm', unfusedMm),
    ...long('badLengthMm', badLengthMm),
    ...(poreCount === 0 && (poreLargestMm ?? 0) > 0
      ? [{ field: 'measured.poreCount', takes: 'how many holes there are: one has a size' }]
      : []),
  ];
}
