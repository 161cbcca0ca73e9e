import { Choice } from '@/ui/Press';
import type { Decimal } from '@/core/files/spreadsheet';

const DECIMALS = [
  { value: 'point', label: '18.5' },
  { value: 'comma', label: '18,5' },
] as const satisfies readonly { value: Decimal; label: string }[];

/** Shows how figures are written in a file for a spreadsheet. */
export function DecimalChoice({ chosen, onChoose }: { chosen: Decimal; onChoose: (next: Decimal) => void }) {
  return <Choice label="How figures are written in CSV" options={DECIMALS} chosen={chosen} onChoose={onChoose} />;
}
