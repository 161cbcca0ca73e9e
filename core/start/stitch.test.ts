import fc from 'fast-check';
import { secondsToCool, stitchPlan, stretchOrder } from './stitch';

describe('a sheet that is stitched', () => {
  const sheet = (some: object = {}) =>
    stitchPlan({ baseMetal: 'mild-steel', thinnestMm: 1, gapMm: 0, lengthMm: 180, ...some }, 0.1);

  it('is tacked closely, sewn by halves and left to lose its glow: 1 mm at 0.1 kJ/mm', () => {
    // 10 mm of 100 J/mm spread in 1 mm: 1000 / (4 pi 0.035 1 530) = 4.3 s.
    expect(sheet()).toEqual({
      tackEveryMm: 30,
      stitchMm: 10,
      pitchMm: 5,
      pauseS: 4,
      order: expect.arrayContaining([1, 2, 3, 4, 5, 6]) as number[],
      backing: false,
    });
  });

  it('is no plate, and gets a bar behind it where it is very thin or gapes', () => {
    expect(sheet({ thinnestMm: 1.19 })).not.toBeNull();
    expect(sheet({ thinnestMm: 1.2 })).toBeNull();
    expect(sheet({ thinnestMm: 1.8, baseMetal: 'aluminium' })).not.toBeNull();
    expect(sheet({ thinnestMm: 0.8 })!.backing).toBe(true);
    expect(sheet({ gapMm: 0.5 })!.backing).toBe(true);
    expect(sheet({ lengthMm: null })!.order).toEqual([]);
    expect(sheet({ lengthMm: 90_000 })!.order).toHaveLength(24);
  });

  it('is stitched or run by the school of the welder where welders differ, and by its thickness else', () => {
    const stitched = (thinnestMm: number, school?: 'by-thickness' | 'stitch' | 'run') =>
      sheet({ thinnestMm, school }) !== null;
    expect([0.7, 1, 1.5, 2].map((mm) => stitched(mm))).toEqual([true, true, false, false]);
    expect([0.7, 1, 1.5, 2].map((mm) => stitched(mm, 'stitch'))).toEqual([true, true, true, false]);
    expect([0.7, 1, 1.5, 2].map((mm) => stitched(mm, 'run'))).toEqual([true, false, false, false]);
  });

  it('waits longer the more heat lies in it, the thinner it is, and in stainless, which holds its heat', () => {
    const seconds = (heat: number, mm: number, metal: 'mild-steel' | 'stainless' | 'aluminium' = 'mild-steel') =>
      secondsToCool(heat, mm, metal);
    expect(seconds(2000, 1)).toBeCloseTo(2 * seconds(1000, 1), 9);
    expect(seconds(1000, 0.5)).toBeCloseTo(2 * seconds(1000, 1), 9);
    expect(seconds(1000, 1, 'stainless')).toBeGreaterThan(1.4 * seconds(1000, 1));
    expect(seconds(1000, 1, 'aluminium')).toBeLessThan(0.5 * seconds(1000, 1));
    expect(() => seconds(1000, 12)).toThrow('sheet thickness');
    expect(() => seconds(0, 1)).toThrow('heat of a stitch');
  });
});

describe('the order against warping', () => {
  it('has every stretch once, and begins in the middle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), (count) => {
        const order = stretchOrder(count);
        expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i + 1));
        expect(Math.abs(order[0] - (count + 1) / 2)).toBeLessThanOrEqual(0.5);
      }),
    );
  });

  it('never goes on beside the one just sewn while there is somewhere cooler', () => {
    for (let count = 5; count <= 24; count++) {
      const order = stretchOrder(count);
      const beside = order.slice(1, Math.floor(count / 2)).filter((place, i) => Math.abs(place - order[i]) < 2);
      expect({ count, beside }).toEqual({ count, beside: [] });
    }
  });
});
