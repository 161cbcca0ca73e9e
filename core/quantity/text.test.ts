import { KNOWLEDGE } from '../knowledge';
import { textIn } from './text';
import { wireSize } from './wire-size';

/** A figure with a metric unit, as a reader of inches should never meet it. */
const METRIC = /\d\s?(mm|m|L|kg|bar)(\/min)?\b/;

/** Every text in a value, however deep. */
function texts(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(texts) : [];
}

describe('texts in the units of the reader', () => {
  it.each([
    ['Set 10 to 12 L/min at the nozzle.', 'Set 21 to 25 cfh at the nozzle.'],
    ['strip both faces at least 25 mm back', 'strip both faces at least 1 in back'],
    ['clear 11 m or cover', 'clear 36 ft or cover'],
    ['about 1.5 m/min', 'about 59 in/min'],
    ['320 mm/min', '12.6 in/min'],
    ['a gap of 1.2 mm', 'a gap of 0.05 in'],
    ['90 or 100 mm wide', '3.5 or 3.9 in wide'],
    ['no figure at all, 30 minutes', 'no figure at all, 30 minutes'],
  ])('%s', (metric, inch) => {
    expect(textIn(metric, 'metric')).toBe(metric);
    expect(textIn(metric, 'inch')).toBe(inch);
  });

  it('leave no metric figure in anything the knowledge says', () => {
    const left = texts(KNOWLEDGE).filter((text) => METRIC.test(textIn(text, 'inch')));
    expect(left).toEqual([]);
    expect(texts(KNOWLEDGE).filter((text) => METRIC.test(text)).length).toBeGreaterThan(5);
  });
});

describe('the size of a wire', () => {
  it('has the trade name in inches, and is converted where it has none', () => {
    expect([0.6, 0.8, 0.9, 1, 1.2, 1.6].map((mm) => wireSize(mm, 'inch'))).toEqual([
      '.023 in',
      '.030 in',
      '.035 in',
      '.040 in',
      '.045 in',
      '1/16 in',
    ]);
    expect(wireSize(0.9, 'metric')).toBe('0.9 mm');
    expect(wireSize(1.8, 'inch')).toBe('.071 in');
  });
});
