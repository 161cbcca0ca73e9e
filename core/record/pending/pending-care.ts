import type { CareKnown } from '../../care/due';
import type { Change } from '../change/change';

/** Returns what is known of the care of a rig, with what waits on the device laid over it: what was done begins anew. */
export function careWith(known: readonly CareKnown[], rigId: string, waiting: readonly Change[]): CareKnown[] {
  return known.map((one) =>
    waiting.reduce(
      (now, change) =>
        change.kind === 'care' && change.of === rigId && change.fields.task === one.task
          ? { ...now, since: change.fields.doneAt, arcMinutes: 0, beads: 0, showing: 0 }
          : now,
      one,
    ),
  );
}
