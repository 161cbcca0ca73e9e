import fc from 'fast-check';
import { answer } from '../answer';
import { CASE_FORMAT, type Case } from '../case/schema';
import { RIGS } from '../cases/rigs';
import { nextSettings } from '../correction/next-settings';
import type { Settings } from '../setting/table';
import { ampsRead, setupByAmps } from './amps';
import { readArc } from './reading';
import { arcSetup } from './setup';

const SET: Settings = { voltageV: 18.5, wireSpeedMPerMin: 6.5, stickOutMm: 11, gasFlowLPerMin: 12 };
const on = (settings: Settings, findings: Case['findings'] = {}): Case => ({
  format: CASE_FORMAT,
  job: { thicknessMm: 4, joint: 'fillet', position: 'flat' },
  rig: RIGS.mix09,
  settings,
  findings,
});
const SETUP = arcSetup(on(SET));
/** What the laws give at those figures: some 130 A by the trade's rule of 1.6 in/min an amp for that wire. */
const LAW_A = readArc(SETUP, SET).currentA!;

describe('amps off a meter', () => {
  it('are held against what wire speed and stick-out give', () => {
    expect(LAW_A).toBeGreaterThan(125);
    expect(LAW_A).toBeLessThan(175);
    expect(ampsRead(SETUP, { ...SET, currentA: LAW_A })!.ratio).toBeCloseTo(1, 6);
    expect(ampsRead(SETUP, { ...SET, currentA: 0.8 * LAW_A })!.ratio).toBeCloseTo(0.8, 6);
    expect(ampsRead(SETUP, SET)).toBeNull();
    expect(ampsRead(SETUP, { currentA: 120 })).toBeNull();
    expect(ampsRead(arcSetup({ format: CASE_FORMAT }), { ...SET, currentA: 120 })).toBeNull();
  });

  it('bring the arc near them, never past them, and no further than a meter can be right', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.85, max: 1.15, noNaN: true }), (share) => {
        const settings = { ...SET, currentA: share * LAW_A };
        const now = readArc(setupByAmps(SETUP, settings), settings).currentA! / LAW_A;
        const [least, most] = [Math.min(1, share), Math.max(1, share)];
        expect(now).toBeGreaterThanOrEqual(least - 1e-3);
        expect(now).toBeLessThanOrEqual(most + 1e-3);
        expect(Math.abs(now - share)).toBeLessThan(0.25 * Math.abs(share - 1) + 1e-3);
      }),
    );
    const wild = { ...SET, currentA: 500 };
    expect(readArc(setupByAmps(SETUP, wild), wild).currentA! / LAW_A).toBeLessThan(1.3);
    expect(setupByAmps(SETUP, SET)).toBe(SETUP);
  });

  it('count for less on a machine that is well known', () => {
    const known = { ...SETUP, machine: { offsetV: 0, wireScale: 1, sure: { offsetSdV: 0.3, wireScaleSd: 0.02 } } };
    const settings = { ...SET, currentA: 0.85 * LAW_A };
    const read = (setup: typeof SETUP): number => readArc(setupByAmps(setup, settings), settings).currentA!;
    expect(read(known)).toBeGreaterThan(read(SETUP) + 5);
  });
});

describe('amps that do not go with the wire speed', () => {
  const chance = (currentA: number | undefined, cause: string, finding = 'bead-ropey'): number => {
    const { causes } = answer(
      on(currentA === undefined ? SET : { ...SET, currentA }, { [finding]: 'present' } as Case['findings']),
    );
    return causes.find(({ cause: id }) => id === cause)?.probability ?? 0;
  };

  it('speak for a tip further off, or for less wire than is set; more of them for a tip that is close', () => {
    expect(chance(0.8 * LAW_A, 'stickout-long')).toBeGreaterThan(1.5 * chance(undefined, 'stickout-long'));
    expect(chance(0.8 * LAW_A, 'roll-loose')).toBeGreaterThan(1.3 * chance(LAW_A, 'roll-loose'));
    expect(chance(1.2 * LAW_A, 'stickout-long')).toBeLessThan(chance(undefined, 'stickout-long'));
    const close = (share: number): number => chance(share * LAW_A, 'stickout-short', 'tip-fused');
    expect(close(1.2)).toBeGreaterThan(1.3 * close(1));
  });

  it('are said as that, with both figures; those within reach of laws and meter are not', () => {
    const notes = (share: number): string[] =>
      answer(on({ ...SET, currentA: Math.round(share * LAW_A) })).notes.map(({ text }) => text);
    expect(notes(0.75).join()).toContain(`${Math.round(0.75 * LAW_A)} A, clearly under the ${Math.round(LAW_A)} A`);
    expect(notes(1.3).join()).toContain('clearly over');
    expect(notes(0.9)).toEqual([]);
    expect(notes(1.1)).toEqual([]);
  });

  it('make a plate that is short of them cold, and its wire is turned up', () => {
    const { arc, correction } = answer(
      on({ ...SET, currentA: 0.72 * LAW_A }, { 'back-no-mark': 'present', 'bead-ropey': 'present' }),
    );
    expect(arc.currentA!).toBeLessThan(0.85 * LAW_A);
    expect(correction.settings.wireSpeedMPerMin!).toBeGreaterThan(SET.wireSpeedMPerMin! * 1.03);
  });

  it('stay with the bead they were read of', () => {
    const settings = { ...SET, currentA: 100 };
    const { correction } = answer(on(settings, { 'wire-stubs': 'present' }));
    expect(correction.settings).not.toHaveProperty('currentA');
    expect(nextSettings(settings, correction, 'one')).not.toHaveProperty('currentA');
    expect(nextSettings(settings, correction, 'all')).not.toHaveProperty('currentA');
  });
});
