import fc from 'fast-check';
import { completeMix } from '../case/gas-mix';
import { CASE_FORMAT, type Case, type Rig } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import type { Settings } from '../setting/table';
import { heatInput } from './heat';
import { flowWindowOf, readArc } from './reading';
import { usualStickOut } from './stick-out';
import { arcSetup, currentAt, electrodeExtension, wireSpeedAt, withWire, type WireSetup } from './setup';
import { expectedTravel } from './pace';
import type { Wire } from './wire';

const MIX = completeMix({ co2Pct: 18 });
const SPRAY_MIX = completeMix({ co2Pct: 8 });
const CO2 = completeMix({ argonPct: 0, co2Pct: 100 });
const STEEL: Wire = { class: 'solid-steel', diameterMm: 0.9 };
const TUBULAR: Wire = { class: 'tubular-gas-shielded', diameterMm: 1.2 };
const setupOf = (change: Partial<Case> = {}): WireSetup =>
  withWire(arcSetup({ format: CASE_FORMAT, rig: EXAMPLE_CASE.rig, job: EXAMPLE_CASE.job, ...change }))!;
const SETTINGS: Settings = EXAMPLE_CASE.settings!;

describe('the surroundings of an arc', () => {
  it('take the usual mix of the wire where none is stated, and say so', () => {
    const bare = (wireClass: Wire['class']) =>
      arcSetup({ format: CASE_FORMAT, rig: { wire: { class: wireClass, diameterMm: 1.2 } } });
    expect(bare('solid-steel')).toEqual(
      expect.objectContaining({ gas: MIX, gasKnown: false, usesGas: true, baseMetal: 'mild-steel' }),
    );
    expect(bare('solid-aluminium')).toEqual(expect.objectContaining({ gas: completeMix({}), baseMetal: 'aluminium' }));
    expect(bare('solid-stainless').baseMetal).toBe('stainless');
    expect(bare('tubular-self-shielded').usesGas).toBe(false);
    expect(arcSetup({ format: CASE_FORMAT, rig: { process: 'fcaw-self-shielded', gas: null } })).toEqual(
      expect.objectContaining({ usesGas: false, gasKnown: true, wire: null }),
    );
    expect(arcSetup({ format: CASE_FORMAT, rig: { wire: { class: 'solid-steel' } } }).wire).toBeNull();
    expect(withWire(arcSetup({ format: CASE_FORMAT }))).toBeNull();
  });

  it('are what the case states', () => {
    const stated = setupOf({
      rig: { ...EXAMPLE_CASE.rig, mode: 'pulse' },
      job: { ...EXAMPLE_CASE.job, draught: 'windy', baseMetal: 'stainless' },
      preferences: { gasFlow: 'lean', stickOut: 'tight' },
    });
    expect(stated).toEqual(
      expect.objectContaining({
        pulse: true,
        draught: 'windy',
        baseMetal: 'stainless',
        joint: 'fillet',
        boreMm: 13,
        flowSchool: 'lean',
        thinnestMm: 3,
      }),
    );
    expect(stated.tightStickOut).toBe(true);
    expect(usualStickOut(setupOf({ preferences: { stickOut: 'tight' } }), 100)).toEqual({
      low: expect.closeTo(6, 3),
      wanted: expect.closeTo(8, 3),
      high: expect.closeTo(11, 3),
    });
    expect(usualStickOut(setupOf(), 100)).toEqual({
      low: expect.closeTo(7, 3),
      wanted: expect.closeTo(10, 3),
      high: expect.closeTo(14, 3),
    });
    expect(setupOf().pulse).toBe(false);
    expect(setupOf({ job: { thicknessMm: 6, otherThicknessMm: 2 } }).thinnestMm).toBe(2);
    expect(setupOf({ job: {} })).toEqual(expect.objectContaining({ thinnestMm: null, currentWantedA: null }));
    const stickOut = (wireClass: Wire['class'], diameterMm: number, gas: object) =>
      usualStickOut(setupOf({ rig: { wire: { class: wireClass, diameterMm }, gas } }), null).wanted;
    expect(stickOut('tubular-gas-shielded', 1.2, MIX)).toBe(16);
    expect(stickOut('solid-aluminium', 0.9, completeMix({}))).toBe(14);
    expect(stickOut('tubular-self-shielded', 0.9, MIX)).toBe(14);
    expect(stickOut('tubular-self-shielded', 1.6, MIX)).toBeGreaterThan(20);
  });

  it('have a stick-out that goes with the transfer, whatever the wire, and smoothly', () => {
    const of = (diameterMm: number, currentA: number, gas: object = SPRAY_MIX) =>
      usualStickOut(setupOf({ rig: { wire: { class: 'solid-steel', diameterMm }, gas } }), currentA);
    for (const diameterMm of [0.8, 0.9, 1.0, 1.2]) {
      expect(of(diameterMm, 100).wanted).toBeCloseTo(10, 0);
      const spray = of(diameterMm, 330);
      expect(spray.wanted).toBeGreaterThan(14.99);
      expect(spray.high).toBeGreaterThan(19.99);
    }
    expect(of(1.2, 330).low).toBeCloseTo(14, 1);
    for (let amps = 100; amps < 330; amps++) expect(of(1.2, amps + 1).wanted - of(1.2, amps).wanted).toBeLessThan(0.3);
    // Pulse throws its drops as spray does.
    const pulse = setupOf({ rig: { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas: SPRAY_MIX, mode: 'pulse' } });
    expect(usualStickOut(pulse, 100).wanted).toBeCloseTo(17, 6);
    const tight = setupOf({ rig: { wire: STEEL, gas: SPRAY_MIX }, preferences: { stickOut: 'tight' } });
    expect(usualStickOut(tight, 330).wanted).toBeLessThan(of(0.9, 330).wanted);
  });

  it('know what the plate wants, what wire and position carry of it, and what is proposed', () => {
    const of = (job: object, rig: object = { wire: STEEL, gas: MIX }) => setupOf({ job, rig });
    const plate = { thicknessMm: 12, joint: 'fillet', baseMetal: 'mild-steel' };
    const overhead = of({ ...plate, position: 'overhead' });
    expect(overhead.ceiling).toEqual({ currentA: expect.closeTo(117.7, 6), by: 'position' });
    expect(overhead.plateWantsA).toBeGreaterThan(200);
    expect([overhead.currentWantedA, overhead.currentAskedA]).toEqual([
      ...[expect.closeTo(117.7, 6), expect.closeTo(117.7, 6)],
    ]);
    // 0.9 mm in 82/18 turns to spray at 198 A: a plate that wants about that is asked for a quiet short arc.
    const near = of({ ...plate, thicknessMm: 5.5 });
    expect(near.currentWantedA).toBeCloseTo(near.plateWantsA!, 9);
    expect(near.currentAskedA! / near.currentWantedA!).toBeLessThan(0.9);
    expect(of({ ...plate, thicknessMm: 5.5 }, { wire: STEEL, gas: MIX, mode: 'pulse' }).currentAskedA).toBeCloseTo(
      near.currentWantedA!,
      9,
    );
  });

  it('propose no more than wire and position carry, on every plate, wire and gas', () => {
    for (const diameterMm of [0.6, 0.8, 0.9, 1.0, 1.2, 1.6])
      for (const co2Pct of [2, 5, 10, 15, 18])
        for (const thicknessMm of [1, 3, 5, 8, 20]) {
          const wire: Wire = { class: 'solid-steel', diameterMm };
          const { currentAskedA, ceiling } = setupOf({
            job: { thicknessMm },
            rig: { wire, gas: completeMix({ co2Pct }) },
          });
          expect(currentAskedA).toBeLessThanOrEqual(ceiling!.currentA);
        }
  });

  it('give back the wire speed of a current', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 8, max: 20, noNaN: true }),
        fc.constantFrom(MIX, SPRAY_MIX, CO2),
        (current, stickOut, gas) => {
          const setup = setupOf({ rig: { wire: { class: 'solid-steel', diameterMm: 1.2 }, gas } });
          // In short arc, in spray and all through the transition between them.
          expect(currentAt(setup, wireSpeedAt(setup, current, stickOut), stickOut)).toBeCloseTo(current, 1);
        },
      ),
      { numRuns: 300 },
    );
    expect(electrodeExtension(12, 0)).toBe(10);
    expect(electrodeExtension(12, 1)).toBe(7);
    expect(electrodeExtension(2, 1)).toBe(1);
  });

  it('ask a pace that lays 2 mm of leg and 0.9 mm per mm of the thinner part', () => {
    // 0.9 mm at 7 m/min: 4231 mm^3/min in the joint; a leg of 4.7 mm is 11.05 mm^2.
    expect(expectedTravel(setupOf(), 7)).toBeCloseTo(383, 0);
    const onPlate = (thicknessMm: number, speed = 7): number =>
      expectedTravel(setupOf({ job: { thicknessMm } }), speed);
    // From 6 mm on it grows no more, and nobody goes slower than the position holds.
    expect(onPlate(6, 12)).toBeCloseTo(onPlate(8, 12), 9);
    expect(onPlate(1)).toBeGreaterThan(onPlate(2));
    expect(expectedTravel(setupOf({ job: {} }), 7)).toBeCloseTo(383, 0);
    // A horizontal pass holds up 6 mm where the plate would have 7.4.
    const leg = (position: 'flat' | 'horizontal'): number =>
      setupOf({ job: { thicknessMm: 6, joint: 'fillet', position } }).passLegMm;
    expect(leg('flat')).toBeCloseTo(7.4, 9);
    expect(leg('horizontal')).toBe(6);
    expect(onPlate(0.6, 20)).toBeCloseTo(800, 6);
    expect(onPlate(12, 1)).toBeCloseTo(200, 6);
  });
});

describe('a reading', () => {
  it('leaves unknown just what cannot be known', () => {
    const known = (change: Partial<Settings>) => {
      const reading = readArc(setupOf(), { ...SETTINGS, ...change });
      return Object.entries(reading).flatMap(([key, value]) => (value === null ? [key] : []));
    };
    expect(known({})).toEqual([]);
    expect(known({ voltageV: undefined })).toEqual(['voltageErrorV', 'arcLengthMm']);
    expect(known({ travelSpeedMmPerMin: undefined }).sort()).toEqual([
      'areaMm2',
      'heatInputKJPerMm',
      'legMm',
      'penetrationMm',
    ]);
    expect(known({ wireSpeedMPerMin: undefined })).toEqual(
      expect.arrayContaining(['currentA', 'balancedVoltageV', 'legMm', 'heatRatio', 'transfer']),
    );
    const noWire = readArc(arcSetup({ format: CASE_FORMAT, rig: { nozzleBoreMm: 13 } }), SETTINGS);
    expect([noWire.currentA, noWire.areaMm2, noWire.heatInputKJPerMm]).toEqual([null, null, null]);
    expect(noWire.flowWindow).not.toBeNull();
  });

  it('is in balance where the volts are not known, and usual in stick-out and angle', () => {
    const balanced = readArc(setupOf(), { ...SETTINGS, voltageV: undefined });
    expect(balanced.heatInputKJPerMm).toBeCloseTo(heatInput(balanced.balancedVoltageV!, balanced.currentA!, 320), 9);
    const stated = readArc(setupOf(), SETTINGS);
    expect(stated.heatInputKJPerMm).toBeCloseTo(heatInput(16.5, stated.currentA!, 320), 9);
    expect(readArc(setupOf(), { ...SETTINGS, stickOutMm: undefined }).currentA).toBe(
      readArc(setupOf(), { ...SETTINGS, stickOutMm: usualStickOut(setupOf(), null).wanted }).currentA,
    );
    expect(readArc(setupOf(), { ...SETTINGS, travelAngleDeg: undefined }).penetrationMm).toBe(
      readArc(setupOf(), { ...SETTINGS, travelAngleDeg: 10 }).penetrationMm,
    );
  });

  it('of a pulsing machine is pulse, but for tubular wire', () => {
    const mode = (rig: Case['rig']) => readArc(setupOf({ rig: { ...rig, mode: 'pulse' } }), SETTINGS).transfer;
    expect(mode(EXAMPLE_CASE.rig)).toBe('pulse');
    expect(mode({ wire: TUBULAR, gas: MIX })).toBe('tubular');
    expect(readArc(setupOf(), SETTINGS).transfer).toBe('short-circuit');
  });

  it('wants no flow where there is no gas, and takes the usual nozzle where none is said', () => {
    expect(
      flowWindowOf(
        setupOf({ rig: { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, nozzleBoreMm: 13 } }),
        12,
        150,
      ),
    ).toBeNull();
    const usual = setupOf({ rig: { wire: STEEL } });
    expect([usual.boreMm, usual.boreKnown]).toEqual([13, false]);
    expect(flowWindowOf(usual, 12, 150)!.wanted).toBeCloseTo(11.05, 2);
    const boreOf = (wire: object) => setupOf({ rig: { wire } as Rig }).boreMm;
    expect(boreOf({ class: 'solid-steel', diameterMm: 1.2 })).toBe(16);
    expect(boreOf({ class: 'solid-aluminium', diameterMm: 1.0 })).toBe(16);
    expect(flowWindowOf(setupOf(), 12, 100)!.wanted).toBeCloseTo(11.05, 2);
  });
});
