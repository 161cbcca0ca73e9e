import fc from 'fast-check';
import { carbonEquivalent, plateHeat } from './plate-heat';
import { protectionFor, shadeFor } from './protection';

describe('heat of the plate', () => {
  it('reckons the carbon equivalent as the formula has it', () => {
    expect(carbonEquivalent({ c: 0.2 })).toBeCloseTo(0.2);
    // A common structural steel: 0.18 C, 1.4 Mn, traces of the rest.
    expect(carbonEquivalent({ c: 0.18, mn: 1.4, cr: 0.1, mo: 0.02, v: 0.03, ni: 0.1, cu: 0.2 })).toBeCloseTo(0.463, 3);
  });

  it('asks nothing of a thin plain plate, and the printed steps of a thick one', () => {
    expect([3, 20, 21, 38, 40, 70].map((mm) => plateHeat('mild-steel', mm).preheatC)).toEqual([
      ...[null, null, 20, 20, 65, 110],
    ]);
  });

  it('never asks less of a thicker or a harder steel', () => {
    const ce = fc.double({ min: 0.2, max: 0.9, noNaN: true });
    const mm = fc.double({ min: 1, max: 90, noNaN: true });
    fc.assert(
      fc.property(
        ce,
        mm,
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (c, t, harder, thicker) => {
          const warm = (one: number, thick: number): number => plateHeat('mild-steel', thick, one).preheatC ?? 0;
          expect(warm(c + harder, t + thicker)).toBeGreaterThanOrEqual(warm(c, t));
        },
      ),
    );
  });

  it('defers to a procedure for steel that hardens, and only there', () => {
    expect(plateHeat('mild-steel', 10, 0.61).onlyByProcedure).toBe(true);
    expect(plateHeat('mild-steel', 60, 0.6).onlyByProcedure).toBe(false);
  });

  it('keeps stainless and aluminium cool, and leaves room between warm enough and too hot', () => {
    expect(plateHeat('stainless', 20)).toEqual(expect.objectContaining({ preheatC: null, interpassC: 150 }));
    expect(plateHeat('aluminium', 5).preheatC).toBeNull();
    expect(plateHeat('aluminium', 8).preheatC).toBe(80);
    for (const metal of ['mild-steel', 'stainless', 'aluminium'] as const)
      for (const mm of [2, 12, 30, 80]) {
        const { preheatC, interpassC } = plateHeat(metal, mm);
        expect(preheatC ?? 0).toBeLessThan(interpassC);
      }
  });
});

describe('protection', () => {
  it('goes by the current in the steps that are taught, darker for bright arcs, never darker than is made', () => {
    expect([50, 100, 200, 300].map((amps) => shadeFor(amps, false).least)).toEqual([9, 10, 11, 12]);
    expect(shadeFor(200, true)).toEqual({ least: 12, comfortable: 13 });
    expect(shadeFor(480, true)).toEqual({ least: 14, comfortable: 14 });
    for (let amps = 30; amps < 500; amps += 10)
      expect(shadeFor(amps + 10, false).least).toBeGreaterThanOrEqual(shadeFor(amps, false).least);
  });

  it('says how far each coat comes off and what is put back, and nothing of a clean plate', () => {
    const on = (surface: 'clean' | 'zinc' | 'paint') =>
      protectionFor({ baseMetal: 'mild-steel' }, { surface: [surface] }, 120, false).coats;
    expect(on('clean')).toEqual([]);
    expect(on('zinc').join(' ')).toMatch(/25 mm.*respirator.*zinc-rich/);
    expect(on('paint').join(' ')).toMatch(/50 mm.*prime/i);
    expect(protectionFor({ baseMetal: 'aluminium' }, {}, 120, false).shade.least).toBe(11);
  });
});
