import type { Length, Sized } from '@/core/picture/measure';
import { sizeOf } from '@/core/picture/sizes';
import { readable, unitOf, type UnitSystem } from '@/core/quantity/units';

/** A length with how far it may be off: "7.4 ± 0.3 mm". */
export const lengthWords = ({ mm, plusMinusMm }: Length, units: UnitSystem): string =>
  `${readable(mm, 'length', units)} ± ${readable(plusMinusMm, 'length', units)} ${unitOf('length', units)}`;

/** "Width 7.4 ± 0.3 mm (mean of 3)". */
export function sizeWords(size: Sized, units: UnitSystem): string {
  const { name, counts } = sizeOf(size.id);
  return `${name} ${lengthWords(size, units)}${size.places > 1 ? ` (${counts} of ${size.places})` : ''}`;
}
