import type { Copies } from '@/core/record/shapes/copies-schema';

/** What stood in the way for a moment is no news. */
const PATIENCE_MS = 15_000;

/** Returns whether nothing is copied for longer than is usual. @param copies as the server says they stand */
export function isNotCopied({ trouble, since, upTo }: Copies, now: Date): boolean {
  const last = upTo === null ? null : now.getTime() - Date.parse(upTo);
  if (trouble === null) return false;
  return since === null || now.getTime() - Date.parse(since) > PATIENCE_MS || last === null || last > PATIENCE_MS;
}

/** "All of it is copied, up to 2 s ago." @param upTo ISO */
export function copiedAgo(upTo: string, now: Date): string {
  // The clock of this device may be behind the server's.
  const seconds = Math.max(0, Math.round((now.getTime() - Date.parse(upTo)) / 1000));
  if (seconds < 10) return 'All of it is copied, up to some seconds ago.';
  if (seconds < 100) return `All of it is copied, up to ${seconds} s ago.`;
  return `All of it is copied, up to ${Math.round(seconds / 60)} min ago.`;
}
