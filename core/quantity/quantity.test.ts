import fc from 'fast-check';
import { GAUGES, gaugeToMm, nearestGauge } from './gauge';
import { fromUser, readable, roundToStep, toUser, unitOf, type Quantity } from './units';

describe('units', () => {
  it('reads the trade figures in both families', () => {
    expect(readable(7.5, 'wireSpeed', 'metric')).toBe('7.5');
    expect(readable(7.5, 'wireSpeed', 'inch')).toBe('295');
    expect(readable(11, 'gasFlow', 'inch')).toBe('23');
    expect(readable(9.525, 'length', 'inch')).toBe('0.375');
    expect(unitOf('gasFlow', 'inch')).toBe('cfh');
    expect(toUser(0.472, 'gasFlow', 'inch')).toBeCloseTo(1, 3);
  });

  it('round-trips for every quantity', () => {
    const quantity = fc.constantFrom<Quantity>('voltage', 'wireSpeed', 'length', 'gasFlow', 'travelSpeed', 'percent');
    fc.assert(
      fc.property(quantity, fc.double({ min: 0, max: 500, noNaN: true }), (name, value) => {
        expect(fromUser(toUser(value, name, 'inch'), name, 'inch')).toBeCloseTo(value, 9);
      }),
    );
  });

  it('rounds to a clean step', () => {
    expect(roundToStep(18.4049, 0.1)).toBe(18.4);
    expect(() => roundToStep(1, 0)).toThrow('step');
  });
});

describe('sheet gauge', () => {
  it('gives the standard thickness: 16 gauge is 0.0598 in, 11 gauge 0.1196 in', () => {
    expect(gaugeToMm(16) / 25.4).toBeCloseTo(0.0598, 4);
    expect(gaugeToMm(11) / 25.4).toBeCloseTo(0.1196, 4);
    expect(nearestGauge(1.5)).toBe(16);
    expect(nearestGauge(12)).toBeNull();
    // The same number is another thickness in stainless and in aluminium.
    expect(gaugeToMm(16, 'stainless') / 25.4).toBeCloseTo(0.0625, 4);
    expect(gaugeToMm(16, 'aluminium') / 25.4).toBeCloseTo(0.0508, 4);
    expect(gaugeToMm(10, 'aluminium') / 25.4).toBeCloseTo(0.1019, 4);
    for (const metal of ['mild-steel', 'stainless', 'aluminium'] as const)
      expect(GAUGES.filter((gauge) => nearestGauge(gaugeToMm(gauge, metal), metal) !== gauge)).toEqual([]);
    expect(() => gaugeToMm(99)).toThrow('3 to 26');
  });
});
