const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** "12 May 2026", in the reader's own time zone. @param iso UTC ISO string */
export const dayWords = (iso: string): string => DAY.format(new Date(iso));

/** "09:40", in the reader's own time zone. @param iso UTC ISO string */
export const clockWords = (iso: string): string => CLOCK.format(new Date(iso));
