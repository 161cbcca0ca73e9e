import type { HistoryEntry } from '@/core/record/change/change-schema';
import { CONFLICTS, deviceId, type Conflict } from '@/client/stored/device-state';
import { store, stored } from '@/platform/stored';

/** Fields that only follow from others and need no word of their own. */
const isTold = (field: string): boolean => field !== 'takenBack';
const MOST_KEPT = 100;

/**
 * Notes where two devices changed one field, on both: on the later one when its change is answered, on the earlier one
 * when it hears of it. A word on it stands until it is read.
 */
export function noteConflicts({ id, kind, of, couponId, device, fields, overrode, revision }: HistoryEntry): void {
  const me = deviceId();
  const met = overrode
    .filter((other) => isTold(other.field) && (device === me || other.device === me))
    .map(({ field, was, by }): Conflict => {
      const now = (fields as Record<string, unknown>)[field];
      return {
        id: `${id} ${field}`,
        kind,
        of,
        couponId,
        field,
        was,
        now,
        revision,
        mine: device === me ? 'later' : 'earlier',
        by,
        settled: false,
      };
    });
  const kept = stored(CONFLICTS);
  const fresh = met.filter(({ id: one }) => !kept.some((other) => other.id === one));
  if (fresh.length > 0) store(CONFLICTS, [...kept, ...fresh].slice(-MOST_KEPT));
}

/** A conflict that was read, and settled or left. */
export function settleConflict(id: string): void {
  store(
    CONFLICTS,
    stored(CONFLICTS).map((one) => (one.id === id ? { ...one, settled: true } : one)),
  );
}
