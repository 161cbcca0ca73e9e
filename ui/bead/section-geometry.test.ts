import fc from 'fast-check';
import { SOUND_BEAD, type BeadAppearance } from '@/core/bead/appearance';
import { FINDINGS } from '@/core/knowledge';
import { cap, faults, fused, plates, SECTION_FIELD, slag, whiskers } from './section-geometry';
import { box, points, strokes } from './testing/points';

const { face: FACE, width: WIDTH, height: HEIGHT } = SECTION_FIELD;
const MIDDLE = WIDTH / 2;
/** Paths are written to a hundredth and sampled. */
const NEAR = 0.05;
const bead = (change: Partial<BeadAppearance> = {}): BeadAppearance => ({ ...SOUND_BEAD, ...change });
const mm = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

/** Every figure of a bead that the section shows, over what the arc model gives. */
const ANY = fc.record({
  widthMm: mm(3, 11),
  crownMm: mm(0.5, 2.4),
  penetrationMm: mm(0, 6),
  plateMm: mm(1, 6),
  coldLap: mm(0, 1),
  undercut: mm(0, 1),
  sunken: mm(0, 1),
  backBulge: mm(0, 1),
  lean: mm(-1, 1),
  gapMm: mm(0, 3),
});

describe('the cap', () => {
  it('is as wide and as high as the figures say', () => {
    fc.assert(
      fc.property(mm(3, 11), mm(0.5, 2.4), (widthMm, crownMm) => {
        const { left, right, upper, lower } = box(cap(bead({ widthMm, crownMm })));
        expect(Math.abs(right - left - widthMm)).toBeLessThan(NEAR);
        expect(Math.abs(FACE - upper - crownMm)).toBeLessThan(NEAR);
        expect(Math.abs(lower - FACE)).toBeLessThan(NEAR);
        expect(Math.abs((left + right) / 2 - MIDDLE)).toBeLessThan(NEAR);
      }),
    );
  });

  it('leans to the side it is said to, foot and crown, and as far the other way', () => {
    const crownAt = (lean: number): number => {
      const all = points(cap(bead({ lean })));
      return all.reduce((high, point) => (point.y < high.y ? point : high)).x;
    };
    expect(crownAt(1)).toBeGreaterThan(MIDDLE + 0.5);
    expect(crownAt(-1) - MIDDLE).toBeCloseTo(MIDDLE - crownAt(1), 1);
    const [right, left] = [box(cap(bead({ lean: 1 }))), box(cap(bead({ lean: -1 })))];
    expect(right.right - MIDDLE).toBeGreaterThan(MIDDLE - right.left);
    expect(right.right - MIDDLE).toBeCloseTo(MIDDLE - left.left, 1);
  });

  it('rolls over its foot when lapped cold: wider above the plate than on it, crown kept', () => {
    const lapped = cap(bead({ coldLap: 1 }));
    const onPlate = points(lapped).filter(({ y }) => y > FACE - 0.02);
    const above = points(lapped).filter(({ y }) => y < FACE - 0.3);
    const widest = (all: { x: number }[]): number => Math.max(...all.map(({ x }) => Math.abs(x - MIDDLE)));
    expect(widest(above)).toBeGreaterThan(widest(onPlate) + 0.5);
    expect(FACE - box(lapped).upper).toBeCloseTo(SOUND_BEAD.crownMm, 0);
    const { left, right } = box(lapped);
    expect(MIDDLE - left).toBeCloseTo(right - MIDDLE, 1);
  });

  it('a faint cold lap draws an unbroken cap', () => {
    expect(cap(bead({ coldLap: 0.15 }))).toBe(cap(bead()));
    expect(cap(bead({ coldLap: 0.16 }))).not.toBe(cap(bead()));
  });

  it('is a skin under the face when sunken, deeper for more', () => {
    const dip = (sunken: number): { upper: number; lower: number } => box(cap(bead({ sunken })));
    expect(dip(0.3).upper).toBeLessThan(FACE);
    for (const sunken of [0.31, 0.6, 1]) expect(dip(sunken).upper).toBeGreaterThanOrEqual(FACE - NEAR);
    expect(dip(1).lower - dip(0.5).lower).toBeGreaterThan(0.3);
    expect(box(cap(bead({ sunken: 1 }))).right - box(cap(bead({ sunken: 1 }))).left).toBeCloseTo(SOUND_BEAD.widthMm, 1);
  });
});

describe('what is fused', () => {
  it('is a bowl as deep as the penetration, no wider than the cap, from the face down', () => {
    fc.assert(
      fc.property(mm(3, 11), mm(0.1, 4), (widthMm, penetrationMm) => {
        const shape = bead({ widthMm, penetrationMm });
        const { left, right, upper, lower } = box(fused(shape));
        expect(Math.abs(lower - FACE - penetrationMm)).toBeLessThan(NEAR);
        expect(Math.abs(upper - FACE)).toBeLessThan(NEAR);
        expect(right - left).toBeLessThan(widthMm);
        expect(right - left).toBeGreaterThan(widthMm * 0.9);
      }),
      { numRuns: 40 },
    );
  });

  it('narrows under a cold lap and turns with a leaning bead', () => {
    const width = (coldLap: number): number => {
      const { left, right } = box(fused(bead({ coldLap })));
      return right - left;
    };
    expect(width(1)).toBeLessThan(0.6 * width(0));
    const deepest = (lean: number): number =>
      points(fused(bead({ lean }))).reduce((low, point) => (point.y > low.y ? point : low)).x;
    expect(deepest(1)).toBeGreaterThan(MIDDLE + 0.5);
    expect(deepest(-1)).toBeCloseTo(2 * MIDDLE - deepest(1), 1);
  });

  it('ends just through the back when the arc goes through, and hangs out as a drip where it sags', () => {
    const back = FACE + SOUND_BEAD.plateMm;
    expect(box(fused(bead({ penetrationMm: 9 }))).lower).toBeCloseTo(back + 0.2, 1);
    const drip = (backBulge: number): string[] => fused(bead({ penetrationMm: 9, backBulge })).split(/(?=M)/);
    expect(drip(0.19)).toHaveLength(1);
    expect(drip(0.2)).toHaveLength(2);
    const hanging = box(drip(1)[1]);
    expect(hanging.upper).toBeCloseTo(back, 1);
    expect(hanging.lower).toBeCloseTo(back + 1.8, 1);
    expect(box(drip(0.5)[1]).lower).toBeCloseTo(back + 0.9, 1);
    expect((hanging.left + hanging.right) / 2).toBeCloseTo(MIDDLE, 1);
  });

  it('is nothing where nothing melted', () => {
    expect(fused(bead({ penetrationMm: 0.09 }))).toBe('');
    expect(fused(bead({ penetrationMm: 0.1 }))).not.toBe('');
  });
});

describe('the plates', () => {
  it('are as thick as the plate and stand as far apart as the gap', () => {
    fc.assert(
      fc.property(mm(1, 6), mm(0, 3), (plateMm, gapMm) => {
        const [left, right] = plates(bead({ plateMm, gapMm })).split(/(?=M)/).map(box);
        for (const plate of [left, right]) {
          expect(Math.abs(plate.upper - FACE)).toBeLessThan(NEAR);
          expect(Math.abs(plate.lower - FACE - plateMm)).toBeLessThan(NEAR);
        }
        expect(Math.abs(right.left - left.right - gapMm)).toBeLessThan(NEAR);
        expect(left.left).toBeCloseTo(WIDTH - right.right, 1);
      }),
    );
  });

  it('are bitten beside both toes by undercut, deeper for more, never through half a thin sheet', () => {
    const bites = (undercut: number, plateMm = 4): { x: number; y: number }[] =>
      points(plates(bead({ undercut, plateMm }))).filter(
        ({ x, y }) =>
          y > FACE + NEAR && y < FACE + plateMm - NEAR && Math.abs(x - MIDDLE) > 1 && x > 1 && x < WIDTH - 1,
      );
    const depth = (undercut: number, plateMm?: number): number =>
      Math.max(0, ...bites(undercut, plateMm).map(({ y }) => y - FACE));
    expect(depth(0.05)).toBe(0);
    expect(depth(1)).toBeGreaterThan(depth(0.5));
    expect(depth(0.5)).toBeGreaterThan(0.2);
    expect(depth(1, 1.2)).toBeLessThan(0.6);
    const toe = SOUND_BEAD.widthMm / 2;
    for (const side of [-1, 1]) {
      const own = bites(1).filter(({ x }) => (x - MIDDLE) * side > 0);
      const deepest = own.reduce((low, point) => (point.y > low.y ? point : low));
      expect(Math.abs(Math.abs(deepest.x - MIDDLE) - toe - 0.45)).toBeLessThan(0.3);
    }
  });
});

describe('faults in the section', () => {
  it('wire ends start in the plate and stand out of the back', () => {
    const back = FACE + SOUND_BEAD.plateMm;
    expect(whiskers(bead({ whiskers: 0.19 }))).toBe('');
    const ends = strokes(whiskers(bead({ whiskers: 0.2 })));
    expect(ends).toHaveLength(3);
    for (const end of ends) {
      expect(end[0].y).toBeCloseTo(back - 1, 1);
      expect(end.at(-1)!.y).toBeGreaterThan(back + 1);
      expect(Math.abs(end[0].x - MIDDLE)).toBeLessThan(1);
    }
    expect(new Set(ends.map((end) => Math.sign(end.at(-1)!.x - end[0].x))).size).toBe(3);
  });

  it('pores lie inside the bead, and a hole right through is no pore', () => {
    const { pores } = faults(bead({ holes: 'scattered' }));
    const [metal, cover] = [box(fused(bead())), box(cap(bead()))];
    const drawn = pores.split(/(?=M)/).map(box);
    expect(drawn).toHaveLength(3);
    for (const { left, right, upper, lower } of drawn) {
      expect(left).toBeGreaterThan(metal.left);
      expect(right).toBeLessThan(metal.right);
      expect(upper).toBeGreaterThan(cover.upper);
      expect(lower).toBeLessThan(metal.lower);
    }
    expect(faults(bead({ holes: 'through' })).pores).toBe('');
  });

  it('a toe crack runs from the toe into the plate, a centre crack from the crown down', () => {
    const crack = (kind: BeadAppearance['crack']): { x: number; y: number }[] =>
      points(faults(bead({ crack: kind })).crack);
    const toe = crack('toe');
    expect(toe[0].x).toBeCloseTo(MIDDLE + SOUND_BEAD.widthMm / 2, 1);
    expect(toe[0].y).toBeCloseTo(FACE, 1);
    expect(toe.at(-1)!.y).toBeGreaterThan(FACE + 2);
    expect(toe.at(-1)!.x).toBeLessThan(toe[0].x);
    const centre = crack('centre');
    expect(centre[0].y).toBeCloseTo(FACE - SOUND_BEAD.crownMm, 1);
    expect(centre.at(-1)!.y - centre[0].y).toBeGreaterThan(3);
    for (const { x } of centre) expect(Math.abs(x - MIDDLE)).toBeLessThan(0.5);
    expect(crack('none')).toEqual([]);
    expect(crack('crater')).toEqual([]);
  });
});

it('draws every finding of the lexicon without a broken number', () => {
  for (const { drawing } of FINDINGS) {
    if (drawing === undefined || !('bead' in drawing)) continue;
    const shape = bead(drawing.bead);
    const { pores, crack } = faults(shape);
    for (const path of [plates(shape), cap(shape), fused(shape), whiskers(shape), pores, crack])
      expect(path).not.toMatch(/NaN|undefined|Infinity/);
  }
});

it('nothing in the section leaves the field, whatever the bead', () => {
  fc.assert(
    fc.property(ANY, (change) => {
      const shape = bead(change);
      for (const path of [plates(shape), cap(shape), fused(shape), faults(shape).pores]) {
        if (path === '') continue;
        const { left, right, upper, lower } = box(path);
        expect(left).toBeGreaterThanOrEqual(0);
        expect(right).toBeLessThanOrEqual(WIDTH);
        expect(upper).toBeGreaterThanOrEqual(0);
        expect(lower).toBeLessThanOrEqual(HEIGHT);
      }
    }),
    { numRuns: 50 },
  );
});

describe('slag in the section', () => {
  it('lies inside the fill on both sides, is no pore, and is drawn for nothing else', () => {
    const shut = bead({ holes: 'slag', widthMm: 8.5, penetrationMm: 2.2 });
    const { left, right, upper, lower } = box(slag(shut));
    expect(left).toBeGreaterThan(MIDDLE - 4.25);
    expect(left).toBeLessThan(MIDDLE);
    expect(right).toBeGreaterThan(MIDDLE);
    expect(right).toBeLessThan(MIDDLE + 4.25);
    expect(upper).toBeGreaterThan(FACE);
    expect(lower).toBeLessThan(FACE + 2.2);
    expect(faults(shut).pores).toBe('');
    for (const holes of ['none', 'scattered', 'wormtracks', 'through'] as const) expect(slag(bead({ holes }))).toBe('');
  });
});
