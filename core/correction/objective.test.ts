import fc from 'fast-check';
import { balanceHalfWidth, balanceVoltage } from '../arc/balance';
import { currentAt, expectedTravel } from '../arc/setup';
import { EXAMPLE_CASE } from '../cases/example';
import { expectedRisk, objective, type Situation, type Target } from './objective';
import { situation, STEADY } from './testing/situation';

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** The current of the steady settings, and a situation whose plate wants exactly that. */
const BASE = situation();
const CURRENT = currentAt(BASE.setup, STEADY.wireSpeedMPerMin, STEADY.stickOutMm);
const BALANCE = balanceVoltage(CURRENT, BASE.setup.wire, BASE.setup.gas);
const HALF = balanceHalfWidth(CURRENT, BASE.setup.wire, BASE.setup.gas);
const wanting = (amps: number | null, change: Partial<Situation> = {}): Situation =>
  situation({ setup: { ...BASE.setup, currentAskedA: amps }, ...change });
const RIGHT = wanting(CURRENT);
const at = (change: Partial<Target>): Target => ({ ...STEADY, voltageV: BALANCE, ...change });

describe('the expected risk', () => {
  it('is, in balance with the right heat, what the risks are in the middle of their windows', () => {
    // Even odds of stubbing lie 1.7 half-widths under, of burn-back 2.2 over, of spatter 1.9 off; 18 % CO2;
    // fusion, burn-through and undercut from a heat ratio of 1 and the usual pace. Weights as in the cost table.
    const electrical =
      1 * logistic(-2.5 * 1.7) +
      1 * logistic(-2.5 * 2.2) +
      0.4 * logistic(-1.6 * 1.9 - 0.024) +
      1.5 * logistic(14 * -0.32 - 1.35 + 0.6) +
      1.3 * logistic(14 * -0.45) +
      0.7 * logistic(-3.3 - 1.5);
    const stickOut = 0.8 * logistic(-2.5 * 1.7);
    // Flow 11 in 8 to 16: thin at 6.8, wild at 17.6.
    const [thin, wild] = [logistic((12 * (6.8 - 11)) / 8), logistic((12 * (11 - 17.6)) / 16)];
    expect(expectedRisk(RIGHT, at({}))).toBeCloseTo(electrical + stickOut + thin + wild - thin * wild, 9);
  });

  it('is weighed over the ways things may stand, each with its own shift of balance and heat', () => {
    const one = (balanceShift: number, heatShift: number): number =>
      expectedRisk(wanting(CURRENT, { scenarios: [{ probability: 1, balanceShift, heatShift }] }), at({}));
    const mixed = wanting(CURRENT, {
      scenarios: [
        { probability: 0.25, balanceShift: -1, heatShift: 0 },
        { probability: 0.75, balanceShift: 0.5, heatShift: 2 },
      ],
    });
    expect(expectedRisk(mixed, at({}))).toBeCloseTo(0.25 * one(-1, 0) + 0.75 * one(0.5, 2), 9);
    // A shift of one half-width is a half-width of volts, a shift of heat 18 % of current.
    expect(one(-1, 0)).toBeCloseTo(expectedRisk(RIGHT, at({ voltageV: BALANCE - HALF })), 9);
    expect(one(0, 1)).toBeCloseTo(expectedRisk(wanting(CURRENT / Math.exp(0.18)), at({})), 9);
  });

  it('is least near balance, and rises with each step away from it', () => {
    const steps = Array.from({ length: 13 }, (_, i) => 0.5 * i);
    for (const side of [1, -1]) {
      const risks = steps.map((off) => expectedRisk(RIGHT, at({ voltageV: BALANCE + 0.3 + side * off })));
      expect([...risks].sort((a, b) => a - b)).toEqual(risks);
    }
  });

  it('is more where the wire speed makes the plate too hot or too cold', () => {
    const cold = expectedRisk(wanting(CURRENT / 0.7), at({}));
    const hot = expectedRisk(wanting(CURRENT / 1.4), at({}));
    expect(cold - expectedRisk(RIGHT, at({}))).toBeGreaterThan(0.3);
    expect(hot - expectedRisk(RIGHT, at({}))).toBeGreaterThan(0.3);
    expect(expectedRisk(wanting(null), at({}))).toBe(expectedRisk(RIGHT, at({})));
  });

  it('counts the gap, the pace and the arc control, each in its direction', () => {
    const hot = (change: Partial<Situation>): number => expectedRisk(wanting(CURRENT / 1.3, change), at({}));
    expect(hot({ gapShare: 0.8 })).toBeGreaterThan(hot({}));
    const pace = expectedTravel(RIGHT.setup, STEADY.wireSpeedMPerMin);
    expect(hot({ travelMmPerMin: pace })).toBeCloseTo(hot({}), 12);
    expect(hot({ travelMmPerMin: pace / 1.3 })).toBeGreaterThan(hot({}));
    // A hand slower than 1.5 times or faster than 0.7 times the usual is not believed further.
    expect(hot({ travelMmPerMin: pace / 3 })).toBe(hot({ travelMmPerMin: pace / 1.5 }));
    expect(hot({ travelMmPerMin: pace * 9 })).toBeCloseTo(hot({ travelMmPerMin: pace / 0.7 }), 12);
    const over = at({ voltageV: BALANCE + 2 * HALF });
    expect(expectedRisk(wanting(CURRENT, { travelMmPerMin: pace * 1.3 }), over)).toBeGreaterThan(
      expectedRisk(RIGHT, over),
    );
    expect(hot({ arcControlPct: 100 })).toBeLessThan(hot({ arcControlPct: 0 }));
  });

  it('avoids the globular range, and counts CO2 only where gas is used', () => {
    const gas = { argonPct: 0, co2Pct: 100, oxygenPct: 0, heliumPct: 0 };
    const co2 = { ...BASE.setup, gas, currentAskedA: null };
    const risk = (speed: number): number => {
      const amps = currentAt(co2, speed, 10);
      const voltageV = balanceVoltage(amps, co2.wire, gas);
      return expectedRisk(situation({ setup: co2 }), at({ wireSpeedMPerMin: speed, voltageV }));
    };
    // 0.9 mm in CO2: short arc at 5 m/min, large drops from about 190 A.
    expect(risk(13) - risk(5)).toBeGreaterThan(0.2);
    const gasless = situation({ setup: { ...BASE.setup, usesGas: false, currentAskedA: CURRENT } });
    const gassed = expectedRisk(RIGHT, at({}));
    expect(expectedRisk(gasless, at({ gasFlowLPerMin: 0 }))).toBe(expectedRisk(gasless, at({ gasFlowLPerMin: 30 })));
    expect(expectedRisk(gasless, at({}))).toBeLessThan(gassed);
  });

  it('takes the whole cost of holes where the gas is shut, and none where the cover is not known', () => {
    const shut = expectedRisk(RIGHT, at({ gasFlowLPerMin: 0 })) - expectedRisk(RIGHT, at({}));
    expect(shut).toBeGreaterThan(0.98);
    expect(shut).toBeLessThanOrEqual(1);
    const unknown = wanting(CURRENT, { flowWindow: null });
    expect(expectedRisk(unknown, at({ gasFlowLPerMin: 0 }))).toBe(expectedRisk(unknown, at({ gasFlowLPerMin: 50 })));
    expect(expectedRisk(unknown, at({}))).toBeLessThan(expectedRisk(RIGHT, at({})));
    // Inside the window the wanted flow is best.
    const flow = (gasFlowLPerMin: number): number => expectedRisk(RIGHT, at({ gasFlowLPerMin }));
    expect(flow(11)).toBeLessThan(flow(9.5));
    expect(flow(11)).toBeLessThan(flow(14));
  });

  it('knows the edges of the stick-out window on either side', () => {
    // The heat is held by wanting what each stick-out gives, the volts by their balance: the tip alone speaks.
    const { low, wanted, high } = BASE.setup.usualStickOutMm;
    const risk = (stickOutMm: number): number => {
      const amps = currentAt(BASE.setup, STEADY.wireSpeedMPerMin, stickOutMm);
      const voltageV = balanceVoltage(amps, BASE.setup.wire, BASE.setup.gas);
      return expectedRisk(wanting(amps), at({ stickOutMm, voltageV }));
    };
    const above = risk(wanted);
    // One window's edge off: 0.8 / (1 + e^1.75) + 0.04, less what the middle has.
    const edge = 0.8 * logistic(-2.5 * 0.7) + 0.04 - 0.8 * logistic(-2.5 * 1.7);
    expect(risk(high) - above).toBeCloseTo(edge, 2);
    expect(risk(low) - above).toBeCloseTo(edge, 2);
    expect(risk(high + 6)).toBeGreaterThan(risk(high) + 0.3);
  });
});

describe('the cost of moving', () => {
  const from = (today: Partial<Situation['today']>): Situation =>
    wanting(CURRENT, { today: { ...BASE.today, ...today } });
  const cost = (today: Partial<Situation['today']>): number =>
    objective(from(today), STEADY) - expectedRisk(RIGHT, STEADY);

  it('is nothing for what was not known, and for staying', () => {
    expect(cost({})).toBe(0);
    expect(cost({ ...STEADY })).toBeCloseTo(0, 12);
  });

  it('counts volts and stick-out by their distance, wire and gas by their ratio', () => {
    // 0.0015 a volt squared: ten volts would cost 0.15.
    expect(cost({ voltageV: 15 })).toBeCloseTo(0.0375, 9);
    expect(cost({ voltageV: 25 })).toBeCloseTo(0.0375, 9);
    expect(cost({ wireSpeedMPerMin: 7.5 * Math.E })).toBeCloseTo(0.35, 9);
    expect(cost({ gasFlowLPerMin: 11 / Math.E })).toBeCloseTo(0.02, 9);
    expect(cost({ stickOutMm: 16 })).toBeCloseTo(0.04, 9);
    expect(cost({ voltageV: 15, stickOutMm: 16, wireSpeedMPerMin: 7.5 * Math.E })).toBeCloseTo(0.4275, 9);
  });

  it('takes gas from shut for free: there is no ratio to nothing', () => {
    expect(cost({ gasFlowLPerMin: 0 })).toBe(0);
  });

  it('never rewards a move: where today is the best there is, it stays the best', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -2, max: 2, noNaN: true }), (v, w) => {
        const away = { ...STEADY, voltageV: STEADY.voltageV + v, wireSpeedMPerMin: STEADY.wireSpeedMPerMin + w };
        const stay = from({ ...STEADY });
        expect(objective(stay, away)).toBeGreaterThanOrEqual(expectedRisk(stay, away));
      }),
    );
    expect(EXAMPLE_CASE.settings!.wireSpeedMPerMin).toBe(STEADY.wireSpeedMPerMin);
  });
});
