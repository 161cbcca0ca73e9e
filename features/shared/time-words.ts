const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** A time that is none is shown as it was kept. */
function formatted(iso: string, format: Intl.DateTimeFormat): string {
  const time = new Date(iso);
  return Number.isNaN(time.getTime()) ? iso : format.format(time);
}

/** "12 May 2026", in the reader's own time zone. @param iso UTC ISO string */
export const dayWords = (iso: string): string => formatted(iso, DAY);

/** "09:40", in the reader's own time zone. @param iso UTC ISO string */
export const clockWords = (iso: string): string => formatted(iso, CLOCK);
