import fc from 'fast-check';
import { SOUND_BEAD, type BeadAppearance } from '@/core/bead/appearance';
import { FINDINGS } from '@/core/knowledge';
import { circle, r, scatter } from './noise';
import { cap, faults, fused, plates, SECTION_FIELD, whiskers } from './section-geometry';
import { cracks, fume, halfWidth, outline, pores, ripples, spatterGrains } from './top-geometry';

const FIELD = { length: 30, height: 16 };
const bead = (change: Partial<BeadAppearance> = {}): BeadAppearance => ({ ...SOUND_BEAD, ...change });
const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
const SHARE = fc.double({ min: 0, max: 1, noNaN: true });

describe('the bead from above', () => {
  it('draws every finding of the lexicon without a broken number', () => {
    for (const { drawing } of FINDINGS) {
      if (drawing === undefined || !('bead' in drawing)) continue;
      const shape = bead(drawing.bead);
      for (const draw of [outline, ripples, pores, spatterGrains, cracks, fume])
        expect(draw(shape, FIELD)).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it('keeps the outline inside the coupon for any bead', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 11, noNaN: true }), SHARE, (widthMm, uneven) => {
        const shape = bead({ widthMm, uneven });
        for (let along = 0; along <= 1; along += 0.05) {
          expect(halfWidth(shape, along)).toBeGreaterThan(0);
          expect(halfWidth(shape, along)).toBeLessThan(FIELD.height / 2);
        }
      }),
    );
  });

  it('fades and widens toward the end', () => {
    expect(halfWidth(bead({ taper: -0.8 }), 1)).toBeLessThan(halfWidth(bead({ taper: -0.8 }), 0));
    expect(halfWidth(bead({ taper: 0.8 }), 1)).toBeGreaterThan(halfWidth(bead({ taper: 0.8 }), 0));
  });

  it('draws holes where they sit', () => {
    const where = (holes: BeadAppearance['holes']): number[] =>
      pores(bead({ holes }), FIELD)
        .split('M')
        .slice(1)
        .map((part) => numbers(part)[0]);
    expect(pores(bead(), FIELD)).toBe('');
    expect(Math.min(...where('crater'))).toBeGreaterThan(22);
    expect(Math.max(...where('start'))).toBeLessThan(10);
    expect(where('scattered').length).toBeGreaterThan(where('one-spot').length);
  });

  it('throws more grains for more spatter, always the same ones', () => {
    const count = (spatter: number): number => spatterGrains(bead({ spatter }), FIELD).split('M').length;
    expect(count(0)).toBe(1);
    expect(count(1)).toBeGreaterThan(count(0.3));
    expect(spatterGrains(bead({ spatter: 0.7 }), FIELD)).toBe(spatterGrains(bead({ spatter: 0.7 }), FIELD));
  });

  it('has pointed ripples with corners and round ones with curves', () => {
    expect(ripples(bead({ ripples: 'pointed' }), FIELD)).not.toContain('Q');
    expect(ripples(bead(), FIELD)).toContain('Q');
  });
});

describe('the bead cut through', () => {
  it('stands taller with more crown and digs deeper with more penetration, never through the field', () => {
    const top = (crownMm: number): number => Math.min(...numbers(cap(bead({ crownMm }))).filter((_, i) => i % 2 === 1));
    expect(top(3)).toBeLessThan(top(1));
    const depth = (penetrationMm: number): number =>
      Math.max(...numbers(fused(bead({ penetrationMm }))).filter((_, i) => i % 2 === 1));
    expect(depth(3)).toBeGreaterThan(depth(1));
    expect(fused(bead({ penetrationMm: 0 }))).toBe('');
  });

  it('overhangs when lapped cold and lies under the face when sunken', () => {
    expect(cap(bead({ coldLap: 1 }))).toContain('C');
    expect(cap(bead())).not.toContain('C');
    const lowest = Math.max(...numbers(cap(bead({ sunken: 0.9 }))));
    expect(lowest).toBeGreaterThan(SECTION_FIELD.face);
  });

  it('shows whiskers, undercut, a gap and cracks only where there are any', () => {
    expect(whiskers(bead())).toBe('');
    expect(whiskers(bead({ whiskers: 1 }))).toContain('M');
    expect(plates(bead({ undercut: 1 }))).toContain('Q');
    expect(plates(bead())).not.toContain('Q');
    expect(plates(bead({ gapMm: 2 }))).not.toBe(plates(bead()));
    expect(faults(bead())).toEqual({ pores: '', crack: '' });
    expect(faults(bead({ crack: 'toe', holes: 'scattered' })).crack).not.toBe('');
  });
});

describe('the fixed scatter', () => {
  it('lies between 0 and 1, is the same each time, and is spread out', () => {
    const drawn = Array.from({ length: 200 }, (_, i) => scatter(i));
    expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...drawn)).toBeLessThan(1);
    expect(drawn.filter((value) => value < 0.5).length).toBeGreaterThan(70);
    expect(drawn).toEqual(Array.from({ length: 200 }, (_, i) => scatter(i)));
  });

  it('writes short numbers', () => {
    expect(r(1 / 3)).toBe('0.33');
    expect(circle(1, 2, 0.5)).toBe('M0.5 2a0.5 0.5 0 1 0 1 0a0.5 0.5 0 1 0 -1 0');
  });
});
