import fc from 'fast-check';
import { SOUND_BEAD, type BeadAppearance } from '@/core/bead/appearance';
import { FINDINGS } from '@/core/knowledge';
import { circle, r, scatter } from './noise';
import { box, points, strokes } from './testing/points';
import { cracks, crust, fume, halfWidth, outline, pores, ripples, spatterGrains } from './top-geometry';

const FIELD = { length: 30, height: 16 };
const MIDDLE = FIELD.height / 2;
/** The ends of the bead, mm from the edges of the field. */
const END = 2.5;
const bead = (change: Partial<BeadAppearance> = {}): BeadAppearance => ({ ...SOUND_BEAD, ...change });
const SHARE = fc.double({ min: 0, max: 1, noNaN: true });
const WIDTH = fc.double({ min: 2, max: 11, noNaN: true });
/** Middle and size of each of the circles of a path. */
const circles = (path: string): { x: number; y: number; radius: number }[] =>
  path
    .split(/(?=M)/)
    .filter((part) => part !== '')
    .map(box)
    .map(({ left, right, upper, lower }) => ({
      x: (left + right) / 2,
      y: (upper + lower) / 2,
      radius: (right - left) / 2,
    }));
/** Share of the bead's length at a place in the field. */
const along = (x: number): number => (x - END) / (FIELD.length - 2 * END);

describe('the outline', () => {
  it('runs the length of the bead, as wide as it is, the same on both sides', () => {
    fc.assert(
      fc.property(WIDTH, (widthMm) => {
        const { left, right, upper, lower } = box(outline(bead({ widthMm }), FIELD));
        expect(Math.abs(lower - upper - widthMm)).toBeLessThan(0.05);
        expect(Math.abs(lower - MIDDLE - (MIDDLE - upper))).toBeLessThan(0.05);
        // Round ends reach a little past the first and the last of it.
        expect(left).toBeLessThan(END);
        expect(right).toBeGreaterThan(FIELD.length - END);
        expect(left).toBeGreaterThan(Math.max(0, END - widthMm / 2));
        expect(right).toBeLessThan(Math.min(FIELD.length, FIELD.length - END + widthMm / 2));
      }),
      { numRuns: 30 },
    );
  });

  it('stays inside the coupon for any bead', () => {
    fc.assert(
      fc.property(WIDTH, SHARE, fc.double({ min: -1, max: 1, noNaN: true }), (widthMm, uneven, taper) => {
        const shape = bead({ widthMm, uneven, taper });
        for (let at = 0; at <= 1; at += 0.05) {
          expect(halfWidth(shape, at)).toBeGreaterThan(0);
          expect(halfWidth(shape, at)).toBeLessThan(FIELD.height / 2);
        }
      }),
    );
  });

  it('is half the width of an even bead everywhere', () => {
    for (const at of [0, 0.35, 0.5, 1]) expect(halfWidth(bead(), at)).toBeCloseTo(SOUND_BEAD.widthMm / 2, 9);
  });

  it('fades or spreads toward the end, as wide as said a third of the way along', () => {
    const half = SOUND_BEAD.widthMm / 2;
    for (const taper of [-0.8, 0.8]) {
      expect(halfWidth(bead({ taper }), 0.35)).toBeCloseTo(half, 9);
      expect(Math.sign(halfWidth(bead({ taper }), 1) - half)).toBe(Math.sign(taper));
      expect(Math.sign(half - halfWidth(bead({ taper }), 0))).toBe(Math.sign(taper));
    }
    expect(halfWidth(bead({ taper: -0.8 }), 1)).toBeLessThan(0.75 * half);
    // Never to nothing: there is metal to the end.
    expect(halfWidth(bead({ taper: -9 }), 1)).toBeCloseTo(0.15 * half, 9);
  });

  it('swings in and out where the travel was uneven, more for more', () => {
    const swing = (uneven: number): number => {
      const halves = Array.from({ length: 101 }, (_, i) => halfWidth(bead({ uneven }), i / 100));
      return Math.max(...halves) - Math.min(...halves);
    };
    expect(swing(0)).toBe(0);
    expect(swing(1)).toBeGreaterThan(0.2 * SOUND_BEAD.widthMm * 0.5);
    expect(swing(1)).toBeCloseTo(2 * swing(0.5), 6);
  });

  it('swells in lumps, and is pinched by dimples', () => {
    const halves = (kind: BeadAppearance['ripples']): number[] =>
      Array.from({ length: 201 }, (_, i) => halfWidth(bead({ ripples: kind }), i / 200) / (SOUND_BEAD.widthMm / 2));
    const [lumps, dimples] = [halves('lumps'), halves('dimples')];
    expect(Math.max(...lumps)).toBeCloseTo(1.42, 2);
    expect(Math.min(...lumps)).toBeCloseTo(0.58, 2);
    expect(Math.max(...dimples)).toBeCloseTo(1, 9);
    expect(Math.min(...dimples)).toBeCloseTo(0.7, 2);
    // Five lumps in the length of the coupon, as blobs of a bead that was laid in steps.
    expect(lumps.filter((half, i) => i > 0 && half > 1 && lumps[i - 1] <= 1)).toHaveLength(5);
  });
});

describe('ripples', () => {
  it('lie inside the bead, one after the other, bulging back from the travel', () => {
    const drawn = strokes(ripples(bead(), FIELD));
    expect(drawn).toHaveLength(16);
    const tips = drawn.map((stroke) => Math.max(...stroke.map(({ x }) => x)));
    tips.slice(1).forEach((tip, i) => expect(tip - tips[i]).toBeCloseTo(25 / 16, 1));
    for (const stroke of drawn) {
      for (const { y } of stroke) expect(Math.abs(y - MIDDLE)).toBeLessThan(SOUND_BEAD.widthMm / 2);
      expect(stroke[0].y).toBeCloseTo(2 * MIDDLE - stroke.at(-1)!.y, 1);
      expect(Math.max(...stroke.map(({ x }) => x))).toBeGreaterThan(stroke[0].x + 1);
    }
  });

  it('come to a point on a bead that froze fast: straight sides, tip in the middle, drawn out further', () => {
    const tip = (kind: BeadAppearance['ripples']): { x: number; y: number; from: number } => {
      const stroke = strokes(ripples(bead({ ripples: kind }), FIELD))[8];
      const far = stroke.reduce((a, b) => (b.x > a.x ? b : a));
      return { ...far, from: stroke[0].x };
    };
    expect(ripples(bead({ ripples: 'pointed' }), FIELD)).not.toContain('Q');
    expect(ripples(bead(), FIELD)).toContain('Q');
    expect(tip('pointed').y).toBeCloseTo(MIDDLE, 1);
    expect(tip('pointed').x - tip('pointed').from).toBeGreaterThan(1.5 * (tip('round').x - tip('round').from));
  });
});

describe('holes', () => {
  const drawn = (holes: BeadAppearance['holes']): { x: number; y: number; radius: number }[] =>
    circles(pores(bead({ holes }), FIELD));

  it.each([
    ['scattered', 17, 0.05, 0.97],
    ['start', 7, 0, 0.2],
    ['one-spot', 9, 0.52, 0.7],
  ] as const)('%s: so many, all in the bead, between their places, of sizes that differ', (holes, count, from, to) => {
    const all = drawn(holes);
    expect(all).toHaveLength(count);
    for (const { x, y, radius } of all) {
      expect(along(x)).toBeGreaterThanOrEqual(from);
      expect(along(x)).toBeLessThanOrEqual(to);
      expect(Math.abs(y - MIDDLE)).toBeLessThan(0.65 * (SOUND_BEAD.widthMm / 2) + 0.01);
      expect(radius).toBeGreaterThan(0.3);
      expect(radius).toBeLessThan(0.8);
    }
    const spread = (values: number[]): number => Math.max(...values) - Math.min(...values);
    expect(spread(all.map(({ x }) => along(x)))).toBeGreaterThan(0.5 * (to - from));
    expect(spread(all.map(({ y }) => y))).toBeGreaterThan(1.5);
    expect(spread(all.map(({ radius }) => radius))).toBeGreaterThan(0.15);
  });

  it('one in the crater, at the end, on the middle', () => {
    const [one, ...more] = drawn('crater');
    expect(more).toEqual([]);
    expect(along(one.x)).toBeCloseTo(0.95, 1);
    expect(one.y).toBeCloseTo(MIDDLE, 1);
    expect(one.radius).toBeCloseTo(0.95, 1);
  });

  it('three worm tracks, longer than wide, side by side along the bead', () => {
    const tracks = pores(bead({ holes: 'wormtracks' }), FIELD)
      .split(/(?=M)/)
      .map(box);
    expect(tracks).toHaveLength(3);
    for (const { left, right, upper, lower } of tracks) {
      expect(right - left).toBeGreaterThan(2 * (lower - upper));
      expect(Math.abs((upper + lower) / 2 - MIDDLE)).toBeLessThan(SOUND_BEAD.widthMm / 2);
    }
    expect(tracks.map(({ left }) => Math.round(along(left) * 100))).toEqual([15, 42, 68]);
    expect(new Set(tracks.map(({ upper }) => Math.round(upper * 10))).size).toBe(3);
  });

  it('one hole right through, in the middle and most of the bead wide', () => {
    const { left, right, upper, lower } = box(pores(bead({ holes: 'through' }), FIELD));
    expect(Math.abs((upper + lower) / 2 - MIDDLE)).toBeLessThan(0.5);
    expect(lower - upper).toBeGreaterThan(0.6 * SOUND_BEAD.widthMm);
    expect(lower - upper).toBeLessThan(SOUND_BEAD.widthMm);
    expect(along(left)).toBeGreaterThan(0.3);
    expect(along(right)).toBeLessThan(0.75);
  });

  it('none where there are none', () => expect(pores(bead(), FIELD)).toBe(''));
});

describe('spatter', () => {
  it('lies beside the bead on both sides and inside the coupon, however much', () => {
    const grains = circles(spatterGrains(bead({ spatter: 1 }), FIELD));
    for (const { x, y } of grains) {
      expect(Math.abs(y - MIDDLE)).toBeGreaterThan(SOUND_BEAD.widthMm / 2 + 0.5);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(FIELD.height);
      expect(x).toBeGreaterThanOrEqual(END - 0.01);
      expect(x).toBeLessThanOrEqual(FIELD.length - END + 0.01);
    }
    const above = grains.filter(({ y }) => y < MIDDLE).length;
    expect(above).toBeGreaterThan(grains.length / 4);
    expect(above).toBeLessThan((3 * grains.length) / 4);
  });

  it('is more grains for more of it, fewer and larger ones where it is coarse, always the same', () => {
    const grains = (spatter: number, spatterSizeMm = 0.5): string =>
      spatterGrains(bead({ spatter, spatterSizeMm }), FIELD);
    const count = (path: string): number => path.split('M').length - 1;
    expect([0, 0.5, 1].map((spatter) => count(grains(spatter)))).toEqual([0, 23, 46]);
    expect([1.2, 2].map((size) => count(grains(1, size)))).toEqual([46, 16]);
    for (const { radius } of circles(grains(1, 2))) expect(Math.abs(radius - 1.05)).toBeLessThanOrEqual(0.36);
    expect(grains(0.7)).toBe(grains(0.7));
  });
});

describe('cracks and fume', () => {
  it('a centre crack runs along the middle of the bead', () => {
    const line = points(cracks(bead({ crack: 'centre' }), FIELD));
    expect(along(line[0].x)).toBeCloseTo(0.1, 2);
    expect(along(line.at(-1)!.x)).toBeCloseTo(0.9, 2);
    for (const { y } of line) expect(Math.abs(y - MIDDLE)).toBeLessThan(0.6);
    expect(Math.max(...line.map(({ y }) => y)) - Math.min(...line.map(({ y }) => y))).toBeGreaterThan(0.3);
  });

  it('a crater crack is a star of five in the crater; a toe crack is not seen from above', () => {
    const star = strokes(cracks(bead({ crack: 'crater' }), FIELD));
    expect(star).toHaveLength(5);
    const angles = star.map((ray) => {
      const [from, to] = [ray[0], ray.at(-1)!];
      expect(along(from.x)).toBeCloseTo(0.93, 2);
      expect(from.y).toBeCloseTo(MIDDLE, 2);
      expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(1.9, 1);
      return Math.atan2(to.y - from.y, to.x - from.x);
    });
    const sorted = [...angles].sort((a, b) => a - b);
    sorted.slice(1).forEach((angle, i) => expect(angle - sorted[i]).toBeGreaterThan(1));
    expect(cracks(bead({ crack: 'toe' }), FIELD)).toBe('');
    expect(cracks(bead(), FIELD)).toBe('');
  });

  it('more fume is more wisps, rising from the bead', () => {
    expect(fume(bead(), FIELD)).toBe('');
    expect(strokes(fume(bead({ fume: 0.4 }), FIELD))).toHaveLength(2);
    const wisps = strokes(fume(bead({ fume: 1 }), FIELD));
    expect(wisps).toHaveLength(5);
    for (const wisp of wisps) {
      expect(Math.abs(wisp[0].y - MIDDLE)).toBeLessThan(SOUND_BEAD.widthMm / 2);
      expect(wisp.at(-1)!.y).toBeCloseTo(wisp[0].y - 6.4, 1);
    }
    expect(wisps.map((wisp) => Math.round(along(wisp[0].x) * 100))).toEqual([12, 31, 50, 69, 88]);
  });
});

it('draws every finding of the lexicon without a broken number', () => {
  for (const { drawing } of FINDINGS) {
    if (drawing === undefined || !('bead' in drawing)) continue;
    const shape = bead(drawing.bead);
    for (const draw of [outline, ripples, pores, spatterGrains, cracks, fume])
      expect(draw(shape, FIELD)).not.toMatch(/NaN|undefined|Infinity/);
  }
});

describe('the fixed scatter', () => {
  it('lies between 0 and 1, is the same each time, and fills every tenth', () => {
    const drawn = Array.from({ length: 400 }, (_, i) => scatter(i));
    expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...drawn)).toBeLessThan(1);
    for (let tenth = 0; tenth < 10; tenth++) {
      const share = drawn.filter((value) => Math.floor(value * 10) === tenth).length / drawn.length;
      expect(share).toBeGreaterThan(0.05);
      expect(share).toBeLessThan(0.17);
    }
    expect(drawn).toEqual(Array.from({ length: 400 }, (_, i) => scatter(i)));
  });

  it('writes short numbers and whole circles', () => {
    expect(r(1 / 3)).toBe('0.33');
    expect(r(-2)).toBe('-2');
    expect(circles(circle(4, 2, 0.5))).toEqual([{ x: 4, y: expect.closeTo(2, 2), radius: expect.closeTo(0.5, 2) }]);
  });
});

describe('a burnt crust', () => {
  it('lies all over the bead, from end to end, and not beside it', () => {
    fc.assert(
      fc.property(WIDTH, (widthMm) => {
        const grains = circles(crust(bead({ widthMm }), FIELD));
        expect(grains.length).toBeGreaterThan(30);
        const outermost = Math.max(...grains.map(({ y }) => Math.abs(y - MIDDLE)));
        expect(outermost).toBeLessThanOrEqual(widthMm / 2 + 0.1);
        expect(outermost).toBeGreaterThan(widthMm / 4);
        expect(Math.min(...grains.map(({ x }) => x))).toBeLessThan(FIELD.length / 3);
        expect(Math.max(...grains.map(({ x }) => x))).toBeGreaterThan((2 * FIELD.length) / 3);
      }),
      { numRuns: 12 },
    );
  });
});
