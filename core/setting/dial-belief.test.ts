import fc from 'fast-check';
import { dialToValue, type Dial, type DialPoint } from './dial';
import { dialCurve, dialSpread, nextPair, pairProblem } from './dial-belief';

const pair = (mark: number, value: number, by: DialPoint['by']): DialPoint => ({ mark, value, by });
/** A wire drive from 1 to 10, run out twice. */
const WIRE: Dial = { step: 0.5, low: 1, high: 10, points: [pair(2, 3, 'run-out'), pair(6, 8, 'run-out')] };
const VOLTS: Dial = { step: 0.5, low: 1, high: 10, points: [pair(1, 14, 'plate'), pair(10, 28, 'plate')] };

describe('how sure a knob is', () => {
  it('is as sure as its pair on a pair, but for the hand', () => {
    // 2.2 % of 3 m/min, and half a mark set to within an even step: 0.5 * 1.25 / sqrt 12.
    expect(dialSpread('wireSpeedMPerMin', WIRE, 2)).toBeCloseTo(Math.hypot(0.066, 0.18), 2);
    const taps: Dial = { ...WIRE, scale: 'taps', step: 1 };
    expect(dialSpread('wireSpeedMPerMin', taps, 2)).toBeCloseTo(0.066, 3);
    expect(dialSpread('voltageV', VOLTS, 1)).toBeCloseTo(Math.hypot(1.2, (0.5 * 14) / 9 / Math.sqrt(12)), 6);
  });

  it('is less sure between pairs than a straight line would say, and less and less beyond them', () => {
    const at = (mark: number): number => dialSpread('wireSpeedMPerMin', WIRE, mark)!;
    // Half of each pair, 4 % of the 5 m/min between them, and the hand.
    expect(at(4)).toBeCloseTo(Math.hypot(0.5 * 0.066, 0.5 * 0.176, 0.2, 0.18), 3);
    // Half a pitch beyond either end: a fifth of the way carried on, with both pairs carried on too.
    const carried = (of: number, other: number): number => Math.hypot(1.5 * of, 0.5 * other, 0.2 * 0.5 * 5, 0.18);
    expect(at(8)).toBeCloseTo(carried(0.176, 0.066), 3);
    expect(at(8)).toBeGreaterThan(at(6));
    expect(dialSpread('wireSpeedMPerMin', { ...WIRE, low: 0 }, 0)).toBeCloseTo(carried(0.066, 0.176), 3);
    expect(at(10)).toBeGreaterThan(1.2 * at(8));
    expect(at(1)).toBeGreaterThan(at(2));
  });

  it('knows nothing of pairs that do not say how they were got', () => {
    const old: Dial = { ...WIRE, points: [{ mark: 2, value: 3 }, pair(6, 8, 'run-out')] };
    expect(dialSpread('wireSpeedMPerMin', old, 4)).toBeNull();
    expect(nextPair('wireSpeedMPerMin', old)).toBeNull();
  });

  it('is surer of a run-out than of a good bead, and of that than of the plate', () => {
    const by = (source: DialPoint['by']): number =>
      dialSpread('voltageV', { ...VOLTS, points: [pair(1, 14, source), pair(10, 28, source)] }, 1)!;
    expect(by('meter')).toBeLessThan(by('good-bead'));
    expect(by('good-bead')).toBeLessThan(by('chart'));
    expect(by('chart')).toBeLessThan(by('plate'));
  });

  it('draws the knob from end to end with its band, and marks what is carried on', () => {
    const curve = dialCurve('wireSpeedMPerMin', WIRE, 18);
    expect(curve.map(({ mark }) => mark)).toEqual(Array.from({ length: 19 }, (_, i) => 1 + i / 2));
    expect(curve.filter(({ beyond }) => beyond).map(({ mark }) => mark)).toEqual([
      1, 1.5, 6.5, 7, 7.5, 8, 8.5, 9, 9.5, 10,
    ]);
    for (const { low, value, high, mark } of curve) {
      expect(low).toBeLessThan(value);
      expect(high - value).toBeCloseTo(2 * dialSpread('wireSpeedMPerMin', WIRE, mark)!, 9);
    }
  });
});

describe('the one more pair', () => {
  it('is asked for where nothing holds the line: at the far end of a knob whose low half is known', () => {
    const next = nextPair('wireSpeedMPerMin', WIRE)!;
    // The usual spread is the mean over the knob from end to end.
    const all = Array.from({ length: 901 }, (_, i) => dialSpread('wireSpeedMPerMin', WIRE, 1 + i / 100)!);
    expect(next.spread).toBeCloseTo(all.reduce((sum, each) => sum + each, 0) / 901, 1);
    expect(next.mark).toBeGreaterThanOrEqual(9);
    expect(next.spreadWith).toBeLessThan(0.9 * next.spread);
  });

  it('is not asked for once it would change nothing', () => {
    const known: Dial = { ...WIRE, points: [1, 3, 5, 7, 10].map((mark) => pair(mark, mark * 1.4, 'run-out')) };
    expect(nextPair('wireSpeedMPerMin', known)).toBeNull();
  });

  it('is a tap of a switch', () => {
    const taps: Dial = {
      step: 1,
      scale: 'taps',
      low: 1,
      high: 6,
      points: [pair(1, 15, 'meter'), pair(2, 17, 'meter')],
    };
    expect(nextPair('voltageV', taps)!.mark).toBe(6);
  });

  it('leaves a knob surer than it was, wherever its pairs stand', () => {
    const marks = fc.uniqueArray(fc.integer({ min: 1, max: 10 }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(marks, (some) => {
        const dial: Dial = { step: 0.5, low: 1, high: 10, points: some.map((mark) => pair(mark, 1 + mark, 'plate')) };
        const next = nextPair('wireSpeedMPerMin', dial);
        if (next === null) return;
        const value = dialToValue(dial, next.mark);
        const others = dial.points.filter(({ mark }) => mark !== next.mark);
        const more = { ...dial, points: [...others, pair(next.mark, value, 'run-out')] };
        expect(dialSpread('wireSpeedMPerMin', more, next.mark)).toBeLessThan(
          dialSpread('wireSpeedMPerMin', dial, next.mark)!,
        );
      }),
    );
  });
});

it('refuses a pair on a mark that stands, and one that runs backward', () => {
  expect(pairProblem(WIRE.points, { mark: 4, value: 5 })).toBeNull();
  expect(pairProblem(WIRE.points, { mark: 6, value: 9 })).toBe('same-mark');
  expect(pairProblem(WIRE.points, { mark: 4, value: 2.5 })).toBe('backward');
  expect(pairProblem(WIRE.points, { mark: 7, value: 8 })).toBe('backward');
  expect(pairProblem(WIRE.points, { mark: 1, value: 3.2 })).toBe('backward');
});
