import { dueList } from '@/core/care/due';
import type { RigRecord } from '@/core/record/shapes/record-schema';
import { careCalendar } from './care-file';

const NOW = '2026-05-04T10:00:00.000Z';
const RIG = { id: '0190a000-0000-7000-8000-000000000001', name: 'Dock set' } as RigRecord;
const known = (task: 'nozzle' | 'tip' | 'cable' | 'clamp', since: string | null, arcMinutes: number) => ({
  ...{ task, since, arcMinutes, beads: 0, showing: 0 },
});

describe('the care of a rig as a calendar', () => {
  it('has a day for what days count, coming again, and today for what the arc has made due', () => {
    const list = dueList(
      [
        known('nozzle', NOW, 70),
        known('tip', NOW, 10),
        known('cable', '2026-04-20T08:00:00.000Z', 0),
        known('clamp', '2026-03-01T08:00:00.000Z', 0),
      ],
      Date.parse(NOW),
    );
    const text = careCalendar(RIG, list, NOW).replace(/\r\n[ \t]/g, '');
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
    const events = text.split('BEGIN:VEVENT').slice(1);
    const of = (name: string): string => events.find((event) => event.includes(name)) ?? '';
    expect(events).toHaveLength(3);
    expect(of('Clean the nozzle: Dock set')).toMatch(/DTSTART;VALUE=DATE:20260504/);
    expect(of('Clean the nozzle')).not.toMatch(/RRULE/);
    expect(of('Look along the gun cable')).toMatch(/DTSTART;VALUE=DATE:20260520/);
    expect(of('Look along the gun cable')).toMatch(/RRULE:FREQ=DAILY;INTERVAL=30/);
    // What is over its day stands on today, not in the past.
    expect(of('Clean the work clamp')).toMatch(/DTSTART;VALUE=DATE:20260504/);
    expect(of('Clean the work clamp')).toMatch(/UID:clamp-0190a000/);
  });
});
