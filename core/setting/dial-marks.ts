import type { Dial } from './dial';

/** Hours of a knob's usual sweep: from seven o'clock over the top to five. */
export const USUAL_SWEEP = { low: 7, high: 17 };

/** What the taps of a switch are called where nobody says otherwise. */
export const TAP_LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'J', 'K', 'L', 'M'];

const trimmed = (mark: number): string => String(Number(mark.toFixed(3)));

function clockText(mark: number): string {
  const minutes = Math.round(mark * 60);
  const hour = ((Math.floor(minutes / 60) + 11) % 12) + 1;
  return `${hour}:${String(((minutes % 60) + 60) % 60).padStart(2, '0')}`;
}

/**
 * A mark as it stands on the knob: "6.5", "65 %", "9:30", "B".
 * @param mark as it is kept
 */
export function markText({ scale = 'numbers', names = [] }: Pick<Dial, 'scale' | 'names'>, mark: number): string {
  switch (scale) {
    case 'numbers':
      return trimmed(mark);
    case 'per-cent':
      return `${trimmed(mark)} %`;
    case 'clock':
      return clockText(mark);
    case 'taps':
      return names[Math.round(mark) - 1] ?? trimmed(mark);
  }
}

/** An hour of the day's clock brought onto the sweep that begins at `low`. */
function onSweep(hour: number, low: number): number {
  let mark = hour;
  while (mark < low) mark += 12;
  return mark;
}

function clockMark(text: string, low: number): number | null {
  const [, hour, , minutes = '0'] = /^(\d{1,2})(\s*[:.]\s*(\d{2}))?$/.exec(text) ?? [];
  if (hour === undefined || Number(hour) < 1 || Number(hour) > 12 || Number(minutes) > 59) return null;
  return onSweep(Number(hour) + Number(minutes) / 60, low);
}

/**
 * The mark that a text names, the inverse of {@link markText}; a comma stands for a point.
 * @param ends of the knob
 * @returns null where the text is no mark of this knob
 */
export function markFromText(
  { scale = 'numbers', names = [] }: Pick<Dial, 'scale' | 'names'>,
  ends: { low: number; high: number },
  text: string,
): number | null {
  const typed = text.trim().replace(/\s*%$/, '').replace(',', '.');
  if (typed === '') return null;
  const named = names.findIndex((name) => name.toLowerCase() === typed.toLowerCase());
  const figure =
    scale === 'taps' && named >= 0
      ? named + 1
      : scale === 'clock'
        ? clockMark(typed.replace('.', ':'), ends.low)
        : Number(typed);
  if (figure === null || Number.isNaN(figure) || (scale === 'taps' && !Number.isInteger(figure))) return null;
  return figure >= ends.low - 1e-9 && figure <= ends.high + 1e-9 ? figure : null;
}

/** Returns what a mark field takes, in words: "takes 1 to 10". */
export function takesMarkText(
  dial: Pick<Dial, 'scale' | 'names'>,
  { low, high }: { low: number; high: number },
): string {
  return `takes ${markText(dial, low)} to ${markText(dial, high)}`;
}
