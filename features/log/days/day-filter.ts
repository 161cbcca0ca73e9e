import type { EntryKind, EntryOutcome } from '@/core/record/shapes/log-entry-schema';
import { fromUser, type UnitSystem } from '@/core/quantity/units';

/** What is asked of the log, as it stands in the address: going back and a reload keep it. */
export type DayParams = {
  text?: string;
  what?: What;
  rig?: string;
  cause?: string;
  finding?: string;
  metal?: string;
  thinnest?: string;
  thickest?: string;
  outcome?: string;
  by?: string;
  from?: string;
  to?: string;
  /** The line that stands open beside the list; it narrows nothing. */
  open?: string;
};
export const DAY_PARAMS = [
  ...['text', 'what', 'rig', 'cause', 'finding', 'metal', 'thinnest', 'thickest', 'outcome', 'by', 'from', 'to'],
] as (keyof DayParams)[];

/** Kinds of things as a welder asks for them. */
export const WHAT = {
  beads: { label: 'Beads', kinds: ['bead'] },
  coupons: { label: 'Coupons', kinds: ['coupon'] },
  kept: { label: 'Kept settings', kinds: ['proven'] },
  welds: { label: 'Welds', kinds: ['weld', 'inspection', 'repair'] },
  parts: { label: 'Parts and cylinders', kinds: ['refit'] },
  care: { label: 'Care', kinds: ['care'] },
} as const satisfies Record<string, { label: string; kinds: EntryKind[] }>;
export type What = keyof typeof WHAT;

export const OUTCOMES_ASKED: readonly { value: EntryOutcome; label: string }[] = [
  { value: 'sound', label: 'Sound' },
  { value: 'better', label: 'Better' },
  { value: 'same', label: 'No change' },
  { value: 'worse', label: 'Worse' },
  { value: 'trial', label: 'Not judged' },
  { value: 'accept', label: 'Accepted' },
  { value: 'repair', label: 'To repair' },
  { value: 'reject', label: 'Rejected' },
];

const DAY = /^(20\d\d)-(\d\d)-(\d\d)$/;
const MM = /^\d{1,3}([.,]\d{1,3})?$/;

/** The first or last instant of a day in the reader's own zone, from "2026-05-30"; null for what is no day. */
export function instantOfDay(text: string, end: boolean): string | null {
  const found = DAY.exec(text.trim());
  if (found === null) return null;
  const [year, month, day] = found.slice(1).map(Number);
  const at = end ? new Date(year, month - 1, day, 23, 59, 59, 999) : new Date(year, month - 1, day);
  return at.getMonth() === month - 1 && at.getDate() === day ? at.toISOString() : null;
}

/** A thickness in mm from what was typed in the reader's units; null for what is none. */
export function thicknessOf(text: string, units: UnitSystem): number | null {
  if (!MM.test(text.trim())) return null;
  const mm = fromUser(Number(text.trim().replace(',', '.')), 'length', units);
  return mm <= 999 ? Number(mm.toFixed(2)) : null;
}

/** Returns what cannot be taken of the filter, by field. */
export function dayProblems(params: DayParams, units: UnitSystem): { [field in keyof DayParams]?: string } {
  const problems: { [field in keyof DayParams]?: string } = {};
  for (const field of ['from', 'to'] as const) {
    const text = params[field] ?? '';
    if (text !== '' && instantOfDay(text, false) === null) problems[field] = 'A day such as 2026-05-30.';
  }
  for (const field of ['thinnest', 'thickest'] as const) {
    const text = params[field] ?? '';
    if (text !== '' && thicknessOf(text, units) === null)
      problems[field] = units === 'metric' ? 'A thickness in mm, such as 1.5.' : 'A thickness in inches, such as 0.06.';
  }
  return problems;
}

/** The filter as the server takes it; what cannot be taken is not asked. */
export function dayQuery(params: DayParams, units: UnitSystem): Record<string, string> {
  const { text, what, thinnest, thickest, from, to, ...same } = params;
  const asked: Record<string, string | number | null | undefined> = {
    ...same,
    open: undefined,
    text: text?.trim().slice(0, 80),
    kinds: what === undefined || WHAT[what] === undefined ? undefined : WHAT[what].kinds.join(','),
    thinnest: thicknessOf(thinnest ?? '', units),
    thickest: thicknessOf(thickest ?? '', units),
    from: instantOfDay(from ?? '', false),
    to: instantOfDay(to ?? '', true),
  };
  return Object.fromEntries(
    Object.entries(asked).flatMap(([name, value]) =>
      value === undefined || value === null || value === '' ? [] : [[name, String(value)]],
    ),
  );
}

/** Returns how many things narrow the list, the words of the search aside. */
export const narrowedBy = (params: DayParams): number =>
  DAY_PARAMS.filter((name) => name !== 'text' && (params[name] ?? '') !== '').length;
