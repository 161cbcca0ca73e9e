import { arcLength } from './arc-length';

const STEEL = { class: 'solid-steel', diameterMm: 0.9 } as const;
const MIX = { argonPct: 82, co2Pct: 18, oxygenPct: 0, heliumPct: 0 };

describe('the length of an arc', () => {
  it('is two millimetres in a balanced short arc and five in spray, as practice sees them', () => {
    expect(arcLength(140, 0, STEEL, MIX)).toBeCloseTo(2, 1);
    expect(arcLength(300, 0, STEEL, MIX)).toBeCloseTo(5, 1);
  });

  it('grows by a millimetre a volt, and is gone where the wire stubs', () => {
    expect(arcLength(140, 1.5, STEEL, MIX) - arcLength(140, 0, STEEL, MIX)).toBeCloseTo(1.5, 6);
    expect(arcLength(140, -1, STEEL, MIX)).toBeCloseTo(1, 1);
    expect(arcLength(140, -4, STEEL, MIX)).toBe(0);
  });
});
