import { RIGS } from '../cases/rigs';
import { CASE_FORMAT } from '../case/schema';
import { balanceCurve } from './balance-curve';
import { arcSetup, balancedVolts, currentAt, withWire } from './setup';

const setup = withWire(arcSetup({ format: CASE_FORMAT, rig: RIGS.mix09, job: { thicknessMm: 3 } }))!;
const OFF = { offsetV: -1.5, wireScale: 1, sure: { offsetSdV: 0.4, wireScaleSd: 0.03 } };

describe('volts against wire speed', () => {
  it('rise with the wire, about the balance of the current that it makes', () => {
    const { usual, learned } = balanceCurve(setup, [6, 8], 10)!;
    expect(learned).toBeNull();
    usual.forEach(({ wireSpeedMPerMin, lowV, highV }, i) => {
      expect((lowV + highV) / 2).toBeCloseTo(balancedVolts(setup, currentAt(setup, wireSpeedMPerMin, 10)), 6);
      expect(highV - lowV).toBeGreaterThan(0.5);
      if (i > 0) expect(lowV).toBeGreaterThan(usual[i - 1].lowV);
      if (i > 0) expect(wireSpeedMPerMin).toBeGreaterThan(usual[i - 1].wireSpeedMPerMin);
    });
  });

  it('cover what is looked at and a little beyond, no further than the wire is run', () => {
    const at = (looked: number[]) =>
      balanceCurve(setup, looked, 10)!.usual.map(({ wireSpeedMPerMin }) => wireSpeedMPerMin);
    const near = at([6, 7]);
    expect(near[0]).toBeLessThan(6);
    expect(near[0]).toBeGreaterThan(3);
    expect(near.at(-1)).toBeGreaterThan(7);
    // The wire ends at its window, but what was run beyond is shown.
    expect(at([14]).at(-1)).toBeLessThan(1.4 * 14);
    expect(at([22]).at(-1)).toBe(22);
    expect(at([1])[0]).toBe(1);
  });

  it('lie higher on a machine that was found to lose volts, by what it loses', () => {
    const { usual, learned } = balanceCurve({ ...setup, machine: OFF }, [6], 10)!;
    usual.forEach(({ lowV }, i) => expect(learned![i].lowV - lowV).toBeCloseTo(1.5, 6));
  });

  it('are none on a pulsing machine, nor where no wire speed is known', () => {
    expect(balanceCurve({ ...setup, pulse: true }, [6], 10)).toBeNull();
    expect(balanceCurve(setup, [], 10)).toBeNull();
  });
});
