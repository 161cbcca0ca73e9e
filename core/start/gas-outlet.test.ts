import fc from 'fast-check';
import { completeMix } from '../case/gas-mix';
import { outletAdvice, outletFor } from './gas-outlet';

describe('the outlet of a cylinder', () => {
  it('is that of argon for argon, helium and their mixes, and of CO2 for CO2 alone', () => {
    for (const gas of [
      { argonPct: 100 },
      { argonPct: 82, co2Pct: 18 },
      { argonPct: 75, co2Pct: 25 },
      { heliumPct: 90, argonPct: 10 },
    ])
      expect(outletFor(completeMix(gas))).toBe('argon');
    expect(outletFor(completeMix({ co2Pct: 100 }))).toBe('co2');
  });

  it('has another thread for CO2 in three of four places, and says so', () => {
    const [argon, co2] = [{ argonPct: 100 }, { co2Pct: 100 }].map((gas) => outletAdvice(completeMix(gas)));
    expect(argon.threads).toContain('North America: CGA 580');
    expect(co2.threads).toContain('North America: CGA 320');
    const same = argon.threads.filter((thread) => co2.threads.includes(thread));
    expect(same).toEqual(['much of Europe: DIN 477 no. 6, W21.8']);
    expect(co2.plain.join(' ')).toMatch(/adapter with its flat seal/);
    expect(argon.plain.join(' ')).not.toMatch(/ices up/);
  });

  it('names no thread for a mix that is more oxygen than a wire takes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), (oxygenPct) => {
        const { outlet, threads, plain } = outletAdvice(completeMix({ argonPct: 100 - oxygenPct, oxygenPct }));
        expect(outlet === 'oxidising').toBe(oxygenPct >= 24);
        expect(threads.length > 0).toBe(oxygenPct < 24);
        expect(plain.length).toBeGreaterThan(0);
      }),
    );
  });
});
