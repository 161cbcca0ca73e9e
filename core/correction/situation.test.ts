import { MAIN_SETTINGS } from '../setting/table';
import type { Case } from '../case/schema';
import { correct } from './correct';
import { freeSettings, recordedMismatches, situationOf, turnedBySchool } from './situation';
import { variant, workWith } from './testing/work';

describe('what the risk depends on in a case', () => {
  it('is read from the case once, with nothing assumed but a mid arc control and 3 mm of plate', () => {
    const found = situationOf(workWith({}, variant({ job: { gapMm: 1.5 } })), null)!;
    expect(found.today).toEqual({ voltageV: 16.5, wireSpeedMPerMin: 7.5, stickOutMm: 12, gasFlowLPerMin: 11 });
    expect(found).toEqual(expect.objectContaining({ gapShare: 0.5, travelMmPerMin: 320, arcControlPct: 50 }));
    expect(found.wrong).toEqual({ stickOutMm: 0, gasFlowLPerMin: 0 });
    const doubted = situationOf(workWith({ 'stickout-long': 0.8, 'gas-low': 0.4 }), null)!.wrong;
    expect(doubted.stickOutMm).toBeGreaterThan(0.9);
    expect(doubted.gasFlowLPerMin).toBeGreaterThan(0.5);
    const bare = situationOf(
      workWith(
        {},
        {
          ...variant({ job: { gapMm: 1.5, thicknessMm: undefined, otherThicknessMm: undefined } }),
          settings: { arcControlPct: 80 },
        },
      ),
      null,
    )!;
    expect(bare).toEqual(expect.objectContaining({ gapShare: 0.5, travelMmPerMin: null, arcControlPct: 80 }));
    expect(bare.today).toEqual({ voltageV: null, wireSpeedMPerMin: null, stickOutMm: null, gasFlowLPerMin: null });
    expect(situationOf(workWith({}, variant({ job: { gapMm: undefined } })), null)!.gapShare).toBe(0);
    expect(situationOf(workWith({}, { ...variant({}), settings: {} }), null)!.arcControlPct).toBe(50);
  });

  it('does not count a flow that a remedy sets anew: the meter has to be set again whatever it shows', () => {
    const wrongOf = (anew: Parameters<typeof situationOf>[2]) => situationOf(workWith({}), null, anew)!.wrong;
    expect(wrongOf(['gasFlowLPerMin'])).toEqual({ stickOutMm: 0, gasFlowLPerMin: 1 });
    expect(wrongOf([]).gasFlowLPerMin).toBe(0);
  });

  it('is not to be had without the wire', () => {
    expect(situationOf(workWith({}, variant({ rig: { wire: undefined } })), null)).toBeNull();
  });
});

describe('the settings that may move', () => {
  const free = (input: Case, held = false) => freeSettings(situationOf(workWith({}, input), null)!, held);

  it('are all, and those not known alone where a remedy comes first', () => {
    expect(free(variant({}))).toEqual(MAIN_SETTINGS);
    expect(free(variant({}), true)).toEqual([]);
    const unknown = variant({ settings: { voltageV: undefined, stickOutMm: undefined } });
    expect(free(unknown, true)).toEqual(['voltageV', 'stickOutMm']);
  });

  it('are never the volts of a pulsing machine, nor gas where none is used', () => {
    expect(free(variant({ rig: { mode: 'pulse' } }))).not.toContain('voltageV');
    expect(free(variant({ rig: { nozzleBoreMm: undefined } }))).toContain('gasFlowLPerMin');
    const selfShielded = { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null };
    expect(free(variant({ rig: selfShielded }))).not.toContain('gasFlowLPerMin');
  });
});

describe('the school of the welder', () => {
  it('turns volts or wire, and by heat neither for its own sake', () => {
    const turned = (imbalance?: string) => turnedBySchool(variant({ preferences: { imbalance } }));
    expect([turned('volts'), turned('wire'), turned('by-heat'), turned()]).toEqual(['volts', 'wire', null, null]);
  });
});

describe('what the record itself shows', () => {
  it('is the wrong pole, gas or wire', () => {
    const of = (residuals: object) => recordedMismatches({ residuals } as never);
    expect(of({})).toEqual([]);
    expect(of({ polarityMatch: { value: -0.3, spread: 0 }, gasMatch: { value: 2, spread: 0 } })).toEqual(['gas-wrong']);
    expect(of({ polarityMatch: { value: 2, spread: 0 }, wireMatch: { value: 2, spread: 0 } })).toEqual([
      'polarity-wrong',
      'wire-wrong',
    ]);
  });
});

describe('a remedy', () => {
  const first = (chance: number) => {
    const { engine, input, diagnosis } = workWith({ 'nozzle-blocked': chance });
    return correct(engine, input, diagnosis).correction.moves[0];
  };

  it('comes first from a chance of 0.3 on, and under it not at all', () => {
    expect(first(0.35)).toEqual(expect.objectContaining({ kind: 'remedy', cause: 'nozzle-blocked', seen: false }));
    expect(first(0.25)?.kind).not.toBe('remedy');
  });
});
