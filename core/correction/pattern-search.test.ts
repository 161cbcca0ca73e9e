import fc from 'fast-check';
import { patternSearch, type Point } from './pattern-search';

type Two = 'x' | 'y';
const STRIDE = 4;
const STRIDES = { widest: 1, finest: 0.03 };
const search = (value: (point: Point<Two>) => number, limit = 5000, low = -50, high = 50) => ({
  value,
  limit,
  clamp: ({ x, y }: Point<Two>) => ({ x: Math.min(high, Math.max(low, x)), y: Math.min(high, Math.max(low, y)) }),
  neighbours: ({ x, y }: Point<Two>, scale: number): Point<Two>[] =>
    [STRIDE * scale, -STRIDE * scale].flatMap((step) => [
      { x: x + step, y },
      { x, y: y + step },
    ]),
});

describe('the pattern search', () => {
  it('finds the bottom of a bowl from anywhere, to its finest stride', () => {
    const at = fc.double({ min: -40, max: 40, noNaN: true });
    fc.assert(
      fc.property(at, at, at, at, (a, b, x, y) => {
        const bowl = search((point) => (point.x - a) ** 2 + 3 * (point.y - b) ** 2);
        const { point, value, settled } = patternSearch<Two>(bowl, { x, y }, STRIDES);
        expect(settled).toBe(true);
        expect(Math.abs(point.x - a)).toBeLessThan(0.26);
        expect(Math.abs(point.y - b)).toBeLessThan(0.26);
        expect(value).toBe(bowl.value(point));
      }),
    );
  });

  it('stays inside its bounds, from a start outside them too', () => {
    const slope = search(({ x, y }) => x + y, 5000, -5, 5);
    expect(patternSearch<Two>(slope, { x: 99, y: 0 }, STRIDES)).toEqual({
      point: { x: -5, y: -5 },
      value: -10,
      settled: true,
    });
  });

  it('stops at its limit and says that it did not settle', () => {
    let asked = 0;
    const endless = search(
      ({ x }) => {
        asked += 1;
        return -x;
      },
      100,
      -Infinity,
      Infinity,
    );
    const { settled, point } = patternSearch<Two>(endless, { x: 0, y: 0 }, STRIDES);
    expect(settled).toBe(false);
    expect(asked).toBe(100);
    expect(point.x).toBeGreaterThan(100);
  });

  it('takes no step that is not worth it', () => {
    const flat = patternSearch<Two>(
      search(() => 1),
      { x: 3, y: 4 },
      STRIDES,
    );
    expect(flat).toEqual({ point: { x: 3, y: 4 }, value: 1, settled: true });
  });
});
