import fc from 'fast-check';
import type { Diagnosis } from '../diagnosis/diagnose';
import type { Residuals } from '../diagnosis/residuals';
import type { CauseId } from '../evidence/ids';
import { HEAT_UNIT } from '../diagnosis/residuals';
import { actedOn, probabilityOf, scenariosOf } from './scenarios';

const diagnosis = (chances: { [id in CauseId]?: number }, residuals: Residuals = {}, heatRatio = 1): Diagnosis =>
  ({
    setup: { pulse: false },
    arc: { heatRatio },
    causes: Object.entries(chances).map(([cause, probability]) => ({ cause, probability, prior: 0.1, because: [] })),
    residuals,
  }) as unknown as Diagnosis;
const of = (chances: { [id in CauseId]?: number }, residuals?: Residuals, heatRatio?: number) =>
  scenariosOf(diagnosis(chances, residuals, heatRatio));
/** Heat of so many units, as ratio of currents. */
const heatOf = (units: number): number => Math.exp(HEAT_UNIT * units);
const HEAT_READ = { heat: { value: 0, spread: 0.9 } };

describe('the ways things may stand', () => {
  it('are one, as measured, where nothing is suspected: both figures are right', () => {
    expect(of({}, { balance: { value: 1, spread: 0 } })).toHaveLength(1);
    expect(of({})).toEqual([
      {
        probability: 1,
        balanceShift: 0,
        balanceAim: 0,
        heatShift: 0,
        right: { voltageV: true, wireSpeedMPerMin: true },
        heatWrong: false,
      },
    ]);
  });

  it('are nine where balance and heat may both lie either way, and their chances sum to one', () => {
    const share = fc.double({ min: 0.05, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, (low, high, cold, hot) => {
        const ways = of({ 'voltage-low': low, 'wire-slow': high, 'heat-low': cold, 'heat-high': hot });
        expect(ways.length).toBeGreaterThanOrEqual(4);
        expect(ways.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
      }),
    );
    expect(of({ 'voltage-low': 0.2, 'voltage-high': 0.2, 'heat-low': 0.2, 'heat-high': 0.2 })).toHaveLength(9);
  });

  it('name what is wrong: of a pair the likelier, both where the heat is off', () => {
    const right = (chances: { [id in CauseId]?: number }) => of(chances)[0].right;
    expect(right({ 'voltage-low': 0.6, 'wire-fast': 0.3 })).toEqual({ voltageV: false, wireSpeedMPerMin: true });
    expect(right({ 'voltage-low': 0.3, 'wire-fast': 0.6 })).toEqual({ voltageV: true, wireSpeedMPerMin: false });
    expect(right({ 'voltage-high': 0.9 })).toEqual({ voltageV: false, wireSpeedMPerMin: true });
    expect(right({ 'wire-slow': 0.9 })).toEqual({ voltageV: true, wireSpeedMPerMin: false });
    expect(right({ 'heat-low': 0.9 })).toEqual({ voltageV: false, wireSpeedMPerMin: false });
    const [held] = scenariosOf(diagnosis({ 'voltage-low': 0.9 }), 'wire');
    expect(held.right).toEqual({ voltageV: true, wireSpeedMPerMin: false });
    const [other] = scenariosOf(diagnosis({ 'wire-fast': 0.9 }), 'volts');
    expect(other.right).toEqual({ voltageV: false, wireSpeedMPerMin: true });
  });

  it('count both causes of one side together', () => {
    const chance = (chances: { [id in CauseId]?: number }): number => of(chances)[0].probability;
    expect(chance({ 'voltage-low': 0.2, 'wire-fast': 0.3 })).toBeCloseTo(chance({ 'voltage-low': 0.5 }), 9);
    const both = of({ 'voltage-low': 0.2, 'voltage-high': 0.2 }, { balance: { value: 0, spread: 0.9 } });
    // Equal trust in figure and bead, so the truth is halfway to where a bead shows it, 1.6 half-widths off.
    expect(both.map(({ balanceShift }) => balanceShift)).toEqual([
      expect.closeTo(-0.8, 9),
      expect.closeTo(0.8, 9),
      expect.closeTo(0, 9),
    ]);
    const heat = of({ 'heat-low': 0.4, 'heat-high': 0.1 }, HEAT_READ);
    expect(heat.map(({ heatShift }) => Math.round(heatShift * 100) / 100)).toEqual([-0.9, 0.9, 0]);
  });

  it('pull a measured figure toward what the bead shows, by how far each is to be trusted', () => {
    const shift = (value: number, spread: number): number =>
      of({ 'voltage-low': 1 }, { balance: { value, spread } })[0].balanceShift;
    expect(shift(2, 0.9)).toBeCloseTo(-1.8, 9);
    // A spread of 2 is trusted a fifth as much as the bead: (2/4 - 1.6/0.81) / (1/4 + 1/0.81) - 2.
    expect(shift(2, 2)).toBeCloseTo((0.5 - 1.6 / 0.81) / (0.25 + 1 / 0.81) - 2, 9);
    expect(Math.abs(shift(2, 0.3))).toBeLessThan(Math.abs(shift(2, 2)));
    // A figure said to be exact is still a figure: at best a spread of about a fifth is believed.
    expect(shift(2, 0)).toBeCloseTo((20 * 2 - 1.6 / 0.81) / (20 + 1 / 0.81) - 2, 9);
  });

  it('believe a figure that says as much as the bead as it stands', () => {
    const shift = (value: number): number =>
      of({ 'voltage-low': 1 }, { balance: { value, spread: 1 } })[0].balanceShift;
    expect(shift(-3)).toBe(0);
    expect(shift(-1.61)).toBe(0);
    expect(shift(-1.5)).toBeLessThan(0);
    expect(shift(3)).toBeLessThan(0);
    // Where nothing is off, an unusual figure is drawn back toward the middle, and that is what a sound bead has.
    const [middle] = of({}, { balance: { value: 1, spread: 0.9 } });
    expect(middle.balanceShift).toBeCloseTo(-0.5, 9);
    expect(middle.balanceAim).toBeCloseTo(0.5, 9);
    expect(of({}, { balance: { value: 9, spread: 0.9 } })[0].balanceAim).toBe(1);
    expect(of({ 'voltage-low': 1 }, { balance: { value: -2, spread: 1 } })[0].balanceAim).toBe(0);
  });

  it('believe a heat inside its window as it stands, and draw one outside back to the edge, without a jump', () => {
    const shift = (units: number): number => of({}, HEAT_READ, heatOf(units))[0].heatShift;
    for (const inside of [-1.2, -0.5, 0, 0.9, 1.2]) expect(shift(inside)).toBeCloseTo(0, 9);
    expect(shift(2.24)).toBeCloseTo(-0.5, 2);
    expect(shift(-2.24)).toBeCloseTo(0.5, 2);
    expect(Math.abs(shift(1.25) - shift(1.23))).toBeLessThan(0.02);
    // Too fast a wire makes the heat it makes: nothing has to be wrong with the figure.
    const [fast] = of({ 'wire-fast': 1 }, HEAT_READ, heatOf(2.24));
    expect(fast.heatShift).toBe(0);
  });

  it('act on the likelier way for more than its share, and on a fault at a third', () => {
    const acted = (p: number): number => of({ 'voltage-low': p })[0].probability;
    expect(acted(0.8)).toBeGreaterThan(0.95);
    expect(acted(0.32)).toBeGreaterThan(0.5);
    expect(acted(0.1)).toBeLessThan(0.07);
    expect(actedOn(0.4)).toBeCloseTo(acted(0.4), 9);
    expect([actedOn(0), actedOn(1)]).toEqual([0, 1]);
    // No gate: a hundredth of chance is a few hundredths of action.
    for (let p = 0.01; p < 0.99; p += 0.01) expect(acted(p + 0.01) - acted(p)).toBeLessThan(0.03);
  });

  it('leave out what is next to impossible, and never sum to more than one', () => {
    expect(of({ 'voltage-low': 0.00005, 'voltage-high': 0.5 })).toHaveLength(2);
    const crowded = of({ 'voltage-low': 0.9, 'voltage-high': 0.9 });
    expect(crowded.map(({ probability }) => probability)).toEqual([0.5, 0.5]);
  });

  it('are of heat alone where the machine pulses: its arc length is set by trim', () => {
    const pulsing = diagnosis({ 'voltage-low': 0.9, 'heat-low': 0.3 }, { balance: { value: -3, spread: 1 } });
    pulsing.setup = { ...pulsing.setup, pulse: true };
    expect(scenariosOf(pulsing).every(({ balanceShift }) => balanceShift === 0)).toBe(true);
    expect(scenariosOf(pulsing)).toHaveLength(2);
  });
});

describe('the probability of causes', () => {
  it('sums those that are listed', () => {
    const held = diagnosis({ 'gas-low': 0.3, 'gas-high': 0.05 });
    expect(probabilityOf(held, 'gas-low')).toBe(0.3);
    expect(probabilityOf(held, 'gas-low', 'gas-high')).toBeCloseTo(0.35, 12);
    expect(probabilityOf(held, 'wire-fast')).toBe(0);
    expect(probabilityOf(held)).toBe(0);
  });
});
