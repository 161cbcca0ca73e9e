import { EXAMPLE_CASE } from '../cases/example';
import { readArc } from '../arc/reading';
import { arcSetup } from '../arc/setup';
import { NO_OTHER_WAY, type Correction } from './correct';
import { effectOf, orderByGain, settingMove, type Move } from './moves';
import { movesNow, nextSettings, startingSettings } from './next-settings';
import { situation, STEADY } from './testing/situation';

const WORDS = { because: 'The arc is too short.', expect: 'the stubbing stops' };
const DIALS = {
  voltageV: {
    step: 0.5,
    points: [
      { mark: 0, value: 14 },
      { mark: 10, value: 34 },
    ],
  },
};

describe('a move of one setting', () => {
  it('says from, to, the direction, why and what to expect', () => {
    expect(settingMove(undefined, 'voltageV', 17, 20, WORDS)).toEqual({
      kind: 'setting',
      setting: 'voltageV',
      from: 17,
      to: 20,
      dialFrom: null,
      dialTo: null,
      direction: 'volts up',
      ...WORDS,
    });
  });

  it('carries the marks of the machine’s own dial', () => {
    const move = settingMove(DIALS, 'voltageV', 16, 20, WORDS);
    expect(move).toEqual(expect.objectContaining({ dialFrom: 1, dialTo: 3 }));
    expect(settingMove(DIALS, 'voltageV', null, 20, WORDS)).toEqual(
      expect.objectContaining({ dialFrom: null, dialTo: 3 }),
    );
    expect(settingMove(DIALS, 'wireSpeedMPerMin', 5, 6, WORDS)).toEqual(
      expect.objectContaining({ dialFrom: null, dialTo: null }),
    );
  });
});

describe('the order of moves', () => {
  it('takes first what lowers the risk most, then what is most with that done', () => {
    const held = situation();
    const from = { ...STEADY, voltageV: 16, gasFlowLPerMin: 12 };
    expect(orderByGain(held, from, STEADY, ['gasFlowLPerMin', 'voltageV'])).toEqual(['voltageV', 'gasFlowLPerMin']);
    const noGas = { ...STEADY, voltageV: 19.5, gasFlowLPerMin: 2 };
    expect(orderByGain(held, noGas, STEADY, ['voltageV', 'gasFlowLPerMin'])).toEqual(['gasFlowLPerMin', 'voltageV']);
    expect(orderByGain(held, noGas, STEADY, [])).toEqual([]);
  });

  it('looks again after each: more volts help only once the wire that burned back is up', () => {
    const held = situation();
    const from = { ...STEADY, voltageV: 22, wireSpeedMPerMin: 3, gasFlowLPerMin: 9 };
    const to = { ...STEADY, voltageV: 23, wireSpeedMPerMin: 9.5 };
    const order = orderByGain(held, from, to, ['voltageV', 'gasFlowLPerMin', 'wireSpeedMPerMin']);
    expect(order[0]).toBe('wireSpeedMPerMin');
    expect(order.indexOf('voltageV')).toBeLessThan(order.indexOf('gasFlowLPerMin'));
    // With the tip pulled back for a spray the current has fallen, so that the wire gains more than the volts.
    const spray = { voltageV: 27.5, wireSpeedMPerMin: 11.5, stickOutMm: 16, gasFlowLPerMin: 13 };
    const all = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'] as const;
    expect(orderByGain(held, { ...STEADY, gasFlowLPerMin: 8 }, spray, all).slice(2)).toEqual([
      'wireSpeedMPerMin',
      'voltageV',
    ]);
  });
});

describe('what settings do', () => {
  it('is the part of a reading that compares two', () => {
    const reading = readArc(arcSetup(EXAMPLE_CASE), EXAMPLE_CASE.settings!);
    const effect = effectOf(reading);
    expect(reading).toEqual(expect.objectContaining(effect));
    expect(Object.keys(effect)).toHaveLength(10);
    expect(effect.transfer).toBe('short-circuit');
  });
});

describe('the next bead', () => {
  const volts = settingMove(undefined, 'voltageV', 17, 20, WORDS);
  const wire = settingMove(undefined, 'wireSpeedMPerMin', 6, 7, WORDS);
  const gas = settingMove(undefined, 'gasFlowLPerMin', 4, 11, WORDS);
  const clean: Move = {
    kind: 'remedy',
    cause: 'nozzle-blocked',
    seen: false,
    do: 'clean',
    because: 'clogged',
    expect: 'no holes',
  };
  const correction = (moves: Move[], settings = {}): Correction => ({
    settings,
    moves,
    alternative: NO_OTHER_WAY,
    either: false,
    before: null,
    after: null,
    outOfReach: [],
    procedure: [],
  });

  it('takes one change at a time, volts and wire together as one', () => {
    expect(movesNow(correction([gas, volts]), 'one')).toEqual([gas]);
    expect(movesNow(correction([volts, gas, wire]), 'one')).toEqual([volts, wire]);
    expect(movesNow(correction([wire, gas]), 'one')).toEqual([wire]);
    expect(movesNow(correction([clean, volts, wire]), 'one')).toEqual([clean]);
    expect(movesNow(correction([clean, volts, gas]), 'all')).toEqual([clean, volts, gas]);
    expect(movesNow(correction([]), 'one')).toEqual([]);
  });

  it('puts every fault right that a look showed, for that is no trial, and sets anew what goes with it', () => {
    const worn: Move = { ...clean, cause: 'tip-worn', seen: true };
    const guessed: Move = { ...clean, cause: 'liner-dirty', seen: false };
    const empty: Move = { ...clean, cause: 'gas-empty', seen: true };
    expect(movesNow(correction([clean, worn, volts]), 'one')).toEqual([clean, worn]);
    expect(movesNow(correction([worn, guessed]), 'one')).toEqual([worn]);
    expect(movesNow(correction([empty, volts, gas]), 'one')).toEqual([empty, gas]);
    expect(nextSettings({ gasFlowLPerMin: 4 }, correction([empty, gas]), 'one').gasFlowLPerMin).toBe(11);
  });

  it('runs at today’s settings with the moves made, and proposed values for what was not known', () => {
    const today = { voltageV: 17, gasFlowLPerMin: 4 };
    const proposed = { voltageV: 20, gasFlowLPerMin: 11, wireSpeedMPerMin: 7.5, stickOutMm: 10 };
    const held = correction([volts, gas], proposed);
    expect(nextSettings(today, held, 'one')).toEqual({
      voltageV: 20,
      gasFlowLPerMin: 4,
      wireSpeedMPerMin: 7.5,
      stickOutMm: 10,
    });
    expect(nextSettings(today, held, 'all')).toEqual(proposed);
    expect(nextSettings(today, correction([clean]), 'all')).toEqual(today);
  });

  it('starts with what is proposed for each figure that is missing, and nothing else', () => {
    const proposed = { voltageV: 20, wireSpeedMPerMin: 7.5, travelSpeedMmPerMin: 320 };
    expect(startingSettings({ voltageV: 17 }, correction([], proposed))).toEqual({ wireSpeedMPerMin: 7.5 });
    expect(startingSettings({}, correction([], proposed))).toEqual({ voltageV: 20, wireSpeedMPerMin: 7.5 });
    expect(Object.keys(startingSettings({}, correction([])))).toEqual([]);
  });
});
