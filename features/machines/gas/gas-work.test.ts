import type { Case } from '@/core/case/schema';
import { EXAMPLE_CASE } from '@/core/cases/example';
import { gasWanted } from './gas-wanted';
import { arcTimeWords, ballOf, cylinderFrom, gasText, gasWorkOf, reckon, type GasWork } from './gas-work';

const typed = (some: Partial<GasWork>): GasWork => ({ ...gasWorkOf(undefined, 'metric'), ...some });
const JOB = { lengthMm: 3000, passes: 1 };

describe('a cylinder that is typed', () => {
  it('is reckoned once its figures are there, with a comma or a point', () => {
    expect(reckon(typed({ pressure: '80' }), 12, 300, JOB, 'metric')).toEqual({ supply: null, problem: null });
    const { supply } = reckon(typed({ pressure: '80,0', volume: '20' }), 12, 300, JOB, 'metric');
    // (80 - 5) x 20 = 1500 L at 12 L/min and 15 % beside the arc.
    expect(supply!.arcMinutes).toBeCloseTo(1500 / 13.8, 6);
    expect(supply!.finishes).toBe(true);
    expect(reckon(typed({ kind: 'liquid-co2', weight: '0.1' }), 12, 300, JOB, 'metric').supply!.finishes).toBe(false);
  });

  it('costs a metre by what a full one costs', () => {
    const { supply } = reckon(typed({ pressure: '20', volume: '20', price: '60' }), 12, 300, JOB, 'metric');
    expect(supply!.costPerM).toBeCloseTo((60 / 4000) * 46, 6);
    expect(reckon(typed({ pressure: '20', volume: '20' }), 12, 300, JOB, 'metric').supply!.costPerM).toBeNull();
  });

  it.each<[string, Partial<GasWork>, RegExp]>([
    ['pressure', { pressure: '900', volume: '20' }, /0 to 350 bar/],
    ['pressure in words', { pressure: 'full', volume: '20' }, /0 to 350 bar/],
    ['volume', { pressure: '100', volume: '0' }, /0\.2 to 200 L/],
    ['weight', { kind: 'liquid-co2', weight: '-2' }, /0 to 100 kg/],
    ['price', { pressure: '100', volume: '20', price: '-3' }, /above 0/],
  ])('says what a wrong %s takes', (_, some, said) => {
    expect(reckon(typed(some), 12, 300, JOB, 'metric')).toEqual({
      supply: null,
      problem: expect.stringMatching(said) as string,
    });
  });

  it('has its ball where the gas it is read for asks, and where it stands for its own', () => {
    expect(ballOf(null, 12, { argonPct: 100 })).toBe(12);
    expect(ballOf('CO2', 12, { argonPct: 100 })).toBeCloseTo(12 * Math.sqrt(1.661 / 1.842), 6);
    expect(ballOf('argon', 12, { argonPct: 100 })).toBeCloseTo(12, 9);
  });

  it('means the same in pounds, psi and cubic feet', () => {
    // A cylinder of 125 cu ft at 2200 psi holds 23.3 L of water; half empty it has half of it, less what a regulator leaves.
    const us = { ...gasWorkOf(undefined, 'inch'), pressure: '1100', volume: '125' };
    const { cylinder, litres } = cylinderFrom(us, 'inch') as Extract<
      ReturnType<typeof cylinderFrom>,
      { litres: number }
    >;
    expect(cylinder!.volumeL).toBeCloseTo(23.3, 1);
    expect(cylinder!.pressureBar).toBeCloseTo(75.8, 1);
    expect(litres).toBeCloseTo((125 * 28.3168) / 2 - 5 * 23.3, -1);
    expect(gasWorkOf(cylinder, 'inch').volume).toBe('125');
    expect(gasWorkOf({ kind: 'compressed', volumeL: 20 }, 'metric')).toEqual(typed({ volume: '20' }));
    const weighed = cylinderFrom({ ...us, kind: 'liquid-co2', weight: '22' }, 'inch').cylinder;
    expect(weighed!.contentKg).toBeCloseTo(9.98, 2);
    expect(cylinderFrom({ ...us, pressure: '9000' }, 'inch').problem).toMatch(/0 to 5076 psi/);
    expect(cylinderFrom({ ...us, kind: 'liquid-co2', weight: '300' }, 'inch').problem).toMatch(/0 to 220 lb/);
    expect([gasText(1200, 'metric'), gasText(1200, 'inch')]).toEqual(['1200 L', '42.4 cu ft']);
  });

  it('lasts in hours and minutes', () => {
    expect([8.9, 60, 161.2].map(arcTimeWords)).toEqual(['8 min', '1 h 0 min', '2 h 41 min']);
  });
});

describe('the gas a job wants', () => {
  const on = (job: object, rig: object = {}): Case => ({
    ...EXAMPLE_CASE,
    job: { ...EXAMPLE_CASE.job, otherThicknessMm: undefined, ...job } as Case['job'],
    rig: { ...EXAMPLE_CASE.rig, ...rig } as Case['rig'],
  });
  it('has a flow in its window, the pace of a pass, and as many passes as hold up', () => {
    const { flow, travelMmPerMin, passes } = gasWanted(on({ thicknessMm: 3 }))!;
    expect(flow.wanted).toBeGreaterThan(flow.low);
    expect(flow.wanted).toBeLessThanOrEqual(flow.high);
    expect(travelMmPerMin).toBeGreaterThan(200);
    expect(passes).toBe(1);
    expect(gasWanted(on({ thicknessMm: 12, position: 'overhead' }))!.passes).toBeGreaterThan(1);
    // Want of amps makes no more passes of one that holds up its 8 mm.
    expect(gasWanted(on({ thicknessMm: 9, joint: 'fillet', position: 'vertical-up' }))!.passes).toBe(1);
    expect(gasWanted(on({ thicknessMm: undefined }))!.currentA).toBeGreaterThan(80);
  });

  it('takes the usual nozzle where none is said, and is not to be had without wire or gas', () => {
    expect(gasWanted(on({}, { nozzleBoreMm: undefined }))!.flow.wanted).toBeGreaterThan(9);
    expect(gasWanted(on({}, { wire: undefined }))).toBeNull();
    expect(gasWanted(on({}, { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null }))).toBeNull();
  });
});
