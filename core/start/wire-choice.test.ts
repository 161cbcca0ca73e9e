import { wireChoice } from './wire-choice';

const solid = (diameterMm: number) => ({ class: 'solid-steel', diameterMm }) as const;
const on = (thickMm: number, currentA: number, position: 'flat' | 'overhead' = 'flat') => ({
  thickMm,
  currentA,
  position,
});

describe('the wire for a plate', () => {
  it('is the trade’s for its thickness: 0.6 on thin sheet, 0.8 to 5 mm, 0.9 to 8, 1.2 above', () => {
    expect(wireChoice(solid(0.6), on(0.8, 55)).suits).toEqual([0.6, 0.8]);
    expect(wireChoice(solid(0.8), on(3, 130)).suits).toEqual([0.8, 0.9, 1, 1.2]);
    // 1.0 mm carries 90 A too, but is too thick a wire for 1.1 mm sheet.
    expect(wireChoice(solid(1.0), on(1.1, 90))).toEqual({ suits: [0.6, 0.8, 0.9], best: 0.8, fitted: false });
    expect(wireChoice(solid(0.8), on(9, 225)).suits).toEqual([1, 1.2]);
  });

  it('is no thicker than 1.2 mm where the puddle has to be held up', () => {
    expect(wireChoice(solid(1.2), on(12, 300)).suits).toContain(1.6);
    expect(wireChoice(solid(1.2), on(12, 200, 'overhead')).suits).toEqual([1.2]);
  });

  it('is the one that goes in passes where none does it in one, and never none', () => {
    const heavy = wireChoice(solid(1.6), on(60, 480));
    expect(heavy).toEqual({ suits: [1.2, 1.6], best: 1.6, fitted: true });
    expect(wireChoice(solid(0.6), on(0.3, 15)).suits).toHaveLength(1);
  });

  it('of tubular wire is by its window alone', () => {
    const tubular = wireChoice({ class: 'tubular-self-shielded', diameterMm: 0.9 }, on(5, 120));
    expect(tubular.suits).toEqual([0.8, 0.9, 1.2]);
    expect(tubular.fitted).toBe(true);
  });
});
