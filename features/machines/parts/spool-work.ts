import type { Rig } from '@/core/case/schema';
import { fromUser, readable, unitOf, type UnitSystem } from '@/core/quantity/units';
import { typedFigure } from '../../shared/record-form';

type Spool = NonNullable<Rig['spool']>;

/** What is typed of a spool, in the reader's units. */
export type SpoolTexts = { full: string; left: string };

/** The fields as they begin: a full one's weight stays, what is on it is said anew. */
export function spoolTexts(spool: Spool | undefined, units: UnitSystem): SpoolTexts {
  const full = spool?.fullKg;
  return { full: full === undefined ? '' : readable(full, 'mass', units), left: '' };
}

type Typed =
  | { spool: Omit<Spool, 'at'>; problem: null }
  | { spool: null; problem: { field: keyof SpoolTexts; text: string } | null };

/** The heaviest spool that is sold, a drum, kg. */
const MOST_KG = 400;

/**
 * The spool that was typed: what is on it, and what a full one has where that is said.
 * @returns the field that cannot be; neither while nothing is said of what is on it
 */
export function spoolFrom({ full, left }: SpoolTexts, units: UnitSystem): Typed {
  const takes = (field: keyof SpoolTexts, low: number, high: number): Typed => {
    const ends = [low, high].map((end) => readable(end, 'mass', units));
    const called = field === 'full' ? 'A full spool' : 'What is on it';
    return { spool: null, problem: { field, text: `${called} takes ${ends.join(' to ')} ${unitOf('mass', units)}.` } };
  };
  const inside = (text: string): number | null => {
    const typed = typedFigure(text);
    return typed === undefined ? null : fromUser(typed, 'mass', units);
  };
  const [fullKg, leftKg] = [inside(full), inside(left)];
  if (fullKg !== null && !(fullKg >= 0.1 && fullKg <= MOST_KG)) return takes('full', 0.1, MOST_KG);
  if (leftKg === null) return { spool: null, problem: null };
  const most = fullKg ?? MOST_KG;
  // What was typed in pounds may lie a hair over a full one.
  if (!(leftKg >= 0 && leftKg <= most * 1.001)) return takes('left', 0, most);
  return { spool: { ...(fullKg === null ? {} : { fullKg }), leftKg: Math.min(most, leftKg) }, problem: null };
}
