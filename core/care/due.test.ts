import fc from 'fast-check';
import { isStatedId } from '../evidence/ids';
import { careWith } from '../record/pending/pending-care';
import type { Change } from '../record/change/change';
import { dueList, learnedMinutes, type CareKnown } from './due';
import { CARE, CARE_TASKS } from './tasks';

const NOW = Date.parse('2026-05-04T10:00:00.000Z');
const daysAgo = (days: number): string => new Date(NOW - days * 86_400_000).toISOString();
const known = (some: Partial<CareKnown>): CareKnown => ({
  ...{ task: 'nozzle', since: daysAgo(1), arcMinutes: 0, beads: 0, showing: 0 },
  ...some,
});
const one = (some: Partial<CareKnown>) => dueList([known(some)], NOW)[0];

describe('what is due', () => {
  it('is counted by the arc: a nozzle every hour of it', () => {
    expect(one({ arcMinutes: 30 })).toMatchObject({ state: 'fine', share: 0.5, dueAt: null });
    expect(one({ arcMinutes: 47 }).state).toBe('fine');
    expect(one({ arcMinutes: 48 }).state).toBe('soon');
    expect(one({ arcMinutes: 60 })).toMatchObject({ state: 'due', because: '60 min of arc since, every 60 min.' });
    expect(one({ task: 'liner', arcMinutes: 900 }).because).toBe('15 h of arc since, every 15 h.');
  });

  it('is learned from what its last times took here, the more of them the surer', () => {
    expect(learnedMinutes(60, [])).toBeCloseTo(60, 9);
    // Two times of 15 min count as much as the usual hour: half way by factors.
    expect(learnedMinutes(60, [15, 15])).toBeCloseTo(30, 9);
    expect(
      learnedMinutes(
        60,
        Array.from({ length: 8 }, () => 15),
      ),
    ).toBeCloseTo(60 * 0.25 ** 0.8, 9);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 5000, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (lives) => {
          const learned = learnedMinutes(60, lives);
          expect(learned).toBeGreaterThanOrEqual(Math.min(60, ...lives) * (1 - 1e-9));
          expect(learned).toBeLessThanOrEqual(Math.max(60, ...lives) * (1 + 1e-9));
        },
      ),
    );
    expect(one({ arcMinutes: 32, lives: [15, 15] })).toMatchObject({
      ...{ state: 'due', because: '32 min of arc since; here every 30 min, by the last 2 times.' },
    });
    expect(one({ arcMinutes: 32, lives: [600] })).toMatchObject({ state: 'fine' });
    // A time of no arc says nothing.
    expect(learnedMinutes(60, [0, 15, 15])).toBeCloseTo(30, 9);
  });

  it('is counted by days where the arc says nothing, and has a day in the calendar', () => {
    expect(one({ task: 'cable', since: daysAgo(23), arcMinutes: 9000 })).toMatchObject({ state: 'fine' });
    expect(one({ task: 'cable', since: daysAgo(25) }).state).toBe('soon');
    expect(one({ task: 'cable', since: daysAgo(30) })).toMatchObject({
      ...{ state: 'due', because: '30 days since, every 30 days.', dueAt: daysAgo(0) },
    });
    // A clock that runs ahead makes nothing due.
    expect(one({ task: 'cable', since: daysAgo(-3) })).toMatchObject({ state: 'fine', share: 0 });
  });

  it('is brought forward by beads that show it, but not by one, nor by a few among many', () => {
    expect(one({ beads: 10, showing: 3 })).toMatchObject({
      ...{ state: 'due', share: 1, because: '3 of the last 10 beads show what it causes.' },
    });
    expect(one({ beads: 10, showing: 2 }).state).toBe('fine');
    expect(one({ beads: 20, showing: 5 }).state).toBe('fine');
    expect(one({ beads: 20, showing: 6 }).state).toBe('due');
    expect(one({ beads: 2, showing: 2 }).state).toBe('fine');
  });

  it('is not said of what nobody ever said, until the arc itself says so', () => {
    expect(one({ since: null, arcMinutes: 20 })).toMatchObject({ state: 'unsaid' });
    expect(one({ since: null, arcMinutes: 90 }).state).toBe('due');
    expect(one({ task: 'clamp', since: null })).toMatchObject({ state: 'unsaid', dueAt: null });
    expect(one({ task: 'clamp', since: null }).because).toBe('Nobody said when it was last done.');
  });

  it('stands in order: due, soon, not said, in time, and what is longest over first', () => {
    const list = dueList(
      [
        known({ task: 'rolls', arcMinutes: 10 }),
        known({ task: 'clamp', since: null }),
        known({ task: 'cable', since: daysAgo(26) }),
        known({ task: 'nozzle', arcMinutes: 70 }),
        known({ task: 'tip', arcMinutes: 4800 }),
      ],
      NOW,
    );
    expect(list.map(({ task }) => task)).toEqual(['tip', 'nozzle', 'cable', 'clamp', 'rolls']);
  });

  it('never gets less due by more arc, more days or more that is shown', () => {
    const ORDER = { fine: 0, unsaid: 0, soon: 1, due: 2 };
    const some = fc.record({
      task: fc.constantFrom(...CARE_TASKS),
      arcMinutes: fc.double({ min: 0, max: 5000, noNaN: true }),
      showing: fc.integer({ min: 0, max: 20 }),
      days: fc.integer({ min: 0, max: 300 }),
    });
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 500 }), ({ days, ...rest }, more) => {
        const now = { ...rest, since: daysAgo(days), beads: 20 };
        const before = ORDER[one(now).state];
        for (const worse of [
          { arcMinutes: rest.arcMinutes + more },
          { since: daysAgo(days + more) },
          { showing: Math.min(20, rest.showing + more) },
        ])
          expect(ORDER[one({ ...now, ...worse }).state]).toBeGreaterThanOrEqual(before);
      }),
    );
  });

  it('begins anew with what waits on the device, of this rig and this task alone', () => {
    const done = (of: string, task: string): Change =>
      ({ kind: 'care', of, fields: { task, doneAt: daysAgo(0), id: 'c', by: 'Ada' } }) as never;
    const all = [known({ arcMinutes: 70, beads: 9, showing: 5 }), known({ task: 'tip', arcMinutes: 70 })];
    expect(careWith(all, 'rig', [done('rig', 'nozzle')])).toEqual([
      { task: 'nozzle', since: daysAgo(0), arcMinutes: 0, beads: 0, showing: 0 },
      all[1],
    ]);
    expect(careWith(all, 'rig', [done('other', 'nozzle')])).toEqual(all);
  });
});

describe('the tasks of care', () => {
  it('each have a time, steps, and findings that there are', () => {
    expect(CARE.map(({ id }) => id)).toEqual([...CARE_TASKS]);
    for (const { every, steps, shownBy } of CARE) {
      expect((every.arcMinutes ?? 0) + (every.days ?? 0)).toBeGreaterThan(0);
      expect(steps.length).toBeGreaterThanOrEqual(3);
      expect(shownBy.every(isStatedId)).toBe(true);
    }
  });
});
