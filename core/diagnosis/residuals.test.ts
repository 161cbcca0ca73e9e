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
      'gap',
      'gasMatch',
      'heat',
      'heatOfPair',
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
    // Measured: 0.5 V; 4 % of the wire and 10 % of its law, at 0.05 V an amp; 0.4 V that the offset of short circuit is good for.
    const spread = (volts: number, wire: number): number =>
      Math.hypot(volts, 0.05 * reading.currentA! * Math.hypot(wire, 0.1), 0.4) / half;
    expect(balance!.spread).toBeCloseTo(spread(0.5, 0.04), 1);
    const guessed = of({ ...EXAMPLE_CASE, readings: { voltageV: 'estimate', wireSpeedMPerMin: 'dial' } }).balance!;
    expect(guessed.spread).toBeCloseTo(spread(2.1, 0.12), 1);
    expect(guessed.value).toBe(balance!.value);
    const pulse = of({ ...EXAMPLE_CASE, rig: { ...EXAMPLE_CASE.rig, mode: 'pulse' } }).balance!;
    expect(pulse.spread).toBeCloseTo(3 * balance!.spread, 9);
  });

  it('that were read off a knob are as sure as the pairs it was taken down with', () => {
    const by = (source: 'meter' | 'plate' | undefined, reading: 'dial' | 'digital' = 'dial') => {
      const points = [12, 30].map((value) => ({ mark: value - 10, value, ...(source && { by: source }) }));
      const rig = { ...EXAMPLE_CASE.rig, dials: { voltageV: { step: 0.5, points } } };
      return of({ ...EXAMPLE_CASE, rig, readings: { voltageV: reading } }).balance!.spread;
    };
    // Pairs that do not say how they were got leave a knob as it always was; a meter's bring it near a meter.
    expect(by(undefined)).toBeCloseTo(of({ ...EXAMPLE_CASE, readings: { voltageV: 'dial' } }).balance!.spread, 9);
    expect(by('meter')).toBeLessThan(0.8 * by(undefined));
    expect(by('plate')).toBeGreaterThan(1.2 * by('meter'));
    expect(by('plate', 'digital')).toBe(of(EXAMPLE_CASE).balance!.spread);
    // However close its pairs lie, a knob is no surer than the meter they were read on.
    const near = [16.4, 16.6].map((value) => ({ mark: 10 * value, value, by: 'meter' as const }));
    const fine = { ...EXAMPLE_CASE.rig, dials: { voltageV: { step: 0.1, points: near } } };
    expect(of({ ...EXAMPLE_CASE, rig: fine, readings: { voltageV: 'dial' } }).balance!.spread).toBe(
      of(EXAMPLE_CASE).balance!.spread,
    );
    const wire = (source?: 'run-out') => {
      const points = [2, 12].map((value) => ({ mark: value, value, ...(source && { by: source }) }));
      const rig = { ...EXAMPLE_CASE.rig, dials: { wireSpeedMPerMin: { step: 0.1, points } } };
      return of({ ...EXAMPLE_CASE, rig, readings: { wireSpeedMPerMin: 'dial' } }).heat!.spread;
    };
    expect(wire('run-out')).toBeLessThan(0.9 * wire());
  });

  it('hold the current against the plate in steps of 18 %, and say nothing inside its window', () => {
    const heat = (wireSpeedMPerMin: number) => {
      const input = withSettings({ wireSpeedMPerMin, stickOutMm: 10 });
      const { currentA, currentWantedA } = readingOf(input);
      return { ratio: currentA! / currentWantedA!, ...of(input).heat! };
    };
    for (const speed of [7, 8, 9]) expect(heat(speed).value).toBe(0);
    const cold = heat(3);
    expect(cold.ratio).toBeLessThan(0.7);
    // The plate wants 199 A and is asked for a quiet 168: the window begins 0.8 of that.
    const asked = arcSetup(EXAMPLE_CASE).currentAskedA! / arcSetup(EXAMPLE_CASE).currentWantedA!;
    expect(Math.exp(0.18 * cold.value)).toBeCloseTo(cold.ratio / (0.8 * asked), 6);
    const hot = heat(14);
    expect(Math.exp(0.18 * hot.value)).toBeCloseTo(hot.ratio / 1.25, 6);
    // 4 % of the wire, 10 % of its law, 15 % of the plate's.
    expect(cold.spread).toBeCloseTo(Math.hypot(0.04, 0.1, 0.15) / 0.18, 12);
    // A meter for the amps says more of the current than wire speed and laws: 5 % in place of their 11.
    expect(of(withSettings({ wireSpeedMPerMin: 3, currentA: 90 })).heat!.spread).toBeCloseTo(
      Math.hypot(0.05, 0.15) / 0.18,
      12,
    );
  });

  it('tell by heat which of volts and wire is wrong, and nothing where they are in balance', () => {
    const pair = (voltageV: number, wireSpeedMPerMin: number): number =>
      of(withSettings({ voltageV, wireSpeedMPerMin, stickOutMm: 10 })).heatOfPair!.value;
    const { balancedVoltageV } = readingOf(withSettings({ wireSpeedMPerMin: 7, stickOutMm: 10 }));
    expect(pair(balancedVoltageV!, 7)).toBeCloseTo(0, 1);
    const cold = readingOf(withSettings({ wireSpeedMPerMin: 3, stickOutMm: 10 })).balancedVoltageV!;
    expect(Math.abs(pair(cold, 3))).toBeLessThan(0.1);
    // Seven metres suit the plate: volts are what is off. Fourteen do not: the wire is.
    expect(pair(16, 7)).toBeLessThan(-0.5);
    expect(pair(19.5, 14)).toBeGreaterThan(0.5);
    const hot = of(withSettings({ wireSpeedMPerMin: 20, stickOutMm: 10 })).heatOfPair!;
    expect(hot.value).toBeLessThanOrEqual(1);
  });

  it('judge volts and heat as if a tip that no transfer wants were put right: one fault, not three', () => {
    const at = (stickOutMm: number) => of(withSettings({ voltageV: 19, wireSpeedMPerMin: 6, stickOutMm }));
    expect(at(32).balance!.value).toBeCloseTo(at(20).balance!.value, 1);
    expect(at(32).heat!.value).toBeCloseTo(at(20).heat!.value, 1);
    expect(at(32).stickOut!.value).toBeGreaterThan(at(20).stickOut!.value + 2);
    expect(at(12).balance!.value).not.toBeCloseTo(at(20).balance!.value, 1);
  });

  it('measure the flow by quarters of the limit it is beyond, and say nothing inside the window', () => {
    const { low: least, high } = readingOf(EXAMPLE_CASE).flowWindow!;
    // Thin cover counts from 15 % over the least, which is as far as that may be off.
    const low = 1.15 * least;
    const flow = (gasFlowLPerMin: number) => of(withSettings({ gasFlowLPerMin })).flow!;
    expect(flow((low + high) / 2).value).toBe(0);
    expect(flow(low).value).toBeCloseTo(0, 12);
    expect(flow(0.75 * low).value).toBeCloseTo(-1, 2);
    expect(flow(1.25 * high).value).toBeCloseTo(1, 2);
    expect(flow(0).value).toBeCloseTo(-4, 9);
    // Inside by the figure alone: 4 % or 20 % of it. Beyond a limit by what its law is good for as well.
    expect(flow(11).spread).toBeCloseTo(0.16, 12);
    expect(of(withSettings({ gasFlowLPerMin: 11 }, { gasFlowLPerMin: 'estimate' })).flow!.spread).toBeCloseTo(0.8, 12);
    expect(flow(0.5 * low).spread).toBeCloseTo(Math.hypot(0.04, 0.15) / 0.25, 12);
    expect(flow(2 * high).spread).toBeCloseTo(Math.hypot(0.04, 0.1) / 0.25, 12);
  });

  it('measure stick-out by the nearer edge of its window: 10 mm in 7 to 14', () => {
    // Four metres of wire are a short arc at any distance.
    const stickOut = (stickOutMm: number) => of(withSettings({ stickOutMm, wireSpeedMPerMin: 4 })).stickOut!;
    expect(stickOut(10).value).toBeCloseTo(0, 2);
    expect(stickOut(14).value).toBeCloseTo(1, 2);
    expect(stickOut(7).value).toBeCloseTo(-1, 2);
    expect(stickOut(18).value).toBeCloseTo(2, 2);
    expect(stickOut(14).spread).toBeCloseTo((0.04 * 14) / 4, 3);
    expect(stickOut(7).spread).toBeCloseTo((0.04 * 7) / 3, 3);
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

  it('find the zone between short arc and spray, 2 just under the transition and little at its ends', () => {
    const spray: Case = onRig({
      wire: { class: 'solid-steel', diameterMm: 1.2 },
      gas: { argonPct: 92, co2Pct: 8 },
    });
    const setup = arcSetup(spray);
    const transition = sprayTransitionCurrent(setup.wire!, setup.gas)!;
    const zone = (share: number, off: number | null = null) =>
      residualsOf(spray, setup, {
        ...{ ...readArc(setup, {}), currentA: share * transition },
        ...(off === null ? {} : { voltageErrorV: off, balanceHalfWidthV: 1 }),
      }).transferZone!.value;
    expect(zone(0.97)).toBeCloseTo(2, 9);
    // Where a quiet short arc ends and a quiet spray begins.
    for (const end of [0.85, 1.12]) {
      expect(zone(end)).toBeGreaterThan(0.2);
      expect(zone(end)).toBeLessThan(0.8);
    }
    expect(zone(0.6)).toBeLessThan(0.01);
    // A long arc throws its big drops from less current on, a short one from no less.
    expect(zone(0.83, 3)).toBeGreaterThan(1.5);
    expect(zone(0.83, -3)).toBe(zone(0.83));
    expect(zone(0.6, 10)).toBeLessThan(0.4);
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
