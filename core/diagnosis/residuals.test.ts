import fc from 'fast-check';
import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import { sprayTransitionCurrent } from '../arc/transfer';
import { EXAMPLE_CASE } from '../cases/example';
import { CASE_FORMAT, type Case } from '../case/schema';
import type { Settings } from '../setting/table';
import { figureWeight, MOST_WEIGHT, residualsOf, SCATTER } from './residuals';

const of = (input: Case) => {
  const setup = arcSetup(input);
  return residualsOf(input, setup, readArc(setup, input.settings ?? {}));
};
const readingOf = (input: Case) => readArc(arcSetup(input), input.settings ?? {});
const withSettings = (settings: Settings, readings: Case['readings'] = {}): Case => ({
  ...EXAMPLE_CASE,
  settings,
  readings,
});
const onRig = (rig: Case['rig'], job: Case['job'] = {}): Case => ({ format: CASE_FORMAT, rig, job });

describe('figures against the arc model', () => {
  it('are left out where a figure or what it is held against is not known', () => {
    expect(of({ format: CASE_FORMAT })).toEqual({});
    expect(Object.keys(of(withSettings({ wireSpeedMPerMin: 7 }))).sort()).toEqual([
      'gasMatch',
      'heat',
      'polarityMatch',
      'transferZone',
      'wireMatch',
    ]);
    expect(of(withSettings({ voltageV: 20 })).balance).toBeUndefined();
    const { thicknessMm: _, ...noPlate } = EXAMPLE_CASE.job!;
    expect(of({ ...EXAMPLE_CASE, job: noPlate }).heat).toBeUndefined();
  });

  it('hold volts against balance in half-widths, wider the rougher volts and wire were read', () => {
    const reading = readingOf(EXAMPLE_CASE);
    const { balance } = of(EXAMPLE_CASE);
    const half = reading.balanceHalfWidthV!;
    expect(balance!.value).toBeCloseTo(reading.voltageErrorV! / half, 12);
    // Measured: 0.7 V, and 4 % of the current at 0.05 V an amp.
    expect(balance!.spread).toBeCloseTo(Math.hypot(0.7, 0.05 * reading.currentA! * 0.04) / half, 12);
    const guessed = of({ ...EXAMPLE_CASE, readings: { voltageV: 'estimate', wireSpeedMPerMin: 'dial' } }).balance!;
    expect(guessed.spread).toBeCloseTo(Math.hypot(2.2, 0.05 * reading.currentA! * 0.12) / half, 12);
    expect(guessed.value).toBe(balance!.value);
    const pulse = of({ ...EXAMPLE_CASE, rig: { ...EXAMPLE_CASE.rig, mode: 'pulse' } }).balance!;
    expect(pulse.spread).toBeCloseTo(3 * balance!.spread, 9);
  });

  it('hold the current against the plate in steps of 18 %', () => {
    const { heatRatio } = readingOf(EXAMPLE_CASE);
    const { heat } = of(EXAMPLE_CASE);
    expect(Math.exp(0.18 * heat!.value)).toBeCloseTo(heatRatio!, 12);
    expect(heat!.spread).toBeCloseTo(Math.hypot(0.04, 0.08) / 0.18, 12);
  });

  it('measure the flow by quarters of the limit it is beyond, and say nothing inside the window', () => {
    const { low, high } = readingOf(EXAMPLE_CASE).flowWindow!;
    const flow = (gasFlowLPerMin: number) => of(withSettings({ gasFlowLPerMin })).flow!;
    expect(flow((low + high) / 2).value).toBe(0);
    expect(flow(low).value).toBeCloseTo(0, 12);
    expect(flow(0.75 * low).value).toBeCloseTo(-1, 2);
    expect(flow(1.25 * high).value).toBeCloseTo(1, 2);
    expect(flow(0).value).toBeCloseTo(-4, 9);
    expect(flow(11).spread).toBeCloseTo(0.16, 12);
    expect(of(withSettings({ gasFlowLPerMin: 11 }, { gasFlowLPerMin: 'estimate' })).flow!.spread).toBeCloseTo(0.8, 12);
  });

  it('measure stick-out by the nearer edge of its window: 10 mm in 7 to 14', () => {
    const stickOut = (stickOutMm: number) => of(withSettings({ stickOutMm })).stickOut!;
    expect(stickOut(10).value).toBe(0);
    expect(stickOut(14).value).toBe(1);
    expect(stickOut(7).value).toBe(-1);
    expect(stickOut(18).value).toBe(2);
    expect(stickOut(14).spread).toBeCloseTo((0.04 * 14) / 4, 12);
    expect(stickOut(7).spread).toBeCloseTo((0.04 * 7) / 3, 12);
  });

  it('measure the pace against that of a steady hand, the angle by 12 degrees, the arc control by a fifth', () => {
    const expected = readingOf(withSettings({ wireSpeedMPerMin: 7.5 })).expectedTravelMmPerMin!;
    const pace = (travelSpeedMmPerMin: number) =>
      of(withSettings({ wireSpeedMPerMin: 7.5, travelSpeedMmPerMin })).travel!;
    expect(pace(expected).value).toBeCloseTo(0, 9);
    expect(pace(expected * Math.exp(0.45)).value).toBeCloseTo(1, 9);
    expect(pace(300).spread).toBeCloseTo(0.04 / 0.45, 12);
    expect(of(withSettings({ travelSpeedMmPerMin: 300 })).travel).toBeUndefined();
    expect(of(withSettings({ travelAngleDeg: -24 })).push).toEqual({ value: -2, spread: 0.5 });
    expect(of(withSettings({ arcControlPct: 90 })).arcControl).toEqual({ value: 2, spread: 0.3 });
    expect(of(withSettings({ arcControlPct: 50 })).arcControl!.value).toBe(0);
  });

  it('find the zone between short arc and spray, 2 at 8 % under the transition', () => {
    const spray: Case = onRig({
      wire: { class: 'solid-steel', diameterMm: 1.2 },
      gas: { argonPct: 92, co2Pct: 8 },
    });
    const setup = arcSetup(spray);
    const transition = sprayTransitionCurrent(setup.wire!, setup.gas)!;
    const zone = (share: number) =>
      residualsOf(spray, setup, { ...readArc(setup, {}), currentA: share * transition }).transferZone!.value;
    expect(zone(0.92)).toBeCloseTo(2, 9);
    expect(zone(1)).toBeCloseTo(2 / Math.E, 9);
    expect(zone(0.84)).toBeCloseTo(2 / Math.E, 9);
    expect(zone(0.6)).toBeLessThan(0.01);
    expect(of({ ...spray, settings: { wireSpeedMPerMin: 6 } }).transferZone!.spread).toBeCloseTo(0.54, 12);
  });

  it('know no such zone in tubular wire or where the machine pulses, and the large drops of CO2 as one', () => {
    const tubular = onRig({ wire: { class: 'tubular-gas-shielded', diameterMm: 1.2 } });
    expect(of({ ...tubular, settings: { wireSpeedMPerMin: 8 } }).transferZone!.value).toBe(0);
    const pulse = onRig({ mode: 'pulse', wire: { class: 'solid-steel', diameterMm: 1.2 } });
    expect(of({ ...pulse, settings: { wireSpeedMPerMin: 8 } }).transferZone).toBeUndefined();
    const co2 = (wireSpeedMPerMin: number) =>
      of({
        ...onRig({ wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { co2Pct: 100 } }),
        settings: { wireSpeedMPerMin },
      }).transferZone!.value;
    expect(co2(4)).toBeLessThan(0.3);
    expect(co2(14)).toBeGreaterThan(1);
  });
});

describe('whether wire, gas, studs and metal suit each other', () => {
  const RIGHT = { value: -0.3, spread: 0 };
  const WRONG = { value: 2, spread: 0 };

  it.each([
    ['solid-steel', 'electrode-positive', RIGHT],
    ['solid-steel', 'electrode-negative', WRONG],
    ['tubular-gas-shielded', 'electrode-positive', RIGHT],
    ['tubular-self-shielded', 'electrode-negative', RIGHT],
    ['tubular-self-shielded', 'electrode-positive', WRONG],
  ] as const)('%s on %s', (wire, polarity, expected) => {
    expect(of(onRig({ wire: { class: wire, diameterMm: 0.9 }, polarity })).polarityMatch).toEqual(expected);
    expect(of(onRig({ wire: { class: wire, diameterMm: 0.9 } })).polarityMatch).toBeUndefined();
    expect(of(onRig({ polarity })).polarityMatch).toBeUndefined();
  });

  it.each([
    ['solid-steel', { argonPct: 82, co2Pct: 18 }, RIGHT],
    ['solid-steel', { co2Pct: 100 }, RIGHT],
    ['solid-steel', { argonPct: 100 }, WRONG],
    ['solid-aluminium', { argonPct: 100 }, RIGHT],
    ['solid-aluminium', { argonPct: 50, heliumPct: 50 }, RIGHT],
    ['solid-aluminium', { argonPct: 82, co2Pct: 18 }, WRONG],
    ['solid-stainless', { argonPct: 98, co2Pct: 2 }, RIGHT],
    ['solid-stainless', { argonPct: 94, co2Pct: 6 }, RIGHT],
    ['solid-stainless', { argonPct: 82, co2Pct: 18 }, WRONG],
    ['tubular-gas-shielded', { argonPct: 90, co2Pct: 10 }, RIGHT],
    ['tubular-gas-shielded', { argonPct: 95, co2Pct: 5 }, WRONG],
    ['solid-steel', null, WRONG],
  ] as const)('%s in %j', (wire, gas, expected) => {
    expect(of(onRig({ wire: { class: wire, diameterMm: 0.9 }, gas })).gasMatch).toEqual(expected);
  });

  it('a wire that needs no gas is not asked for any', () => {
    const selfShielded = onRig({ wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null });
    expect(of(selfShielded).gasMatch).toBeUndefined();
    expect(of(onRig({ wire: { class: 'solid-steel', diameterMm: 0.9 } })).gasMatch).toBeUndefined();
    expect(of(onRig({ gas: { argonPct: 100 } })).gasMatch).toBeUndefined();
  });

  it('wire and metal', () => {
    const aluminium = { class: 'solid-aluminium', diameterMm: 1.2 } as const;
    expect(of(onRig({ wire: aluminium }, { baseMetal: 'aluminium' })).wireMatch).toEqual(RIGHT);
    expect(of(onRig({ wire: aluminium }, { baseMetal: 'mild-steel' })).wireMatch).toEqual(WRONG);
    expect(of(onRig({ wire: aluminium })).wireMatch).toBeUndefined();
    expect(of(onRig({}, { baseMetal: 'mild-steel' })).wireMatch).toBeUndefined();
  });
});

describe('how strongly a figure speaks', () => {
  const weight = (value: number, spread: number, at = 2, otherwise?: number): number =>
    figureWeight(
      { residual: 'balance', at, because: '', ...(otherwise === undefined ? {} : { otherwise }) },
      { value, spread },
    );

  it('is the log ratio of two normal curves', () => {
    // At 1.5, about 2 or about 0, scatter 0.9 and spread 1.2: variance 2.25.
    const [there, here] = [(1.5 - 2) ** 2, 1.5 ** 2].map((square) => -square / (2 * (SCATTER ** 2 + 1.44)));
    expect(weight(1.5, 1.2)).toBeCloseTo(there - here, 12);
    const [c, d] = [(1.5 - 2) ** 2, (1.5 + 1) ** 2].map((square) => -square / (2 * (SCATTER ** 2 + 1.44)));
    expect(weight(1.5, 1.2, 2, -1)).toBeCloseTo(c - d, 12);
  });

  it('is nothing halfway, and the other way round on the other side', () => {
    expect(weight(1, 0.5)).toBe(0);
    expect(weight(0.5, 0.5)).toBe(-weight(1.5, 0.5));
    expect(weight(-3, 0.5, -2)).toBe(weight(3, 0.5, 2));
  });

  it('never falls as the figure worsens, falls with its spread, and has a limit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (x, spread) => {
          expect(weight(x + 0.5, spread)).toBeGreaterThanOrEqual(weight(x, spread));
          expect(weight(x, spread)).toBeGreaterThanOrEqual(weight(x, spread + 1));
          expect(Math.abs(weight(10 * x, spread))).toBeLessThanOrEqual(MOST_WEIGHT);
        },
      ),
    );
    expect(weight(99, 0)).toBe(MOST_WEIGHT);
    expect(weight(-99, 0)).toBe(-MOST_WEIGHT);
  });
});
