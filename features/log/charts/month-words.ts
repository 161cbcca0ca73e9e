const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });
const SHORT = new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' });

const dateOf = (month: string): Date => new Date(`${month}-01T00:00:00Z`);

/** "May 2026". @param month as the charts have it, "2026-05" */
export const monthWords = (month: string): string => MONTH.format(dateOf(month));

/** Months between the right edge of a chart and its last label. */
const FROM_EDGE = 2;

/** Returns what stands under a chart: every so many months, with the year where it begins. */
export function monthLabels(months: readonly string[], every: number): string[] {
  return months.map((month, i) => {
    // Counted from the newest but one or two: a label under the last point would be cut at the edge.
    if ((months.length - 1 - FROM_EDGE - i) % every !== 0) return '';
    return `${SHORT.format(dateOf(month))} ${month.slice(2, 4)}`;
  });
}

/** A line to draw over months of which some have no figure: it goes on level; null where no month has one. */
export function drawable(values: readonly (number | null)[]): number[] | null {
  const first = values.find((value) => value !== null);
  if (first === undefined || first === null) return null;
  let last = first;
  return values.map((value) => (last = value ?? last));
}

/** The mean of the months that have a figure, of one half of them; null where none has. */
export function meanOf(values: readonly (number | null)[]): number | null {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) / known.length;
}
