import fc from 'fast-check';
import { answer } from '../answer';
import { balanceVoltage } from '../arc/balance';
import { currentAt } from '../arc/setup';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import { outOfReach } from './reach';
import { situation, STEADY } from './testing/situation';

const BASE = situation();
const AMPS = currentAt(BASE.setup, STEADY.wireSpeedMPerMin, STEADY.stickOutMm);
type Ends = { wire?: [number, number]; volts?: [number, number] };
/** The corrected wire speed is 7.5 m/min; the plate wants a share of what that gives. */
const told = (
  wantedShare: number | null,
  { wire = [2, 7.5], volts = [12, 38] }: Ends,
  setup: object = {},
  showsCold = false,
): string[] => {
  const bounds = {
    wireSpeedMPerMin: { low: wire[0], high: wire[1], step: 0.1 },
    voltageV: { low: volts[0], high: volts[1], step: 0.1 },
    stickOutMm: { low: 7, high: 14, step: 1 },
    gasFlowLPerMin: { low: 8, high: 16, step: 0.5 },
  };
  const plateWantsA = wantedShare === null ? null : wantedShare * AMPS;
  const held = { ...BASE.setup, plateWantsA, currentAskedA: plateWantsA, ...setup };
  return outOfReach(situation({ setup: held, today: STEADY }), bounds, STEADY, showsCold);
};

describe('what cannot be reached', () => {
  it('names the machine’s wire drive where it ends before the wire does, and what makes up for the amps', () => {
    expect(told(1.3, {})).toEqual([
      `The plate wants about ${Math.round(1.3 * AMPS)} A; this machine feeds 7.5 m/min at most, which is ${Math.round(AMPS)} A. Slow down until both sides melt, the arc on the front edge of the puddle: pace makes up for amps; or thicker or tubular wire.`,
    ]);
    expect(told(1.3, { wire: [2, 7.64] })).toHaveLength(1);
  });

  it('names the wire where it carries no more', () => {
    // 7.5 m/min of 1.6 mm wire lies near the most that it carries.
    const thick = { wire: { class: 'solid-steel', diameterMm: 1.6 } };
    expect(told(5, {}, thick)[0]).toMatch(/this wire carries about 250 A in this gas/);
    const tubular = { wire: { class: 'tubular-self-shielded', diameterMm: 0.8 } };
    expect(told(2, {}, tubular)[0]).toMatch(/this wire carries about \d+ A.* or thicker wire\.$/);
  });

  it('names the position where that holds the puddle back', () => {
    const overhead: Case = { ...EXAMPLE_CASE, job: { ...EXAMPLE_CASE.job, position: 'overhead', thicknessMm: 10 } };
    const held = situation({}, overhead);
    const at = { ...STEADY, wireSpeedMPerMin: 4.2 };
    const bounds = {
      wireSpeedMPerMin: { low: 2, high: 14, step: 0.1 },
      voltageV: { low: 12, high: 38, step: 0.1 },
      stickOutMm: { low: 7, high: 14, step: 1 },
      gasFlowLPerMin: { low: 8, high: 16, step: 0.5 },
    };
    expect(outOfReach(held, bounds, at)[0]).toMatch(
      /overhead a pass of this wire holds up about 118 A\. Slow down.*turn the part and weld it flat/,
    );
  });

  it('names the volts where a machine has no more of them', () => {
    const wanted = balanceVoltage(1.4 * AMPS, BASE.setup.wire, BASE.setup.gas);
    const [note] = told(1.4, { wire: [2, 14], volts: [12, STEADY.voltageV] });
    expect(note).toContain(`this machine stops at ${STEADY.voltageV} V`);
    expect(note).toContain(`would want ${wanted.toFixed(1)} V`);
    // Half a volt short is short too: the current asked for would want it.
    let asked = AMPS;
    while (balanceVoltage(asked, BASE.setup.wire, BASE.setup.gas) < STEADY.voltageV + 0.5) asked += 0.5;
    const short: Ends = { wire: [2, 14], volts: [12, STEADY.voltageV] };
    expect(told(1.4, short, { currentAskedA: asked })[0]).toContain(`this machine stops at ${STEADY.voltageV} V`);
    // With volts enough the wire has room to go, and nothing is said.
    expect(told(1.4, { wire: [2, 14] })).toEqual([]);
  });

  it('is named for every machine whose volts end too soon: a cold bead gets more heat, or is told what stops it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 30 }), fc.integer({ min: 32, max: 56 }), (half, top) => {
        const cold: Case = {
          ...EXAMPLE_CASE,
          job: { ...EXAMPLE_CASE.job, thicknessMm: half / 2, otherThicknessMm: half / 2 },
          rig: { ...EXAMPLE_CASE.rig, range: { voltageV: { low: 12, high: top / 2, step: 0.5 } } },
          settings: { ...STEADY, voltageV: Math.min(19, top / 2) },
          findings: { 'bead-ropey': 'present', 'toe-cold-lap': 'present', 'back-no-mark': 'present' },
        };
        const { causes, correction } = answer(cold);
        fc.pre(causes[0].cause === 'heat-low' && causes[0].probability > 0.5);
        const raised = correction.after!.currentA! / correction.before!.currentA!;
        expect(raised > 1.05 || correction.outOfReach.length > 0).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('takes no wire out of a cold bead for the sake of balance where the volts end', () => {
    const findings: Case['findings'] = Object.fromEntries(
      ['bead-ropey', 'toe-cold-lap', 'back-no-mark', 'section-no-root'].map((id) => [id, 'present' as const]),
    );
    const at = (wireSpeedMPerMin: number) =>
      answer({
        format: 'jolly-tinker/case@1',
        job: { thicknessMm: 10, joint: 'fillet' },
        rig: {
          ...EXAMPLE_CASE.rig,
          range: {
            voltageV: { low: 14, high: 18, step: 0.5 },
            wireSpeedMPerMin: { low: 2, high: 9, step: 0.1 },
          },
        },
        settings: { voltageV: 18, wireSpeedMPerMin, stickOutMm: 10, gasFlowLPerMin: 12 },
        findings,
      });
    const { causes, correction } = at(6);
    expect(causes[0].cause).toBe('heat-low');
    expect(correction.settings.wireSpeedMPerMin).toBe(6);
    expect(correction.outOfReach[0]).toContain('this machine stops at 18 V');
    // Wire that is far too fast for the volts still comes out, cold or not.
    const fast = at(7.2);
    expect(fast.causes[0].cause).toBe('heat-low');
    expect(fast.correction.settings.wireSpeedMPerMin!).toBeLessThan(6.5);
  });

  it('is said of a bead that shows cold at all the current it is asked for, and what makes up for it', () => {
    const ends: Ends = { wire: [2, 14], volts: [12, STEADY.voltageV - 1] };
    expect(told(0.95, ends)).toEqual([]);
    expect(told(0.95, ends, {}, true)).toEqual([
      expect.stringMatching(
        new RegExp(
          `^The bead is cold at about ${Math.round(AMPS)} A; this machine stops at ${STEADY.voltageV - 1} V, .* Slow down until both sides melt.* or thicker or tubular wire\\.$`,
        ),
      ),
    ]);
    // Over a quiet short arc lies a zone that no bead is quiet in, and over a short arc of CO2 the drops are rough.
    const open: Ends = { wire: [2, 14] };
    expect(told(1.1, open, { currentAskedA: 0.95 * AMPS }, true)[0]).toContain('runs quietly in this gas up to about');
    expect(told(1.1, open, { currentAskedA: 0.95 * AMPS })).toEqual([]);
    expect(told(1.1, open, {}, true)).toEqual([]);
  });

  it('is the way down on plate over 5 mm, whatever its figures; uphill and sheet are not told so', () => {
    const downhill = (position: string, thinnestMm: number): boolean =>
      told(1, {}, { position, thinnestMm }).some((text) => text.startsWith('Downhill is for sheet'));
    expect(downhill('vertical-down', 6)).toBe(true);
    expect(downhill('vertical-down', 5)).toBe(false);
    expect(downhill('vertical-up', 12)).toBe(false);
    // Beside it what else is short is said as well.
    expect(told(1.3, {}, { position: 'vertical-down', thinnestMm: 8 })).toHaveLength(2);
  });

  it('is said at the bottom where the sheet stands much less', () => {
    expect(told(0.7, { wire: [7.5, 14] })).toEqual([
      `The sheet wants about ${Math.round(0.7 * AMPS)} A; this wire and machine go down to ${Math.round(AMPS)} A. Thinner wire, stitch, or a backing bar.`,
    ]);
    expect(told(0.7, { wire: [7.36, 14] })).toHaveLength(1);
  });

  it('is nothing where the wire has room to go, the current is near enough, or the plate is not known', () => {
    expect(told(1.3, { wire: [2, 8] })).toEqual([]);
    expect(told(0.7, { wire: [7, 14] })).toEqual([]);
    expect(told(1.15, {})).toEqual([]);
    expect(told(0.86, { wire: [7.5, 14] })).toEqual([]);
    expect(told(1, { wire: [7.5, 7.5] })).toEqual([]);
    expect(told(null, { wire: [7.5, 7.5] })).toEqual([]);
  });
});
