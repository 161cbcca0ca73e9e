import { startAnswer } from '../answer';
import { startOn } from '../start/testing/jobs';
import { CASE_FORMAT, type Case, type Job, type Rig } from '../case/schema';
import { arcSetup } from './setup';
import { sprayTransitionCurrent } from './transfer';

const RIG: Rig = {
  process: 'gmaw',
  wire: { class: 'solid-steel', diameterMm: 1.2 },
  gas: { argonPct: 82, co2Pct: 18 },
  polarity: 'electrode-positive',
};
const on = (job: Job, rig: Rig = {}): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', thicknessMm: 10, joint: 'fillet', position: 'flat', ...job },
  rig: { ...RIG, ...rig },
});
const LEAN = { argonPct: 92, co2Pct: 8 };
const sprays = (input: Case): boolean => {
  const { currentAskedA, wire, gas } = arcSetup(input);
  return currentAskedA! > sprayTransitionCurrent(wire!, gas)!;
};

describe('heavy plate', () => {
  // What charts set with 1.2 mm wire on 10 mm flat: 82/18 at 27 to 31 V and 7.5 to 9.5 m/min, 92/8 a volt or two lower.
  it('is started in spray with the figures of charts', () => {
    const rich = startOn(on({})).settings;
    expect(rich.voltageV).toBeGreaterThan(27);
    expect(rich.voltageV).toBeLessThan(31);
    expect(rich.wireSpeedMPerMin).toBeGreaterThan(7.4);
    expect(rich.wireSpeedMPerMin).toBeLessThan(9.5);
    const lean = startOn(on({}, { gas: LEAN })).settings;
    expect(lean.voltageV).toBeLessThan(rich.voltageV! - 1);
    expect(lean.voltageV).toBeGreaterThan(25);
  });

  it('begins at 8 mm of the thinner part, and ends at an open root and out of position', () => {
    expect(sprays(on({ thicknessMm: 8 }, { gas: LEAN }))).toBe(true);
    expect(sprays(on({ thicknessMm: 7.9 }, { gas: LEAN }))).toBe(false);
    expect(sprays(on({ otherThicknessMm: 4 }))).toBe(false);
    expect(sprays(on({ joint: 'butt', gapMm: 2 }, { gas: LEAN }))).toBe(false);
    expect(sprays(on({ joint: 'butt', gapMm: 0.5 }, { gas: LEAN }))).toBe(true);
    expect(sprays(on({ joint: 'fillet', gapMm: 2 }))).toBe(true);
    for (const position of ['vertical-up', 'vertical-down', 'overhead'] as const)
      expect(sprays(on({ position }))).toBe(false);
  });

  it('of 12 mm is sprayed with 1.6 mm wire as charts do, and 6 mm gets no figure with it', () => {
    const thick: Rig = { wire: { class: 'solid-steel', diameterMm: 1.6 }, gas: { argonPct: 90, co2Pct: 10 } };
    const { settings, expected } = startOn(on({ thicknessMm: 12 }, thick));
    expect(settings.voltageV!).toBeGreaterThan(26);
    expect(settings.voltageV!).toBeLessThan(31);
    expect(settings.wireSpeedMPerMin!).toBeGreaterThan(5.2);
    expect(settings.wireSpeedMPerMin!).toBeLessThan(8.1);
    expect([expected.transfer, settings.stickOutMm! >= 18]).toEqual(['spray', true]);
    expect(startAnswer(on({ thicknessMm: 6 }, thick)).held[0].text).toMatch(
      /^Wire: 1\.6 mm runs from about \d+ A here/,
    );
  });

  it('gets the quiet short arc where the machine has no volts for a spray, and is told so', () => {
    const upTo = (high: number): Rig => ({
      wire: { class: 'solid-steel', diameterMm: 0.9 },
      range: { voltageV: { low: 14, high, step: 0.1 } },
    });
    expect(sprays(on({}, upTo(30)))).toBe(true);
    const short = startOn(on({}, upTo(23)));
    expect(short.expected.transfer).toBe('short-circuit');
    expect(short.settings.voltageV).toBeLessThan(21.5);
    expect(short.outOfReach.join(' ')).toMatch(/a spray wants 27\.\d V, which this machine does not reach\. Slow down/);
    expect(startOn(on({}, upTo(30))).outOfReach).toEqual([]);
    // A machine that shows two volts more than it gives ends two volts sooner.
    const off = arcSetup(on({}, upTo(27)), { offsetV: -2, wireScale: 1, sure: null });
    expect(off.sprayLacks).toEqual({ voltageV: expect.closeTo(27.9, 0) });
    expect(arcSetup(on({}, upTo(27))).sprayLacks).toBeNull();
    // Its own figures are told, not those of the arc.
    const taught: Case = {
      ...on({}, upTo(23)),
      experience: { machine: { offsetV: -2, wireScale: 1, sure: { offsetSdV: 0.3, wireScaleSd: 0.02 } } },
    };
    expect(startOn(taught).outOfReach.join(' ')).toMatch(/a spray wants 29\.\d V/);
    // Sheet lacks no spray, however weak the machine.
    expect(arcSetup(on({ thicknessMm: 3 }, upTo(15))).sprayLacks).toBeNull();
  });

  it('gets the quiet short arc where the wire drive ends, and is told by how much', () => {
    const feeds = (high: number): Rig => ({
      wire: { class: 'solid-steel', diameterMm: 0.9 },
      range: { wireSpeedMPerMin: { low: 2, high, step: 0.1 } },
    });
    expect(sprays(on({}, feeds(13)))).toBe(true);
    const short = startOn(on({}, feeds(8)));
    expect(short.settings.wireSpeedMPerMin).toBeLessThan(7.3);
    expect(short.outOfReach.join(' ')).toMatch(/a spray wants 1\d\.\d m\/min, which this machine does not reach/);
    // A drive that feeds a tenth less than it is set to ends a tenth sooner.
    const slow = { offsetV: 0, wireScale: 0.8, sure: null };
    expect(arcSetup(on({}, feeds(12)), slow).sprayLacks).not.toBeNull();
  });
});
