import fc from 'fast-check';
import { dialEnds, dialRange, dialToValue, isBeyondPairs, isMonotone, valueToDial, type Dial } from './dial';

describe('dial', () => {
  const dial: Dial = {
    step: 0.5,
    points: [
      { mark: 1, value: 2 },
      { mark: 5, value: 6 },
      { mark: 10, value: 14 },
    ],
  };
  it('reads straight between the taken-down points, and on beyond them', () => {
    expect(dialToValue(dial, 3)).toBe(4);
    expect(dialToValue(dial, 7.5)).toBe(10);
    expect(dialToValue(dial, 11)).toBeCloseTo(15.6, 6);
  });

  it('finds the mark for a value, on the knob step and inside the knob', () => {
    expect(valueToDial(dial, 10)).toBe(7.5);
    expect(valueToDial(dial, 100)).toBe(10);
    expect(valueToDial(dial, 0)).toBe(1);
  });

  it('works for a dial that runs the other way', () => {
    const falling: Dial = {
      step: 1,
      points: [
        { mark: 0, value: 100 },
        { mark: 10, value: 0 },
      ],
    };
    expect(valueToDial(falling, 30)).toBe(7);
    expect(dialToValue(falling, 7)).toBe(30);
  });

  it('comes back to the mark it left, on any dial that runs one way', () => {
    const rising = fc
      .array(fc.tuple(fc.double({ min: 0.2, max: 3, noNaN: true }), fc.double({ min: 0.2, max: 4, noNaN: true })), {
        minLength: 2,
        maxLength: 8,
      })
      .map((steps) => {
        let [mark, value] = [0, 0];
        return steps.map(([m, v]) => ({ mark: (mark += m), value: (value += v) }));
      });
    fc.assert(
      fc.property(rising, fc.double({ min: 0, max: 1, noNaN: true }), (points, share) => {
        const [low, high] = [points[0].mark, points[points.length - 1].mark];
        const mark = low + share * (high - low);
        const fine: Dial = { points, step: 0.001 };
        expect(Math.abs(valueToDial(fine, dialToValue(fine, mark)) - mark)).toBeLessThan(0.002);
      }),
    );
  });

  it('knows a dial that runs backward from one that runs one way', () => {
    const of = (...values: number[]): Dial => ({ step: 1, points: values.map((value, mark) => ({ mark, value })) });
    expect(isMonotone(of(1, 2, 3), 'rising')).toBe(true);
    expect(isMonotone(of(3, 2, 1))).toBe(true);
    expect(isMonotone(of(3, 2, 1), 'rising')).toBe(false);
    expect(isMonotone(of(1, 3, 2))).toBe(false);
    expect(isMonotone(of(1, 1))).toBe(false);
    expect(
      isMonotone({
        step: 1,
        points: [
          { mark: 2, value: 1 },
          { mark: 2, value: 3 },
        ],
      }),
    ).toBe(false);
  });

  it('turns as far as its ends where they lie beyond the pairs, and says that nothing was taken down there', () => {
    const ended: Dial = { ...dial, low: 0, high: 12 };
    expect(dialEnds(dial)).toEqual({ low: 1, high: 10 });
    expect(dialEnds(ended)).toEqual({ low: 0, high: 12 });
    expect(valueToDial(ended, 100)).toBe(12);
    expect(valueToDial(ended, 15.6)).toBe(11);
    expect(dialRange(ended)).toEqual({ low: 1, high: expect.closeTo(17.2, 6) as number });
    expect([0.5, 1, 10, 10.5].map((mark) => isBeyondPairs(ended, mark))).toEqual([true, false, false, true]);
  });

  it('takes two points at least', () => {
    expect(() => dialToValue({ step: 1, points: [{ mark: 1, value: 2 }] }, 1)).toThrow('two points');
  });
});
