import { unparse } from 'papaparse';
import { readable, unitOf, type UnitSystem } from '../quantity/units';
import { SETTINGS, type SettingName } from '../setting/table';

/** How figures are written in a file: a comma in them asks for semicolons between the columns. */
export type Decimal = 'point' | 'comma';

/** A figure as a person writes it, with the decimal sign that is asked for. */
const written = (text: string, decimal: Decimal): string => (decimal === 'comma' ? text.replace('.', ',') : text);

/** A figure without a unit. */
export const numberIn = (value: number, decimal: Decimal): string => written(String(value), decimal);

/** The head of a setting's column, with its unit: "volts (V)". */
export const headOf = (name: SettingName, units: UnitSystem): string =>
  `${SETTINGS[name].name.toLowerCase()} (${unitOf(SETTINGS[name].quantity, units)})`;

/** A setting in the reader's units; nothing where it is not known. */
export const figureIn = (value: number | undefined, name: SettingName, units: UnitSystem, decimal: Decimal): string =>
  value === undefined ? '' : written(readable(value, SETTINGS[name].quantity, units), decimal);

/** A length in the reader's units; nothing where it is not known. */
export const lengthIn = (value: number | null | undefined, units: UnitSystem, decimal: Decimal): string =>
  value === null || value === undefined ? '' : written(readable(value, 'length', units), decimal);

/** What a spreadsheet would work out instead of showing; a figure below 0 is none. */
const FORMULA = /^[=+@\t\r]|^-(?![\d.,]+$)/;

/**
 * Rows as a file for a spreadsheet, with every column that any of them has. What a spreadsheet would take for a formula is made
 * harmless.
 * @param decimal how their figures are written
 * @param withHead whether the heads of the columns stand first: a long file is written in pieces
 */
export function csvOf(rows: readonly Record<string, string | number>[], decimal: Decimal, withHead = true): string {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return unparse(
    { fields: columns, data: [...rows] },
    { newline: '\n', escapeFormulae: FORMULA, delimiter: decimal === 'comma' ? ';' : ',', header: withHead },
  );
}
