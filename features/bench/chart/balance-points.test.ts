import type { BalanceCurve } from '@/core/arc/balance-curve';
import { bandAt, beadPoints, pointOf, voltsShown, within } from './balance-points';
import { chartScale } from '../../shared/chart-scale';

const CURVE: BalanceCurve = {
  usual: [4, 6, 8].map((wireSpeedMPerMin) => ({
    wireSpeedMPerMin,
    lowV: 10 + wireSpeedMPerMin,
    highV: 12 + wireSpeedMPerMin,
  })),
  learned: null,
};
const run = (number: number, settings = {}, setupId = 'now') => ({
  number,
  setupId,
  settings: { voltageV: 16, wireSpeedMPerMin: 6, ...settings },
  outcome: null,
});

describe('points on the chart of volts against wire', () => {
  it('are the beads with both figures that were run on what is fitted now, the newest', () => {
    expect(
      beadPoints([run(1), run(2, {}, 'other'), run(3, { voltageV: undefined })], 'now').map(({ label }) => label),
    ).toEqual(['1']);
    const many = Array.from({ length: 20 }, (_, i) => run(i + 1));
    expect(beadPoints(many, 'now').map(({ label }) => label)).toEqual(['13', '14', '15', '16', '17', '18', '19', '20']);
    expect(pointOf({ voltageV: 18 })).toBeNull();
    expect(pointOf({ voltageV: 18, wireSpeedMPerMin: 6, stickOutMm: 9 })).toEqual({
      voltageV: 18,
      wireSpeedMPerMin: 6,
    });
  });

  it('lie on whole volts with every mark inside, in four steps', () => {
    for (const points of [[], [{ voltageV: 25.2 }], [{ voltageV: 9.1 }]]) {
      const [low, high] = voltsShown(CURVE, points);
      expect(low).toBeLessThan(Math.min(14, ...points.map(({ voltageV }) => voltageV)));
      expect(high).toBeGreaterThan(Math.max(20, ...points.map(({ voltageV }) => voltageV)));
      expect([Number.isInteger(low), (high - low) % 4]).toEqual([true, 0]);
    }
    const learned = CURVE.usual.map((point) => ({ ...point, highV: 30 }));
    expect(voltsShown({ ...CURVE, learned }, [])[1]).toBeGreaterThan(30);
  });

  it('stand on the chart only between its ends, the ends included', () => {
    const at = (wireSpeedMPerMin: number) => ({ wireSpeedMPerMin });
    expect(within(CURVE, [3.9, 4, 7, 8, 8.1].map(at))).toEqual([4, 7, 8].map(at));
  });

  it('find the band straight between two points of the curve', () => {
    expect(bandAt(CURVE.usual, 5)).toEqual({ lowV: 15, highV: 17 });
    expect(bandAt(CURVE.usual, 4)).toEqual(expect.objectContaining({ lowV: 14 }));
    expect(bandAt(CURVE.usual, 99)).toEqual(expect.objectContaining({ lowV: 18 }));
  });
});

describe('the scale of a chart', () => {
  it('puts the ends of both axes where the library plots its lines', () => {
    const { x, y } = chartScale({ width: 344, height: 200, left: 44, top: 16 }, 3, [4, 8], [10, 20]);
    expect([x(4), x(6), x(8)]).toEqual([44, 144, 244]);
    expect([y(20), y(15), y(10)]).toEqual([16, 91, 166]);
  });
});
