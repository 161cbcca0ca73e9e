import { createEvents, type EventAttributes } from 'ics';
import type { Due } from '@/core/care/due';
import { CARE } from '@/core/care/tasks';
import type { RigRecord } from '@/core/record/shapes/record-schema';

const dayOf = (iso: string): [number, number, number] => {
  const day = new Date(iso);
  return [day.getUTCFullYear(), day.getUTCMonth() + 1, day.getUTCDate()];
};

/**
 * The care of a rig as a calendar file (iCalendar, RFC 5545): a whole day for each thing, coming again where days count it.
 * What is counted by the arc stands on the day it was found due, and what is not due yet by it does not stand there.
 * @param now ISO instant
 * @throws Error where the calendar cannot be made
 */
export function careCalendar(rig: RigRecord, list: readonly Due[], now: string): string {
  const events = list.flatMap(({ task, name, state, dueAt, because }): EventAttributes[] => {
    const care = CARE.find(({ id }) => id === task)!;
    const on = dueAt !== null && dueAt > now ? dueAt : state === 'due' || dueAt !== null ? now : null;
    if (on === null) return [];
    return [
      {
        // The same thing on the same rig is one entry, however often the file is read in.
        uid: `${task}-${rig.id}@jolly-tinker`,
        title: `${name}: ${rig.name}`,
        description: [because, ...care.steps, ...(care.caution === null ? [] : [care.caution])].join('\n'),
        start: dayOf(on),
        duration: { days: 1 },
        productId: 'jolly-tinker',
        ...(care.every.days === undefined ? {} : { recurrenceRule: `FREQ=DAILY;INTERVAL=${care.every.days}` }),
      },
    ];
  });
  const { error, value } = createEvents(events);
  if (error || !value) throw new Error('The calendar cannot be made.');
  return value;
}
