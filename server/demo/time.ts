const DAY = 24 * 60 * 60 * 1000;
const MINUTE = 60 * 1000;
/** Twenty past nine: the first arc of a day. */
const FIRST_ARC = (9 * 60 + 20) * MINUTE;

/** A plate is put on the bench so long before its first bead, min. */
export const ON_THE_BENCH_MIN = 8;

/**
 * An instant that is told backwards, as an ISO string. Nothing lies in the future: 0 days ago is the day before loading.
 * @param minute after the first arc of that day
 * @param now time of loading, ms since 1970
 */
export const instantOf = ({ daysAgo, minute = 0 }: { daysAgo: number; minute?: number }, now: number): string =>
  new Date(Math.floor(now / DAY - 1 - daysAgo) * DAY + FIRST_ARC + minute * MINUTE).toISOString();
