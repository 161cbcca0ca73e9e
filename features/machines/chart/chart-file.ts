import { unparse } from 'papaparse';
import type { ChartCell } from '@/core/answer/own-chart';
import { readable, unitOf, type Quantity, type UnitSystem } from '@/core/quantity/units';
import { SETTINGS, type SettingName } from '@/core/setting/table';

/** Columns of figures in a chart's file, in the order a welder reads them off. */
const FIGURES: readonly SettingName[] = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'];

const named = (name: string, quantity: Quantity, units: UnitSystem): string =>
  `${name.toLowerCase()} (${unitOf(quantity, units)})`;

/**
 * A rig's own chart as CSV, in the reader's units, each named in the head of its column.
 * @param cells of the chart
 */
export function chartCsv(cells: readonly ChartCell[], units: UnitSystem): string {
  const figure = (value: number | undefined, quantity: Quantity): string =>
    value === undefined ? '' : readable(value, quantity, units);
  const rows = cells.map(
    ({ thicknessMm, position, settings, marks, currentA, transfer, passes, proven, outOfReach }) => ({
      [named('thickness', 'length', units)]: figure(thicknessMm, 'length'),
      position,
      ...Object.fromEntries(
        FIGURES.flatMap((name) => {
          const { name: called, quantity } = SETTINGS[name];
          return [
            [named(called, quantity, units), figure(settings[name], quantity)],
            ...(name === 'voltageV' || name === 'wireSpeedMPerMin'
              ? [[`${called.toLowerCase()}, mark`, marks[name] ?? '']]
              : []),
          ];
        }),
      ),
      'current (A)': currentA === null ? '' : String(Math.round(currentA)),
      transfer: transfer ?? '',
      passes: String(passes),
      proven: proven ? 'yes' : 'no',
      'out of reach': outOfReach.join(' '),
    }),
  );
  return unparse(rows, { newline: '\n' });
}

/**
 * Returns what a line across the chart says above a cell: that from there on the metal crosses another way. Null where it crosses as in the
 * cell before.
 */
export function turnWords(cell: ChartCell, before: ChartCell | undefined): string | null {
  const { transfer } = cell;
  if (before === undefined || transfer === null || before.transfer === null || transfer === before.transfer)
    return null;
  return TURNS[transfer] ?? null;
}

const TURNS: { [transfer in NonNullable<ChartCell['transfer']>]?: string } = {
  spray: 'From here in spray',
  'short-circuit': 'From here in short arc',
  globular: 'From here in coarse drops',
};

/** Volts and wire of a cell as they are set: the marks where the machine has them, else the figures. */
export function cellWords({ settings, marks }: ChartCell, units: UnitSystem): { volts: string; wire: string } {
  const of = (name: 'voltageV' | 'wireSpeedMPerMin'): string => {
    const value = settings[name];
    if (value === undefined) return name === 'voltageV' ? 'trim 0' : '';
    const { quantity } = SETTINGS[name];
    return marks[name] ?? `${readable(value, quantity, units)} ${unitOf(quantity, units)}`;
  };
  return { volts: of('voltageV'), wire: of('wireSpeedMPerMin') };
}
