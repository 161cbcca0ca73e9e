import fc from 'fast-check';
import { completeMix } from '../case/gas-mix';
import { POSITIONS, WIRE_CLASSES } from '../case/schema';
import { balanceVoltage } from './balance';
import { wireSpeedFromCurrent } from './burn-off';
import { passCeiling, wireWindow } from './wire-window';
import type { Wire } from './wire';

const steel = (diameterMm: number): Wire => ({ class: 'solid-steel', diameterMm });
const selfShielded = (diameterMm: number): Wire => ({ class: 'tubular-self-shielded', diameterMm });
const AIR = completeMix({});
const MIX = completeMix({ co2Pct: 18 });

describe('the window of a wire', () => {
  it('overlaps that of the next size, and rises with it', () => {
    const sizes = [0.6, 0.8, 0.9, 1.0, 1.2, 1.6];
    for (const [i, size] of sizes.slice(1).entries()) {
      const [thin, thick] = [wireWindow(steel(sizes[i])), wireWindow(steel(size))];
      expect(thick.lowA).toBeLessThan(thin.highA);
      expect(thick.highA).toBeGreaterThan(thin.highA);
    }
    expect(wireWindow(steel(0.9))).toEqual({ lowA: 50, highA: 250, lowV: null, highV: null });
    expect(wireWindow(steel(1.6))).toEqual({ lowA: 280, highA: 430, lowV: null, highV: null });
    expect(wireWindow(steel(1.1)).highA).toBeCloseTo(320, 6);
  });

  it('of tubular wire has volts that its own balance meets at both ends, within a volt and a half', () => {
    for (const wire of [
      ...[0.8, 0.9, 1.2, 1.6].map(selfShielded),
      ...[0.9, 1.2, 1.6].map((diameterMm): Wire => ({ class: 'tubular-gas-shielded', diameterMm })),
    ]) {
      const { lowA, highA, lowV, highV } = wireWindow(wire);
      const gas = completeMix({ co2Pct: 20 });
      expect(Math.abs(balanceVoltage(lowA, wire, gas) - lowV!)).toBeLessThan(1.5);
      expect(Math.abs(balanceVoltage(highA, wire, gas) - highV!)).toBeLessThan(1.5);
    }
  });

  // Public tables of thin self-shielded wire, within 20 %, at 12 to 14 mm of wire past the tip.
  it.each([
    [0.8, 100, 2.8],
    [0.9, 120, 2.8],
    [1.2, 150, 2.3],
  ])('self-shielded %d mm at %d A feeds about %d m/min', (diameterMm, amps, speed) => {
    for (const extension of [12, 14])
      expect(Math.abs(wireSpeedFromCurrent(amps, selfShielded(diameterMm), extension) / speed - 1)).toBeLessThan(0.2);
  });

  it('of self-shielded wire keeps volts and knob together: 0.9 mm at 2.8 m/min sounds right near 16.5 V', () => {
    expect(balanceVoltage(120, selfShielded(0.9), AIR)).toBeCloseTo(16.8, 1);
  });
});

describe('what one pass carries', () => {
  it.each([
    [0.8, 90],
    [0.9, 110],
    [1.0, 130],
    [1.2, 160],
  ])('of %d mm wire vertical-up and overhead is about %d A, set by the position', (diameterMm, amps) => {
    expect(passCeiling(steel(diameterMm), MIX, 'vertical-up', false, 'mild-steel')).toEqual({
      ...{ currentA: amps, by: 'position' },
    });
    const overhead = passCeiling(steel(diameterMm), MIX, 'overhead', false, 'mild-steel');
    expect(overhead).toEqual({ currentA: expect.closeTo(1.07 * amps, 6), by: 'position' });
    expect(passCeiling(steel(diameterMm), MIX, 'flat', false, 'mild-steel').by).toBe('wire');
  });

  it('in pulse begins far under the spray: 60 A with 1.2 mm aluminium, 120 A with 1.6 mm steel', () => {
    const from = (wireClass: Wire['class'], diameterMm: number, pulse = true): number =>
      wireWindow({ class: wireClass, diameterMm }, pulse).lowA;
    expect(Math.abs(from('solid-aluminium', 1.2) - 60)).toBeLessThan(5);
    expect(Math.abs(from('solid-steel', 1.6) - 120)).toBeLessThan(10);
    expect(from('solid-steel', 0.8)).toBe(from('solid-steel', 0.8, false));
    expect(from('solid-aluminium', 1.2, false)).toBe(135);
  });

  it('is a little more in pulse and in aluminium, three quarters of the window for tubular wire', () => {
    const held = (...[wire, pulse, metal]: [Wire, boolean, 'mild-steel' | 'aluminium']): number =>
      passCeiling(wire, MIX, 'vertical-up', pulse, metal).currentA;
    expect(held(steel(1.2), true, 'mild-steel')).toBeCloseTo(176, 6);
    expect(held({ class: 'solid-aluminium', diameterMm: 1.2 }, false, 'aluminium')).toBeCloseTo(184, 6);
    expect(held(selfShielded(1.2), false, 'mild-steel')).toBeCloseTo(187.5, 6);
  });

  it('is never more than the wire carries, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WIRE_CLASSES),
        fc.double({ min: 0.6, max: 2, noNaN: true }),
        fc.constantFrom(...POSITIONS),
        fc.boolean(),
        (wireClass, diameterMm, position, pulse) => {
          const wire: Wire = { class: wireClass, diameterMm };
          const metal = wireClass === 'solid-aluminium' ? 'aluminium' : 'mild-steel';
          const { currentA } = passCeiling(wire, MIX, position, pulse, metal);
          expect(currentA).toBeLessThanOrEqual(wireWindow(wire).highA);
          // Aluminium and thick wire may have no pass that stays up at all: that is said, and no figure given.
          if (wireClass !== 'solid-aluminium' && diameterMm < 1.3)
            expect(currentA).toBeGreaterThan(wireWindow(wire).lowA);
        },
      ),
    );
  });
});
