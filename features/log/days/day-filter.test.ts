import { dayProblems, dayQuery, instantOfDay, narrowedBy, thicknessOf } from './day-filter';
import { drawable, meanOf, monthLabels, monthWords } from '../charts/month-words';

describe('the filter of the days', () => {
  it('is asked as the server takes it, and nothing is asked that cannot be taken', () => {
    expect(dayQuery({}, 'metric')).toEqual({});
    const full = dayQuery(
      {
        text: '  gate ',
        what: 'welds',
        rig: 'r',
        by: '',
        thinnest: '1,5',
        thickest: 'x',
        from: '2026-05-30',
        to: 'soon',
      },
      'metric',
    );
    expect(full).toEqual({
      ...{ text: 'gate', kinds: 'weld,inspection,repair', rig: 'r', thinnest: '1.5' },
      from: new Date(2026, 4, 30).toISOString(),
    });
    expect(dayQuery({ what: 'nothing' as never }, 'metric')).toEqual({});
    expect(dayQuery({ text: 'x'.repeat(200) }, 'metric').text).toHaveLength(80);
  });

  it('counts what narrows it, the search aside', () => {
    expect(narrowedBy({ text: 'gate', what: '' as never })).toBe(0);
    expect(narrowedBy({ text: 'gate', what: 'beads', from: '2026' })).toBe(2);
  });

  it('takes a day of the calendar and no other, from its first to its last instant', () => {
    const [first, last] = [instantOfDay('2026-03-29', false)!, instantOfDay('2026-03-29', true)!];
    expect(Date.parse(last)).toBeGreaterThan(Date.parse(first));
    expect(new Date(first).getHours()).toBe(0);
    expect(new Date(last).getDate()).toBe(29);
    for (const none of ['2026-02-30', '2026-13-01', '29.3.2026', '', '1999-01-01'])
      expect(instantOfDay(none, false)).toBeNull();
  });

  it('takes a thickness in the units that are read', () => {
    expect(thicknessOf('0.25', 'inch')).toBeCloseTo(6.35, 2);
    expect(thicknessOf('1,5', 'metric')).toBe(1.5);
    expect(thicknessOf('-1', 'metric')).toBeNull();
    expect(thicknessOf('900', 'inch')).toBeNull();
    expect(dayProblems({ thinnest: 'a', from: '2026' }, 'inch')).toEqual({
      thinnest: 'A thickness in inches, such as 0.06.',
      from: 'A day such as 2026-05-30.',
    });
    expect(dayProblems({ thinnest: '', to: '2026-05-30' }, 'metric')).toEqual({});
  });
});

describe('months on a chart', () => {
  it('are named, and labelled so far apart that none stands at the edge', () => {
    const months = Array.from(
      { length: 24 },
      (_, i) => `${2025 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
    );
    expect(monthWords('2026-05')).toBe('May 2026');
    const labels = monthLabels(months, 6);
    expect(labels.filter((label) => label !== '')).toEqual(['Apr 25', 'Oct 25', 'Apr 26', 'Oct 26']);
    expect(labels.slice(-2)).toEqual(['', '']);
  });

  it('go on level where there is no figure, and begin with the first there is', () => {
    expect(drawable([null, 2, null, 3])).toEqual([2, 2, 2, 3]);
    expect(drawable([null, null])).toBeNull();
    expect(drawable([0, null])).toEqual([0, 0]);
    expect(meanOf([null, 1, 3])).toBe(2);
    expect(meanOf([])).toBeNull();
  });
});
