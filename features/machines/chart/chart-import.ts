import { parse } from 'papaparse';
import { JOB_SCHEMA, POSITIONS, type BaseMetal } from '@/core/case/schema';
import { fromUser, readable, unitOf, type Quantity, type UnitSystem } from '@/core/quantity/units';
import { gaugeToMm } from '@/core/quantity/gauge';
import type { ChartLine } from '@/core/start/chart-check';
import { dialEnds, type Dial } from '@/core/setting/dial';
import type { FigureDial } from '@/core/setting/dial-belief';
import { markFromText, takesMarkText } from '@/core/setting/dial-marks';
import { SETTINGS, takesFigure, type SettingName } from '@/core/setting/table';
import { typedFigure } from '../../shared/record-form';

/** Columns of figures: what they are called in a head, and the units that may be named. */
const FIGURES = {
  voltageV: { called: /^(volts|voltage)$/, quantity: 'voltage' },
  wireSpeedMPerMin: { called: /^(wire|wire speed|wire feed speed)$/, quantity: 'wireSpeed' },
  stickOutMm: { called: /^stick-?out$/, quantity: 'length' },
  gasFlowLPerMin: { called: /^gas( flow)?$/, quantity: 'gasFlow' },
} as const satisfies { [name in SettingName]?: { called: RegExp; quantity: Quantity } };
type FigureName = keyof typeof FIGURES;
const FIGURE_NAMES = Object.keys(FIGURES) as FigureName[];
const DIALS: readonly FigureDial[] = ['voltageV', 'wireSpeedMPerMin'];

/** Columns that a chart of this workshop has besides: they say what its figures do, and are worked out anew. */
const BESIDES = /^(current|transfer|passes|proven|out of reach)\b/;
/** More lines are no settings chart. */
const MOST_LINES = 200;

type Column =
  | { kind: 'thickness'; unit: UnitSystem | 'gauge' }
  | { kind: 'position' }
  | { kind: 'figure'; name: FigureName; unit: UnitSystem }
  | { kind: 'mark'; name: FigureDial }
  | { kind: 'ignored' };

/** What was read of a chart: its lines, columns that mean nothing here, and what cannot be taken, each with its place. */
export type ReadChart = { lines: ChartLine[]; ignored: string[]; problems: string[] };

const SYSTEMS: readonly UnitSystem[] = ['metric', 'inch'];
const unitsOf = (quantity: Quantity): string =>
  [...new Set(SYSTEMS.map((system) => unitOf(quantity, system)))].join(' or ');
const sameUnit = (a: string, b: string): boolean => a.replace(/\s/g, '').toLowerCase() === b.toLowerCase();

/** Returns what a head says its column holds, or what is wrong with it. */
function columnOf(head: string): Column | string {
  const [, name = '', unit = null] = /^([^(,]+?)\s*(?:\(([^)]*)\))?$/.exec(head.trim().toLowerCase()) ?? [];
  const marked = /^(.+?),?\s*(?:mark|knob|tap)$/.exec(head.trim().toLowerCase());
  if (marked !== null) {
    const dial = DIALS.find((one) => FIGURES[one].called.test(marked[1].trim()));
    return dial === undefined ? { kind: 'ignored' } : { kind: 'mark', name: dial };
  }
  if (name === 'position') return { kind: 'position' };
  if (name === 'thickness' || name === 'plate') {
    if (unit === 'gauge' || unit === 'ga') return { kind: 'thickness', unit: 'gauge' };
    const system = SYSTEMS.find((one) => unit !== null && sameUnit(unit, unitOf('length', one)));
    return system === undefined
      ? `“${head}” names no unit: write thickness (mm), thickness (in) or thickness (gauge).`
      : { kind: 'thickness', unit: system };
  }
  const figure = FIGURE_NAMES.find((one) => FIGURES[one].called.test(name));
  if (figure === undefined) return { kind: 'ignored' };
  const { quantity } = FIGURES[figure];
  const system = SYSTEMS.find((one) => unit !== null && sameUnit(unit, unitOf(quantity, one)));
  if (system !== undefined) return { kind: 'figure', name: figure, unit: system };
  return `“${head}” names no unit: ${SETTINGS[figure].name.toLowerCase()} takes ${unitsOf(quantity)} in brackets, or write “${name}, mark”.`;
}

const between = (low: number, high: number, quantity: Quantity, unit: UnitSystem): string =>
  `${readable(low, quantity, unit)} to ${readable(high, quantity, unit)} ${unitOf(quantity, unit)}`;

/** A thickness in mm, or what the field takes. */
function thicknessOf(text: string, unit: UnitSystem | 'gauge', metal: BaseMetal): number | string {
  const typed = typedFigure(text);
  if (unit === 'gauge') {
    try {
      return gaugeToMm(typed ?? NaN, metal);
    } catch {
      return 'a whole gauge number from 3 to 26';
    }
  }
  const { minimum, maximum } = JOB_SCHEMA.properties.thicknessMm;
  const mm = fromUser(typed ?? NaN, 'length', unit);
  return mm >= minimum && mm <= maximum ? mm : between(minimum, maximum, 'length', unit);
}

/** A mark of a knob that is taken down, or of one with numbers; what it takes where the text is none. */
function markOf(text: string, dial: Dial | undefined): number | string {
  const bare = text.replace(/^(knob|tap)\s+/i, '').replace(/\s*o[’']clock$/i, '');
  const ends = dial === undefined ? { low: -100, high: 1000 } : dialEnds(dial);
  return (
    markFromText(dial ?? {}, ends, bare) ??
    (dial === undefined ? 'a number' : takesMarkText(dial, ends).replace('takes ', ''))
  );
}

/**
 * A settings chart from CSV. Every column of figures has to name its unit in its head; marks of the machine’s own dial stand
 * in columns of their own. Lines that cannot be taken are named with their field, and the others are kept.
 * @param text of the file
 * @param metal of the wire that is fitted, for gauge numbers
 * @param dials that are taken down, for their marks
 */
export function readChart(text: string, metal: BaseMetal, dials: { [name in FigureDial]?: Dial }): ReadChart {
  const { data } = parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [heads = [], ...rows] = data;
  const columns = heads.map(columnOf);
  const problems = columns.filter((column): column is string => typeof column === 'string');
  const ignored = heads.filter((head, i) => {
    const column = columns[i];
    return typeof column !== 'string' && column.kind === 'ignored' && !BESIDES.test(head.trim().toLowerCase());
  });
  const none = (problem: string): ReadChart => ({ lines: [], ignored, problems: [...problems, problem] });
  if (rows.length === 0) return none('A chart takes a head and one line at least.');
  if (rows.length > MOST_LINES) return none(`A chart takes ${MOST_LINES} lines at most; this has ${rows.length}.`);
  if (!columns.some((column) => typeof column !== 'string' && column.kind === 'thickness')) {
    return problems.some((problem) => /thickness|plate/i.test(problem))
      ? { lines: [], ignored, problems }
      : none('A chart takes a column thickness (mm), thickness (in) or thickness (gauge).');
  }
  const lines = rows.flatMap((cells, at): ChartLine[] => {
    const made: ChartLine = { line: at + 2, thicknessMm: NaN, position: 'flat', settings: {}, marks: {} };
    const wrong: string[] = [];
    columns.forEach((column, i) => {
      const cell = (cells[i] ?? '').trim();
      if (typeof column === 'string' || column.kind === 'ignored') return;
      const refuse = (takes: string): void => void wrong.push(`Line ${at + 2}, ${heads[i].trim()}: takes ${takes}.`);
      if (column.kind === 'thickness') {
        const mm = thicknessOf(cell, column.unit, metal);
        if (typeof mm === 'string') refuse(mm);
        else made.thicknessMm = mm;
      } else if (cell === '') return;
      else if (column.kind === 'position') {
        const position = POSITIONS.find((one) => one === cell.toLowerCase().replace(/\s+/g, '-'));
        if (position === undefined) refuse(POSITIONS.join(', '));
        else made.position = position;
      } else if (column.kind === 'mark') {
        const mark = markOf(cell, dials[column.name]);
        if (typeof mark === 'string') refuse(mark);
        else made.marks[column.name] = mark;
      } else {
        const { name, unit } = column;
        const { quantity, minimum, maximum } = SETTINGS[name];
        const value = fromUser(typedFigure(cell) ?? NaN, quantity, unit);
        if (takesFigure(name, value)) made.settings[name] = value;
        else refuse(between(minimum, maximum, quantity, unit));
      }
    });
    problems.push(...wrong);
    return wrong.length === 0 ? [made] : [];
  });
  return { lines, ignored, problems };
}
