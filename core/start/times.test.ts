import { startOn } from './testing/jobs';
import { arcSetup } from '../arc/setup';
import { CONTROLS, type Case, type Control } from '../case/schema';
import { EXAMPLE_CASE } from '../cases/example';
import { slopeFor, timesFor } from './times';

const SETUP = arcSetup(EXAMPLE_CASE);
const RUN = { currentA: 170, wireSpeedMPerMin: 7.5, stitched: false };
const without = (...missing: Control[]) =>
  timesFor(
    SETUP,
    RUN,
    CONTROLS.filter((control) => !missing.includes(control)),
  );
const NO_GAS: Case = {
  ...EXAMPLE_CASE,
  rig: { ...EXAMPLE_CASE.rig, wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null },
};

describe('start and end of the arc', () => {
  it('have all their figures where it is not known what a machine lets be set, inside the windows of the trade', () => {
    const times = timesFor(SETUP, RUN);
    expect(times).toEqual(timesFor(SETUP, RUN, CONTROLS));
    expect(times.byHand).toEqual([]);
    expect(times.preFlowS).toBe(0.3);
    // 1 to 3 s over 60 to 280 A: half way at 170 A.
    expect(times.postFlowS).toBe(2);
    expect(times.runInMPerMin).toBe(3);
    // 0.8 to 1.2 mm, 0.1 to 0.2 s: a quarter of the way at 0.9 mm.
    expect(times.burnBackS).toBeCloseTo(0.13, 2);
    expect(times.trigger).toBe('4T');
  });

  it.each([
    ['pre-flow', 'preFlowS', /gun clear of work and hands, to fill it with gas/],
    ['post-flow', 'postFlowS', /nozzle over the crater/],
    ['burn-back', 'burnBackS', /draw the gun back/],
    ['run-in', 'runInMPerMin', /short stick-out/],
  ] as const)('without %s lose that figure alone, and say what the hand does', (control, field, words) => {
    const { byHand, ...times } = without(control);
    const { byHand: _, ...all } = timesFor(SETUP, RUN);
    expect(times).toEqual({ ...all, [field]: null });
    expect(byHand).toEqual([expect.stringMatching(words)]);
  });

  it('fill the crater by hand, and hold the trigger, where the machine does neither', () => {
    expect(without().crater).toContain('Crater fill');
    expect(without('crater-fill').crater).toMatch(/^A step back/);
    const aluminium = arcSetup({ ...EXAMPLE_CASE, job: { ...EXAMPLE_CASE.job, baseMetal: 'aluminium' } });
    expect(timesFor(aluminium, RUN, []).crater).toMatch(/cracks from its crater: turn back/);
    expect(timesFor(aluminium, RUN).crater).toContain('crater fill, or turn back');
    expect(without('four-step').trigger).toBe('2T');
    expect(without('four-step').byHand).toEqual([]);
  });

  it('do not miss gas timers on a wire without gas', () => {
    const times = timesFor(arcSetup(NO_GAS), RUN, []);
    expect([times.preFlowS, times.postFlowS]).toEqual([null, null]);
    expect(times.byHand.join(' ')).not.toMatch(/gas|flow/);
    expect(times.byHand).toHaveLength(2);
  });
});

describe('a tap for the slope', () => {
  it('is steep for a soft short arc, flat for a stiff one and for spray, and not spoken of where there is none', () => {
    expect(slopeFor(50, false, ['slope'])).toBe('steep');
    expect(slopeFor(35, false, ['slope'])).toBe('flat');
    expect(slopeFor(50, true, ['slope'])).toBe('flat');
    expect(slopeFor(50, false, ['burn-back'])).toBeNull();
    expect(slopeFor(50, false, undefined)).toBeNull();
  });

  it('stands in what a job is started with, but not in pulse', () => {
    const on = (rig: object) => startOn({ ...EXAMPLE_CASE, rig: { ...EXAMPLE_CASE.rig, ...rig } as Case['rig'] });
    expect(on({ controls: ['slope'] }).slope).toBe('steep');
    expect(on({}).slope).toBeNull();
    expect(on({ controls: ['slope'], mode: 'pulse' }).slope).toBeNull();
  });
});
