import fc from 'fast-check';
import type { Diagnosis } from '../diagnosis/diagnose';
import type { Residuals } from '../diagnosis/residuals';
import type { CauseId } from '../evidence/ids';
import { probabilityOf, scenariosOf } from './scenarios';

const diagnosis = (chances: { [id in CauseId]?: number }, residuals: Residuals = {}): Diagnosis =>
  ({
    causes: Object.entries(chances).map(([cause, probability]) => ({ cause, probability, prior: 0.1, because: [] })),
    residuals,
  }) as unknown as Diagnosis;
const of = (chances: { [id in CauseId]?: number }, residuals?: Residuals) => scenariosOf(diagnosis(chances, residuals));

describe('the ways things may stand', () => {
  it('are one, as measured, where nothing is suspected', () => {
    expect(of({}, { balance: { value: 1, spread: 0 } })).toHaveLength(1);
    expect(of({})).toEqual([{ probability: 1, balanceShift: 0, heatShift: 0 }]);
  });

  it('are nine where balance and heat may both lie either way, and their chances sum to one', () => {
    const share = fc.double({ min: 0.01, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, (low, high, cold, hot) => {
        const ways = of({ 'voltage-low': low, 'wire-slow': high, 'heat-low': cold, 'heat-high': hot });
        expect(ways.length).toBeGreaterThanOrEqual(4);
        expect(ways.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
      }),
    );
    expect(of({ 'voltage-low': 0.2, 'voltage-high': 0.2, 'heat-low': 0.2, 'heat-high': 0.2 })).toHaveLength(9);
  });

  it('count both causes of one side together', () => {
    const both = of(
      { 'voltage-low': 0.2, 'wire-fast': 0.3, 'voltage-high': 0.1, 'wire-slow': 0.15 },
      {
        balance: { value: 0, spread: 0.9 },
      },
    );
    // Equal trust in figure and cause, so the truth is halfway to where the cause holds, 2.4 half-widths off.
    expect(both).toEqual([
      expect.objectContaining({ probability: expect.closeTo(0.5, 9), balanceShift: expect.closeTo(-1.2, 9) }),
      expect.objectContaining({ probability: expect.closeTo(0.25, 9), balanceShift: expect.closeTo(1.2, 9) }),
      expect.objectContaining({ probability: expect.closeTo(0.25, 9), balanceShift: 0 }),
    ]);
    const heat = of({ 'heat-low': 0.4, 'heat-high': 0.1 }, { heat: { value: 0, spread: 0.9 } });
    expect(heat.map(({ heatShift }) => Math.round(heatShift * 100) / 100)).toEqual([-1.1, 1.1, 0]);
    expect(heat[0].probability).toBeCloseTo(0.4, 9);
  });

  it('pull a measured figure toward what the bead shows, by how far each is to be trusted', () => {
    const shift = (value: number, spread: number): number =>
      of({ 'voltage-low': 1 }, { balance: { value, spread } })[0].balanceShift;
    expect(shift(2, 0.9)).toBeCloseTo(-2.2, 9);
    // A spread of 2 is trusted a fifth as much as a cause: (2/4 - 2.4/0.81) / (1/4 + 1/0.81) - 2.
    expect(shift(2, 2)).toBeCloseTo((0.5 - 2.4 / 0.81) / (0.25 + 1 / 0.81) - 2, 9);
    expect(Math.abs(shift(2, 0.3))).toBeLessThan(Math.abs(shift(2, 2)));
    // A figure said to be exact is still a figure: at best a spread of about a fifth is believed.
    expect(shift(2, 0)).toBeCloseTo((20 * 2 - 2.4 / 0.81) / (20 + 1 / 0.81) - 2, 9);
  });

  it('believe a figure that is worse than its cause as it stands', () => {
    const shift = (value: number): number =>
      of({ 'voltage-low': 1 }, { balance: { value, spread: 1 } })[0].balanceShift;
    expect(shift(-3)).toBe(0);
    expect(shift(-2.3)).toBeLessThan(0);
    expect(shift(3)).toBeLessThan(0);
    // Where nothing is off, an unusual figure is drawn back toward the middle.
    const [middle] = of({}, { balance: { value: 1, spread: 0.9 } });
    expect(middle.balanceShift).toBeCloseTo(-0.5, 9);
  });

  it('believe a heat inside its window as it stands, and draw one outside back to the edge, without a jump', () => {
    const shift = (value: number): number => of({}, { heat: { value, spread: 0.9 } })[0].heatShift;
    for (const inside of [-1.2, -0.5, 0, 0.9, 1.2]) expect(shift(inside)).toBe(0);
    expect(shift(2.24)).toBeCloseTo(-0.5, 9);
    expect(shift(-2.24)).toBeCloseTo(0.5, 9);
    expect(Math.abs(shift(1.25) - shift(1.23))).toBeLessThan(0.02);
  });

  it('leave out what is next to impossible, and never sum to more than one', () => {
    expect(of({ 'voltage-low': 0.00005, 'voltage-high': 0.5 })).toHaveLength(2);
    const crowded = of({ 'voltage-low': 0.9, 'voltage-high': 0.9 });
    expect(crowded.map(({ probability }) => probability)).toEqual([0.5, 0.5]);
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
