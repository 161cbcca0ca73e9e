import { startOn } from './testing/jobs';
import fc from 'fast-check';
import type { Case } from '../case/schema';
import { CASE_FORMAT } from '../case/terms';
import { RIGS } from '../cases/rigs';
import { jobTakes, stockNotes, stockOf, wireKgPerMinute } from './stock';

const WIRE = { class: 'solid-steel', diameterMm: 0.9 } as const;
const AT = '2026-05-04T10:00:00.000Z';

describe('what a rig still has', () => {
  it('is what was read less what its beads took, and never under nothing', () => {
    const rig = {
      spool: { fullKg: 15, leftKg: 4, at: AT },
      cylinder: { kind: 'compressed', volumeL: 20, pressureBar: 105, at: AT },
    } as const;
    expect(stockOf(rig, { spool: 1.5, cylinder: 400 })).toEqual({ wireKg: 2.5, gasL: 1600 });
    expect(stockOf(rig, { spool: null, cylinder: null })).toEqual({ wireKg: 4, gasL: 2000 });
    expect(stockOf(rig, { spool: 9, cylinder: 9000 })).toEqual({ wireKg: 0, gasL: 0 });
    const co2 = { cylinder: { kind: 'liquid-co2', contentKg: 10 } } as const;
    expect(stockOf(co2, { spool: null, cylinder: null }).gasL).toBeCloseTo(5470, 0);
  });

  it('is not known where nobody read it', () => {
    const nothing = { spool: 2, cylinder: 20 };
    expect(stockOf({}, nothing)).toEqual({ wireKg: null, gasL: null });
    expect(stockOf({ spool: { fullKg: 15 }, cylinder: { kind: 'compressed', volumeL: 20 } }, nothing)).toEqual({
      wireKg: null,
      gasL: null,
    });
    expect(stockOf({ cylinder: { kind: 'liquid-co2' } }, nothing).gasL).toBeNull();
  });
});

describe('what a weld takes', () => {
  it('is 35 g of 0.9 mm steel a minute at 7 m/min, by its weight of 5 g a metre', () => {
    expect(wireKgPerMinute(7, WIRE)).toBeCloseTo(7 * 0.005, 3);
    expect(wireKgPerMinute(7, { class: 'solid-aluminium', diameterMm: 0.9 })).toBeLessThan(
      0.4 * wireKgPerMinute(7, WIRE),
    );
  });

  it('is the wire and the gas of every pass, with what goes beside it', () => {
    const run = { settings: { wireSpeedMPerMin: 7, gasFlowLPerMin: 12 }, travelMmPerMin: 350 };
    const { wireKg, gasL } = jobTakes(3500, WIRE, [run]);
    expect(wireKg).toBeCloseTo(1.1 * 0.35, 2);
    expect(gasL).toBeCloseTo(10 * 12 * 1.15, 6);
    expect(jobTakes(3500, WIRE, [run, run])).toEqual({ wireKg: 2 * wireKg, gasL: 2 * gasL });
  });

  const input: Case = {
    format: CASE_FORMAT,
    job: { thicknessMm: 6, joint: 'fillet', lengthMm: 6000 },
    rig: RIGS.mix09,
  };
  const { settings, passes, technique } = startOn(input);
  const runs = passes.map((pass) => ({
    settings: { ...settings, ...pass.settings },
    travelMmPerMin: technique.travelSpeedMmPerMin,
  }));
  const needs = jobTakes(6000, WIRE, runs);

  it('is said where spool or cylinder will not last for it, and only there', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }), (w, g) => {
        const notes = stockNotes(input, { wireKg: w * needs.wireKg, gasL: g * needs.gasL }, runs);
        expect(notes.some((note) => note.startsWith('The spool has'))).toBe(w < 1);
        expect(notes.some((note) => note.startsWith('The cylinder has'))).toBe(g < 1);
      }),
    );
    expect(stockNotes(input, { wireKg: null, gasL: null }, runs)).toEqual([]);
    expect(stockNotes({ ...input, job: {} }, { wireKg: 0, gasL: 0 }, runs)).toEqual([]);
    expect(stockNotes({ ...input, rig: {} }, { wireKg: 0, gasL: 0 }, runs)).toEqual([]);
  });

  it('is said in figures that a hand can weigh', () => {
    const [spool, cylinder] = stockNotes(input, { wireKg: 0.2, gasL: 40 }, runs);
    expect(spool).toMatch(/^The spool has about 0\.2 kg left, this weld takes about [\d.]+ kg: /);
    expect(cylinder).toMatch(/^The cylinder has about 40 L left, this weld takes about \d+ L: /);
  });
});
