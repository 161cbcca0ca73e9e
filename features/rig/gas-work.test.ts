import type { Case } from '@/core/case/schema';
import { EXAMPLE_CASE } from '@/core/cases/example';
import { gasWanted } from './gas-wanted';
import { arcTimeWords, ballOf, NO_GAS_WORK, reckon, type GasWork } from './gas-work';

const typed = (some: Partial<GasWork>): GasWork => ({ ...NO_GAS_WORK, ...some });
const JOB = { lengthMm: 3000, passes: 1 };

describe('a cylinder that is typed', () => {
  it('is reckoned once its figures are there, with a comma or a point', () => {
    expect(reckon(typed({ pressure: '80' }), 12, 300, JOB)).toEqual({ supply: null, problem: null });
    const { supply } = reckon(typed({ pressure: '80,0', volume: '20' }), 12, 300, JOB);
    // (80 - 5) x 20 = 1500 L at 12 L/min and 15 % beside the arc.
    expect(supply!.arcMinutes).toBeCloseTo(1500 / 13.8, 6);
    expect(supply!.finishes).toBe(true);
    expect(reckon(typed({ kind: 'liquid-co2', weight: '0.1' }), 12, 300, JOB).supply!.finishes).toBe(false);
  });

  it('costs a metre by what a full one costs', () => {
    const { supply } = reckon(typed({ pressure: '20', volume: '20', price: '60' }), 12, 300, JOB);
    expect(supply!.costPerM).toBeCloseTo((60 / 4000) * 46, 6);
    expect(reckon(typed({ pressure: '20', volume: '20' }), 12, 300, JOB).supply!.costPerM).toBeNull();
  });

  it.each<[string, Partial<GasWork>, RegExp]>([
    ['pressure', { pressure: '900', volume: '20' }, /0 to 350 bar/],
    ['pressure in words', { pressure: 'full', volume: '20' }, /0 to 350 bar/],
    ['volume', { pressure: '100', volume: '0' }, /0\.2 to 200 L/],
    ['weight', { kind: 'liquid-co2', weight: '-2' }, /0 to 100 kg/],
    ['price', { pressure: '100', volume: '20', price: '-3' }, /above 0/],
  ])('says what a wrong %s takes', (_, some, said) => {
    expect(reckon(typed(some), 12, 300, JOB)).toEqual({ supply: null, problem: expect.stringMatching(said) as string });
  });

  it('has its ball where the gas it is read for asks, and where it stands for its own', () => {
    expect(ballOf(null, 12, { argonPct: 100 })).toBe(12);
    expect(ballOf('CO2', 12, { argonPct: 100 })).toBeCloseTo(12 * Math.sqrt(1.661 / 1.842), 6);
    expect(ballOf('argon', 12, { argonPct: 100 })).toBeCloseTo(12, 9);
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
    // One that would hold up 8 mm, but is too cold in one.
    expect(gasWanted(on({ thicknessMm: 9, joint: 'fillet', position: 'vertical-up' }))!.passes).toBe(2);
    expect(gasWanted(on({ thicknessMm: undefined }))!.currentA).toBeGreaterThan(80);
  });

  it('is not to be had without nozzle, wire or gas', () => {
    expect(gasWanted(on({}, { nozzleBoreMm: undefined }))).toBeNull();
    expect(gasWanted(on({}, { wire: undefined }))).toBeNull();
    expect(gasWanted(on({}, { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null }))).toBeNull();
  });
});
