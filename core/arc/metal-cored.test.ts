import { answer, hasFigures, startAnswer } from '../answer';
import { completeMix } from '../case/gas-mix';
import { CASE_FORMAT, type Case, type Gas, type Job } from '../case/schema';
import { changedOver, changeover } from '../start/changeover';
import { wireSpeedFromCurrent } from './burn-off';
import { gasSuits, grooveWanted, polarityWanted, rollSuits } from './fit';
import { quietRanges } from './quiet-ranges';
import { sprayTransitionCurrent } from './transfer';
import type { Wire } from './wire';

const cored = (diameterMm = 1.2): Wire => ({ class: 'metal-cored', diameterMm });
const solid = (diameterMm = 1.2): Wire => ({ class: 'solid-steel', diameterMm });
const mix = (co2Pct: number): ReturnType<typeof completeMix> => completeMix({ argonPct: 100 - co2Pct, co2Pct });
const on = (job: Job, gas: Gas = { argonPct: 90, co2Pct: 10 }): Case => ({
  format: CASE_FORMAT,
  job: { baseMetal: 'mild-steel', joint: 'fillet', position: 'flat', ...job },
  rig: { process: 'gmaw', wire: cored(), gas, polarity: 'electrode-positive', nozzleBoreMm: 16 },
});

describe('metal-cored wire', () => {
  it.each([150, 200, 250, 300])('takes about 15 %% more wire per amp than solid: at %i A', (currentA) => {
    const ratio = wireSpeedFromCurrent(currentA, cored(), 12) / wireSpeedFromCurrent(currentA, solid(), 12);
    expect(ratio).toBeGreaterThan(1.12);
    expect(ratio).toBeLessThan(1.18);
  });

  it('sprays sooner than solid wire, and up to a quarter of CO2', () => {
    expect(sprayTransitionCurrent(cored(), mix(10))!).toBeLessThan(sprayTransitionCurrent(solid(), mix(10))!);
    expect(sprayTransitionCurrent(cored(), mix(25))).not.toBeNull();
    expect(sprayTransitionCurrent(solid(), mix(25))).toBeNull();
    expect(sprayTransitionCurrent(cored(), mix(100))).toBeNull();
    const { short, spray } = quietRanges(cored(), mix(10));
    expect(short!.highA).toBeLessThan(spray!.lowA);
  });

  it('wants a mix and not pure CO2, the gun on plus, and a groove that neither slips nor crushes', () => {
    const suits = (co2Pct: number): boolean => gasSuits({ wire: cored(), gas: mix(co2Pct), usesGas: true }, false);
    expect([0, 8, 18, 25, 100].map(suits)).toEqual([false, true, true, true, false]);
    expect(polarityWanted(cored())).toBe('electrode-positive');
    expect(grooveWanted(cored())).toBe('knurled');
    expect(rollSuits(cored(), { groove: 'v' })).toBe(false);
  });

  it('is pushed, in a spray on all plate that stands one, and in short arc where it cannot', () => {
    const plates: [Job, 'spray' | 'short-circuit'][] = [
      [{ thicknessMm: 6 }, 'spray'],
      [{ thicknessMm: 10 }, 'spray'],
      [{ thicknessMm: 3 }, 'short-circuit'],
      [{ thicknessMm: 10, position: 'vertical-up' }, 'short-circuit'],
    ];
    for (const [job, transfer] of plates) {
      const start = startAnswer(on(job));
      if (!hasFigures(start)) throw new Error('held');
      expect([job, start.expected.transfer]).toEqual([job, transfer]);
      expect(start.technique.gun).toBe('push');
    }
    const held = startAnswer(on({ thicknessMm: 8 }, { argonPct: 0, co2Pct: 100 }));
    expect(held.held.map(({ part }) => part)).toContain('gas');
  });

  it('leaves no slag: a bead of it is no sign of slag, nor of damp flux first', () => {
    const { causes } = answer({
      ...on({ thicknessMm: 8 }),
      settings: { voltageV: 27, wireSpeedMPerMin: 7.6, stickOutMm: 17 },
      findings: { 'holes-wormtracks': 'present' },
    });
    const ids = causes.map(({ cause }) => cause);
    expect(ids).not.toContain('gun-wrong-way');
  });

  it('has a list for changing a machine over to it', () => {
    const steps = changeover({ wire: solid(0.9) }, cored()).map(({ id }) => id);
    expect(steps).toEqual(expect.arrayContaining(['roll', 'hand']));
    expect(changedOver({ wire: solid(0.9) }, cored())).toEqual(
      expect.objectContaining({ process: 'gmaw', polarity: 'electrode-positive', wire: cored() }),
    );
  });
});
