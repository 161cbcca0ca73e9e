import { parse } from 'papaparse';
import { v5 } from 'uuid';
import { BASE_METALS, JOINTS, POSITIONS } from '../case/terms';
import { JOB_SCHEMA, type Job } from '../case/schema';
import { FINDINGS } from '../knowledge/findings';
import { fromUser, readable, unitOf, type Quantity, type UnitSystem } from '../quantity/units';
import type { Outcome } from '../record/shapes/bead-schema';
import { noRows } from '../record/file/record-file-schema';
import type { RecordRows } from '../record/kinds/all';
import type { BeadRow } from '../record/kinds/beads';
import type { Setup } from '../record/shapes/record-schema';
import { SETTING_NAMES, SETTINGS, type SettingName, type Settings } from '../setting/table';
import type { Decimal } from './spreadsheet';

/** What a column of somebody's list of beads may hold. */
export const LIST_FIELDS = [
  ...['title', 'ranAt', 'metal', 'thickness', 'otherThickness', 'joint', 'position'],
  ...SETTING_NAMES,
  ...['seen', 'notThere', 'judged', 'note'],
] as readonly ListField[];
export type ListField =
  | 'title'
  | 'ranAt'
  | 'metal'
  | 'thickness'
  | 'otherThickness'
  | 'joint'
  | 'position'
  | SettingName
  | 'seen'
  | 'notThere'
  | 'judged'
  | 'note';

/** A column as it is read: what it holds, null for nothing, and in which units. */
export type ListColumn = { field: ListField | null; unit: UnitSystem };

/** How the days of a file are written. */
export type DayOrder = 'year first' | 'day first' | 'month first';

/** A file that may be a list of beads: its heads and its lines, as text. */
export type SomeList = { heads: string[]; rows: string[][] };

const MOST_LINES = 5000;
export const MOST_COLUMNS = 100;
const isSetting = (field: ListField): field is SettingName => field in SETTINGS;

/** Returns what each field is called for whoever names the columns. */
export function fieldName(field: ListField): string {
  return isSetting(field) ? SETTINGS[field].name : NAMES[field];
}
const NAMES: { [field in Exclude<ListField, SettingName>]: string } = {
  title: 'What it was for',
  ranAt: 'Day or time',
  metal: 'Metal',
  thickness: 'Thickness',
  otherThickness: 'Other part',
  joint: 'Joint',
  position: 'Position',
  seen: 'Seen',
  notThere: 'Not there',
  judged: 'Judged',
  note: 'Note',
};

/** The quantity of a field that has a unit; null for words and days. */
export function quantityOf(field: ListField): Quantity | null {
  if (isSetting(field)) return SETTINGS[field].quantity;
  return field === 'thickness' || field === 'otherThickness' ? 'length' : null;
}

/** Heads that are known without being told: those of this product's own files among them. */
const CALLED: readonly (readonly [ListField, RegExp])[] = [
  ['title', /^(coupon|title|job|part|what( it was for)?)$/],
  ['ranAt', /^(run at|date|day|time|when)$/],
  ['metal', /^(metal|material)$/],
  ['thickness', /^(thickness|plate)$/],
  ['otherThickness', /^(other part|other thickness)$/],
  ['joint', /^joint$/],
  ['position', /^position$/],
  ['voltageV', /^(volts|voltage)$/],
  ['wireSpeedMPerMin', /^(wire speed|wire feed speed|wfs)$/],
  ['stickOutMm', /^stick-?out$/],
  ['gasFlowLPerMin', /^(gas|gas flow|flow)$/],
  ['travelSpeedMmPerMin', /^(travel|travel speed)$/],
  ['currentA', /^(current|amps|amperage)$/],
  ['seen', /^(seen|defects?|findings?|faults?)$/],
  ['notThere', /^not there$/],
  ['judged', /^(judged|result|outcome|verdict of the welder)$/],
  ['note', /^(notes?|remarks?|comments?)$/],
];

/** Returns what the heads of a list say of its columns; null where one says nothing that is known. */
export function guessColumns(heads: readonly string[]): ListColumn[] {
  const taken = new Set<ListField>();
  return heads.map((head) => {
    const [, name = '', unit = ''] = /^([^(]*?)\s*(?:\(([^)]*)\))?$/.exec(head.trim().toLowerCase()) ?? [];
    const field = CALLED.find(([, called]) => called.test(name))?.[0] ?? null;
    if (field === null || taken.has(field)) return { field: null, unit: 'metric' };
    taken.add(field);
    const quantity = quantityOf(field);
    const inch =
      quantity !== null && unitOf(quantity, 'inch') !== unitOf(quantity, 'metric') && unit === unitOf(quantity, 'inch');
    return { field, unit: inch ? 'inch' : 'metric' };
  });
}

/**
 * A file as heads and lines.
 * @returns why it is no list, in one sentence, where it is none
 */
export function readList(text: string): SomeList | string {
  const { data } = parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [heads = [], ...rows] = data;
  if (rows.length === 0) return 'A list takes a head and one line at least.';
  if (heads.length > MOST_COLUMNS) return `A list takes ${MOST_COLUMNS} columns at most; this has ${heads.length}.`;
  if (rows.length > MOST_LINES) return `A list takes ${MOST_LINES} lines at most; this has ${rows.length}.`;
  return { heads, rows };
}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, '-');
const OTHER_NAMES: Record<string, string> = {
  steel: 'mild-steel',
  'stainless-steel': 'stainless',
  aluminum: 'aluminium',
};
const JUDGED: Record<string, NonNullable<Outcome>> = {
  ...{ sound: 'sound', ok: 'sound', good: 'sound', pass: 'sound', passed: 'sound', better: 'better' },
  ...{ same: 'same', 'no-change': 'same', worse: 'worse' },
};

/** An instant from a day, with or without a time of the day, in the reader's own zone; null for none. */
export function instantFrom(text: string, order: DayOrder): string | null {
  const whole = text.trim();
  if (/^20\d\d-\d\d-\d\dT[\d:.]+Z$/.test(whole)) {
    const at = new Date(whole);
    return Number.isNaN(at.getTime()) ? null : at.toISOString();
  }
  const found = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[ T](\d{1,2}):(\d{2})(?::(\d{2}))?)?$/.exec(whole);
  if (found === null) return null;
  const [a, b, c, hour = 12, minute = 0, second = 0] = found
    .slice(1)
    .map((part) => (part === undefined ? undefined : Number(part)));
  const [year, month, day] =
    order === 'year first' ? [a!, b!, c!] : order === 'day first' ? [c!, b!, a!] : [c!, a!, b!];
  if (year < 2000 || year > 2099 || hour > 23 || minute > 59 || second > 59) return null;
  const at = new Date(year, month - 1, day, hour, minute, second);
  return at.getMonth() === month - 1 && at.getDate() === day ? at.toISOString() : null;
}

/** Findings by every name that the lexicon has for them. */
const FINDING_BY_NAME = new Map(
  FINDINGS.flatMap(({ id, name, words = [] }) =>
    [name, id.replace(/-/g, ' '), ...words].map((word) => [plain(word), id] as const),
  ),
);

/** Ids made of what they stand for: the same file taken in again is the same. */
const NAMESPACE = '5f0f2a0e-6c1b-5a8e-9d57-0d1f1f6f8a21';
const idOf = (...of: string[]): string => v5(of.join('\n'), NAMESPACE).replace(/^(.{14})5/, '$17');

export type ListGiven = {
  columns: readonly ListColumn[];
  decimal: Decimal;
  days: DayOrder;
  /** The machine that all of it was run on, as it is fitted now. */
  setup: Pick<Setup, 'id' | 'rigId'>;
  /** What a line without a title was for. */
  title: string;
  /** When a line without a day was run. */
  now: string;
};

/** What was read of a list: things of the record, and every line that cannot be taken, with its column. */
export type ReadList = { kept: RecordRows; problems: string[] };

type Line = {
  title: string;
  ranAt: string;
  job: Job;
  bead: Pick<BeadRow, 'settings' | 'findings' | 'names' | 'outcome' | 'note'>;
};

/** One cell into what is known of its line. @returns what the column takes, where the cell cannot be taken */
function take(line: Line, text: string, { field, unit }: ListColumn, { decimal, days }: ListGiven): string | null {
  if (field === null || text.trim() === '') return null;
  if (field === 'title') return (line.title = text.trim().slice(0, 120)) && null;
  if (field === 'note') return (line.bead.note = text.trim().slice(0, 1500)) && null;
  if (field === 'ranAt') {
    const at = instantFrom(text, days);
    if (at === null) return `a day, ${days}`;
    line.ranAt = at;
    return null;
  }
  if (field === 'judged') {
    const judged = JUDGED[plain(text)];
    if (judged === undefined) return 'sound, better, same or worse';
    line.bead.outcome = judged;
    return null;
  }
  if (field === 'seen' || field === 'notThere')
    return takeFindings(line, text, field === 'seen' ? 'present' : 'absent');
  if (field === 'metal' || field === 'joint' || field === 'position') return takeTerm(line, field, text);
  return takeFigure(line, text, field, unit, decimal);
}

/** Returns what the lexicon knows becomes a finding; what it does not stays in the note, so that nothing is lost. */
function takeFindings({ bead }: Line, text: string, state: 'present' | 'absent'): null {
  const unknown: string[] = [];
  // Names may have commas in them: what is no name as a whole may be several.
  const words = text
    .split(';')
    .flatMap((part) => (FINDING_BY_NAME.has(plain(part)) ? [part] : part.split(',')))
    .map((one) => one.trim())
    .filter(Boolean);
  for (const word of words) {
    const id = FINDING_BY_NAME.get(plain(word));
    if (id === undefined) unknown.push(word);
    else {
      bead.findings[id] = state;
      bead.names[id] = FINDINGS.find((one) => one.id === id)!.name;
    }
  }
  if (unknown.length > 0)
    bead.note = [bead.note, `${state === 'present' ? 'Seen' : 'Not there'}: ${unknown.join(', ')}`.slice(0, 400)]
      .filter(Boolean)
      .join('\n');
  return null;
}

function takeTerm({ job }: Line, field: 'metal' | 'joint' | 'position', text: string): string | null {
  const word = OTHER_NAMES[plain(text)] ?? plain(text);
  const terms: readonly string[] = field === 'metal' ? BASE_METALS : field === 'joint' ? JOINTS : POSITIONS;
  if (!terms.includes(word)) return terms.map((term) => term.replace(/-/g, ' ')).join(', ');
  Object.assign(job, { [field === 'metal' ? 'baseMetal' : field]: word });
  return null;
}

function takeFigure(
  { job, bead }: Line,
  text: string,
  field: ListField,
  unit: UnitSystem,
  decimal: Decimal,
): string | null {
  const quantity = quantityOf(field)!;
  const { minimum, maximum } = isSetting(field) ? SETTINGS[field] : JOB_SCHEMA.properties.thicknessMm;
  const written = decimal === 'comma' ? text.replace(/\./g, '').replace(',', '.') : text.replace(/,/g, '');
  const figure = /^\s*-?\d+(\.\d+)?\s*$/.test(written) ? fromUser(Number(written), quantity, unit) : NaN;
  if (!(figure >= minimum && figure <= maximum))
    return `${readable(minimum, quantity, unit)} to ${readable(maximum, quantity, unit)} ${unitOf(quantity, unit)}`.trim();
  const kept = Number(figure.toFixed(3));
  if (isSetting(field)) (bead.settings as Settings)[field] = kept;
  else Object.assign(job, { [field === 'thickness' ? 'thicknessMm' : 'otherThicknessMm']: kept });
  return null;
}

/** Problems that are told: the file is mended better than read through. */
const MOST_PROBLEMS = 20;

/**
 * Somebody's list of beads as things of the record: lines of one title and one plate are one coupon, numbered by their time.
 * Whatever cannot be taken is said by line and column, and nothing is taken where anything is.
 */
export function listToRecord({ rows, heads }: SomeList, given: ListGiven): ReadList {
  const problems: string[] = [];
  const lines = rows.map((cells, i): Line => {
    const line: Line = {
      ...{ title: given.title, ranAt: given.now, job: {} },
      bead: { settings: {}, findings: {}, names: {}, outcome: null, note: '' },
    };
    given.columns.forEach((column, c) => {
      const takes = take(line, cells[c] ?? '', column, given);
      if (takes !== null)
        problems.push(
          `Line ${i + 2}, “${(heads[c] ?? '').slice(0, 60)}” takes ${takes}; it has “${(cells[c] ?? '').slice(0, 40)}”.`,
        );
    });
    return line;
  });
  if (problems.length > MOST_PROBLEMS)
    problems.splice(MOST_PROBLEMS, problems.length, `and ${problems.length - MOST_PROBLEMS} more.`);
  return { kept: problems.length > 0 ? noRows() : recordOf(lines, given), problems };
}

function recordOf(lines: readonly Line[], { setup }: ListGiven): RecordRows {
  const kept = noRows();
  const plates = new Map<string, Line[]>();
  for (const line of lines) {
    const key = JSON.stringify([line.title, line.job]);
    plates.set(key, [...(plates.get(key) ?? []), line]);
  }
  for (const [key, own] of plates) {
    const sorted = [...own].sort((a, b) => (a.ranAt < b.ranAt ? -1 : a.ranAt > b.ranAt ? 1 : 0));
    const [{ title, ranAt, job }] = sorted;
    const [couponId, jobId] = [idOf('coupon', setup.rigId, key, ranAt), idOf('job', setup.rigId, key, ranAt)];
    kept.coupons.push({ id: couponId, rigId: setup.rigId, title, createdAt: ranAt, putAway: false, jobId });
    kept.jobs.push({ id: jobId, couponId, at: ranAt, job });
    sorted.forEach(({ ranAt: at, bead }, i) =>
      kept.beads.push({
        ...{
          id: idOf('bead', couponId, String(i + 1), JSON.stringify([at, bead])),
          couponId,
          jobId,
          setupId: setup.id,
        },
        ...{ number: i + 1, ranAt: at, readings: {}, schools: {}, ...bead },
        ...{ verdict: null, move: null, appearance: null, judgedBy: null, takenBack: false },
      }),
    );
  }
  return kept;
}
