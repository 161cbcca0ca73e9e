import { MAIN_SETTINGS } from '../setting/table';
import { withFewestTurns } from './fewest-turns';
import { objective } from './objective';
import { freeSettings, heldBySchool, settled, situationOf } from './situation';
import { situation, STEADY } from './testing/situation';
import { variant, workWith } from './testing/work';

describe('what the risk depends on in a case', () => {
  it('is read from the case once, with nothing assumed but a mid arc control and 3 mm of plate', () => {
    const found = situationOf(workWith({}, variant({ job: { gapMm: 1.5 } })))!;
    expect(found.today).toEqual({ voltageV: 16.5, wireSpeedMPerMin: 7.5, stickOutMm: 12, gasFlowLPerMin: 11 });
    expect(found).toEqual(expect.objectContaining({ gapShare: 0.5, travelMmPerMin: 320, arcControlPct: 50 }));
    expect(found.flowWindow).not.toBeNull();
    const bare = situationOf(
      workWith(
        {},
        {
          ...variant({ job: { gapMm: 1.5, thicknessMm: undefined, otherThicknessMm: undefined } }),
          settings: { arcControlPct: 80 },
        },
      ),
    )!;
    expect(bare).toEqual(expect.objectContaining({ gapShare: 0.5, travelMmPerMin: null, arcControlPct: 80 }));
    expect(bare.today).toEqual({ voltageV: null, wireSpeedMPerMin: null, stickOutMm: null, gasFlowLPerMin: null });
    expect(situationOf(workWith({}, variant({ job: { gapMm: undefined } })))!.gapShare).toBe(0);
    expect(situationOf(workWith({}, { ...variant({}), settings: {} }))!.arcControlPct).toBe(50);
  });

  it('is not to be had without the wire', () => {
    expect(situationOf(workWith({}, variant({ rig: { wire: undefined } })))).toBeNull();
  });
});

describe('the settings that may move', () => {
  const free = (work: ReturnType<typeof workWith>) => freeSettings(work, situationOf(work)!);

  it('are those a likely cause speaks for', () => {
    expect(free(workWith({}))).toEqual([]);
    expect(free(workWith({ 'voltage-low': 0.31 }))).toEqual(['voltageV', 'wireSpeedMPerMin']);
    expect(free(workWith({ 'voltage-low': 0.3 }))).toEqual([]);
    expect(free(workWith({ 'voltage-low': 0.2, 'heat-low': 0.2 }))).toEqual(['voltageV', 'wireSpeedMPerMin']);
    expect(free(workWith({ 'stickout-long': 0.5 }))).toEqual(['stickOutMm']);
    expect(free(workWith({ 'gas-high': 0.5 }))).toEqual(['gasFlowLPerMin']);
    expect(free(workWith({ 'nozzle-blocked': 0.9 }))).toEqual([]);
  });

  it('are those not known as well', () => {
    const unknown = variant({ settings: { voltageV: undefined, stickOutMm: undefined } });
    expect(free(workWith({}, unknown))).toEqual(['voltageV', 'stickOutMm']);
  });

  it('are never the volts of a pulsing machine, nor gas where none is used or its window is not known', () => {
    const pulse = workWith({ 'voltage-low': 0.9 }, variant({ rig: { mode: 'pulse' } }));
    expect(free(pulse)).toEqual(['wireSpeedMPerMin']);
    const noBore = workWith({ 'gas-low': 0.9 }, variant({ rig: { nozzleBoreMm: undefined } }));
    expect(free(noBore)).toEqual([]);
    const selfShielded = { wire: { class: 'tubular-self-shielded', diameterMm: 0.9 }, gas: null };
    expect(free(workWith({ 'gas-low': 0.9 }, variant({ rig: selfShielded })))).toEqual([]);
  });
});

describe('the school of the welder', () => {
  const held = (imbalance: string | undefined, today: object = {}) =>
    heldBySchool(variant({ preferences: { imbalance } }), situation({ today: { ...situation().today, ...today } }));

  it('holds the wire where volts are turned, and the volts where the wire is', () => {
    expect(held('volts', { wireSpeedMPerMin: 7 })).toBe('wireSpeedMPerMin');
    expect(held('wire', { voltageV: 18 })).toBe('voltageV');
    expect(held('by-heat', { voltageV: 18, wireSpeedMPerMin: 7 })).toBeNull();
    expect(held(undefined, { voltageV: 18, wireSpeedMPerMin: 7 })).toBeNull();
  });

  it('cannot hold what is not known', () => {
    expect(held('volts', { voltageV: 18 })).toBeNull();
    expect(held('wire', { wireSpeedMPerMin: 7 })).toBeNull();
  });
});

describe('what a solved target comes to', () => {
  const today = { voltageV: 18, wireSpeedMPerMin: 7, stickOutMm: 10, gasFlowLPerMin: null };
  const settle = (change: Partial<typeof STEADY>, free = MAIN_SETTINGS) =>
    settled(situation({ today }), { ...STEADY, ...change }, free);

  it('leaves a figure alone that is not worth a turn of the knob', () => {
    expect(settle({ voltageV: 18.29, wireSpeedMPerMin: 7.19, stickOutMm: 11.4 })).toEqual({
      ...today,
      gasFlowLPerMin: 11,
    });
    expect(settle({ voltageV: 17.71, wireSpeedMPerMin: 6.81, stickOutMm: 8.6 })).toEqual({
      ...today,
      gasFlowLPerMin: 11,
    });
    expect(settle({ voltageV: 18.4, wireSpeedMPerMin: 6.7, stickOutMm: 12 })).toEqual({
      voltageV: 18.4,
      wireSpeedMPerMin: 6.7,
      stickOutMm: 12,
      gasFlowLPerMin: 11,
    });
  });

  it('keeps what was not free, and takes the solved value of what was not known', () => {
    expect(settle({ voltageV: 25 }, ['wireSpeedMPerMin'])).toEqual({
      ...today,
      wireSpeedMPerMin: 7.5,
      gasFlowLPerMin: 11,
    });
  });
});

describe('the fewest turns', () => {
  /** Today lies in balance but for the volts, so that a turn of wire brings next to nothing. */
  const today = { voltageV: 17, wireSpeedMPerMin: 7.5, stickOutMm: 10, gasFlowLPerMin: 11 };
  const held = situation({ today });

  it('leave out a turn that earns nothing, and keep the one that does', () => {
    const asked: string[][] = [];
    const target = withFewestTurns(held, ['voltageV', 'wireSpeedMPerMin'], (names) => {
      asked.push([...names]);
      return {
        ...today,
        voltageV: names.includes('voltageV') ? 21 : 17,
        wireSpeedMPerMin: names.includes('wireSpeedMPerMin') ? 7.8 : 7.5,
      };
    });
    expect(target).toEqual({ ...today, voltageV: 21 });
    // All, then without the small turn of the wire, then without the volts as well: that one costs too much.
    expect(asked).toEqual([['voltageV', 'wireSpeedMPerMin'], ['voltageV'], []]);
  });

  it('search again from the found target with the turn taken back', () => {
    const from: unknown[] = [];
    withFewestTurns(held, ['voltageV'], (_, start) => {
      from.push(start);
      return start ?? { ...today, voltageV: 20 };
    });
    expect(from).toEqual([undefined, today]);
  });

  it('do not count what was not known as turned', () => {
    let asked = 0;
    const unknown = situation();
    withFewestTurns(unknown, MAIN_SETTINGS, () => {
      asked += 1;
      return STEADY;
    });
    expect(asked).toBe(1);
    expect(objective(held, STEADY)).toBeGreaterThan(0);
  });
});
