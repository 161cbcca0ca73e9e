import { clockWords, dayWords } from './time-words';

describe('times', () => {
  it('are said as days and clocks, and one that is none as it was kept', () => {
    expect(dayWords('2026-05-12T12:00:00.000Z')).toBe('12 May 2026');
    expect(clockWords('2026-05-12T12:40:00.000Z')).toMatch(/^\d\d:40$/);
    expect(dayWords('yesterday')).toBe('yesterday');
  });
});
