import { answer } from '../answer';
import { CASE_FORMAT, type Case } from '../case/schema';
import { RIGS } from '../cases/rigs';
import type { Settings } from '../setting/table';
import type { JudgedChange } from './changes-of-plate';
import { suspectsOfChanges } from './judged-changes';

const FIGURES: Settings = { voltageV: 18, wireSpeedMPerMin: 6, stickOutMm: 10, gasFlowLPerMin: 11 };
const plate = (settings: Settings = FIGURES, findings: Case['findings'] = {}): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', thicknessMm: 4, joint: 'fillet', position: 'horizontal' },
  rig: RIGS.mix09,
  settings,
  findings,
});
const change = (after: Settings, outcome: JudgedChange['outcome'], before = FIGURES): JudgedChange => ({
  before,
  after: { ...FIGURES, ...after },
  outcome,
});
/** Returns how many times likelier each cause is made. */
const times = (changes: readonly JudgedChange[], now: Settings = FIGURES): Record<string, number> =>
  Object.fromEntries(suspectsOfChanges(plate(now), changes).map((one) => [one.cause, one.times]));

describe('what a change that was judged says of the causes', () => {
  it('counts against what it went away from, and for what it went towards, where the bead came out worse', () => {
    const up = times([change({ voltageV: 20 }, 'worse')]);
    for (const cause of ['voltage-low', 'wire-fast']) expect(up[cause]).toBeLessThan(0.5);
    for (const cause of ['voltage-high', 'wire-slow']) expect(up[cause]).toBeGreaterThan(1.5);
    const down = times([change({ voltageV: 16 }, 'worse')]);
    for (const cause of ['voltage-low', 'wire-fast']) expect(down[cause]).toBeGreaterThan(1.5);
    for (const cause of ['voltage-high', 'wire-slow']) expect(down[cause]).toBeLessThan(0.5);
    // Inside its window a heat is silent as a figure, but turning it is a change all the same.
    const hotter = times([change({ voltageV: 19.3, wireSpeedMPerMin: 7 }, 'worse')]);
    expect(hotter['heat-low']).toBeLessThan(0.8);
    expect(hotter['heat-high']).toBeGreaterThan(1.2);
    const gas = times([change({ gasFlowLPerMin: 16 }, 'worse')]);
    expect(gas['gas-low']).toBeLessThan(0.5);
    expect(gas['gas-high']).toBeGreaterThan(1.5);
    expect(gas['voltage-low']).toBeUndefined();
    expect(times([change({ stickOutMm: 16 }, 'worse')])['stickout-short']).toBeLessThan(0.6);
  });

  it('of no change, of one that nobody judged by, and of what was not known, is nothing', () => {
    expect(suspectsOfChanges(plate(), [])).toEqual([]);
    expect(times([change({}, 'worse')])).toEqual({});
    expect(times([change({ gasFlowLPerMin: 16 }, 'worse', { voltageV: 18 })])).toEqual({});
    expect(times([change({ voltageV: 20 }, 'worse')], {})['voltage-high']).toBeGreaterThan(1);
  });

  it('holds at figures that are no nearer to the cause than those were, and says less the nearer they come', () => {
    const worse = [change({ voltageV: 20 }, 'worse')];
    const at = (voltageV: number): number => times(worse, { ...FIGURES, voltageV })['voltage-low'] ?? 1;
    expect(at(19)).toBe(at(18));
    expect(at(20)).toBe(at(18));
    const nearer = [18, 17.7, 17.4, 17.1, 16.8].map(at);
    for (const [i, next] of nearer.slice(1).entries()) expect(next).toBeGreaterThanOrEqual(nearer[i]);
    expect(at(17.5)).toBeGreaterThan(1.2 * at(18));
    // Two volts nearer to it nothing is left.
    expect(at(16)).toBe(1);
    // What it went towards holds wherever the knob is put, at the worse bead's own figures too.
    expect(times(worse, { ...FIGURES, voltageV: 20 })['voltage-high']).toBeGreaterThan(1.5);
    expect(times(worse, { ...FIGURES, voltageV: 17 })['voltage-high']).toBeGreaterThan(1.5);
  });

  it('is shared with what was changed along with it', () => {
    const alone = times([change({ voltageV: 20 }, 'worse')]);
    const together = times([change({ voltageV: 20, gasFlowLPerMin: 16 }, 'worse')]);
    expect(together['voltage-low']).toBeGreaterThan(alone['voltage-low']);
    expect(together['voltage-low']).toBeLessThan(0.9);
    expect(together['gas-low']).toBeLessThan(0.9);
    // A small turn says less than a large one.
    expect(times([change({ voltageV: 18.4 }, 'worse')])['voltage-low'] ?? 1).toBeGreaterThan(alone['voltage-low']);
  });

  it('counts for what it went away from where it helped, and for neither side where nothing came of it', () => {
    const better = times([change({ voltageV: 20 }, 'better')]);
    expect(better['voltage-low']).toBeGreaterThan(1.2);
    expect(better['voltage-high']).toBeLessThan(0.7);
    const same = times([change({ voltageV: 20 }, 'same')]);
    expect(same['voltage-low']).toBeLessThan(0.7);
    expect(same['voltage-high']).toBeLessThan(0.7);
    // Less surely than where it came out worse.
    expect(same['voltage-low']).toBeGreaterThan(times([change({ voltageV: 20 }, 'worse')])['voltage-low']);
  });

  it('adds up over changes in whatever order, and never becomes certain', () => {
    const changes = [
      change({ voltageV: 20 }, 'worse'),
      change({ voltageV: 19, gasFlowLPerMin: 14 }, 'same'),
      change({ voltageV: 21 }, 'worse'),
    ];
    const all = times(changes);
    expect(times([...changes].reverse())).toEqual(all);
    expect(all['voltage-low']).toBeLessThan(times(changes.slice(0, 1))['voltage-low']);
    const often = times(Array.from({ length: 12 }, () => changes[0]));
    expect(often['voltage-low']).toBe(0.05);
    expect(often['voltage-high']).toBe(20);
  });

  it('moves the verdict and what is done: more volts made it worse, so the next try is not more volts', () => {
    const ropey = plate({ ...FIGURES, voltageV: 18.2 }, { 'bead-ropey': 'present' });
    const chance = (input: Case, ...ids: string[]): number =>
      answer(input).causes.reduce((sum, { cause, probability }) => (ids.includes(cause) ? sum + probability : sum), 0);
    const changes = suspectsOfChanges(ropey, [
      { before: ropey.settings!, after: { ...ropey.settings, voltageV: 20 }, outcome: 'worse' },
    ]);
    const taught: Case = { ...ropey, experience: { changes } };
    const under = ['voltage-low', 'wire-fast'];
    expect(chance(taught, ...under)).toBeLessThan(0.6 * chance(ropey, ...under));
    expect(answer(ropey).causes[0].cause).toBe('voltage-low');
    expect(answer(taught).causes[0].cause).not.toBe('voltage-low');
    const told = answer(taught).causes.find(({ cause }) => cause === 'voltage-low')!.because;
    expect(told).toContainEqual({
      evidence: 'coupon:changes',
      name: 'What the changes did',
      weight: expect.any(Number),
      because: 'a change that would have helped against it did not',
    });
  });
});
