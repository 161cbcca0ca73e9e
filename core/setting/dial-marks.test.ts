import fc from 'fast-check';
import type { Dial } from './dial';
import { markFromText, markText, takesMarkText, USUAL_SWEEP } from './dial-marks';

type Marks = Pick<Dial, 'scale' | 'names'>;
const CLOCK: Marks = { scale: 'clock' };
const TAPS: Marks = { scale: 'taps', names: ['A1', 'A2', 'B1', 'B2'] };

describe('the marks of a knob', () => {
  it('are written as they stand on it', () => {
    expect(markText({}, 6.5)).toBe('6.5');
    expect(markText({ scale: 'per-cent' }, 65)).toBe('65 %');
    expect(markText(TAPS, 3)).toBe('B1');
    expect(markText(CLOCK, 9.5)).toBe('9:30');
    expect(markText(CLOCK, 12)).toBe('12:00');
    expect(markText(CLOCK, 14.25)).toBe('2:15');
  });

  it('are read as a welder types them', () => {
    const ten = { low: 1, high: 10 };
    expect(markFromText({}, ten, ' 6,5 ')).toBe(6.5);
    expect(markFromText({ scale: 'per-cent' }, { low: 0, high: 100 }, '65 %')).toBe(65);
    expect(markFromText(TAPS, { low: 1, high: 4 }, 'b1')).toBe(3);
    expect(markFromText(CLOCK, USUAL_SWEEP, '2')).toBe(14);
    expect(markFromText(CLOCK, USUAL_SWEEP, '9.30')).toBe(9.5);
    expect(markFromText(CLOCK, USUAL_SWEEP, '12:00')).toBe(12);
  });

  it('are refused where the knob has none', () => {
    const ten = { low: 1, high: 10 };
    for (const text of ['', '  ', '11', '0.5', 'six', '1e9', '-3']) expect(markFromText({}, ten, text)).toBeNull();
    for (const text of ['6', '5:30', '13', '0', '9:75', '9:3', 'noon'])
      expect(markFromText(CLOCK, USUAL_SWEEP, text)).toBeNull();
    for (const text of ['C1', '1.5', '5']) expect(markFromText(TAPS, { low: 1, high: 4 }, text)).toBeNull();
    expect(takesMarkText(CLOCK, USUAL_SWEEP)).toBe('takes 7:00 to 5:00');
    expect(takesMarkText(TAPS, { low: 1, high: 4 })).toBe('takes A1 to B2');
  });

  it('come back from their words on every scale', () => {
    const quarter = fc.integer({ min: 7 * 4, max: 17 * 4 }).map((quarters) => quarters / 4);
    fc.assert(
      fc.property(quarter, (mark) => expect(markFromText(CLOCK, USUAL_SWEEP, markText(CLOCK, mark))).toBe(mark)),
    );
    const tenth = fc.integer({ min: 0, max: 1000 }).map((tenths) => tenths / 10);
    for (const scale of ['numbers', 'per-cent'] as const)
      fc.assert(
        fc.property(tenth, (mark) =>
          expect(markFromText({ scale }, { low: 0, high: 100 }, markText({ scale }, mark))).toBe(mark),
        ),
      );
  });
});
