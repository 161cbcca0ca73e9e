import { backAt, takeBackOf } from './take-back';

const bead = (number: number, settings: object, outcome: 'sound' | 'better' | 'same' | 'worse' | null = null) => ({
  number,
  settings,
  outcome,
});

describe('what is taken back after a bead that came out worse', () => {
  const before = bead(2, { voltageV: 18, wireSpeedMPerMin: 6, stickOutMm: 10 }, 'better');
  const worse = bead(3, { voltageV: 21, wireSpeedMPerMin: 6, stickOutMm: 10, gasFlowLPerMin: 12 }, 'worse');

  it('is the figure that was changed for it, from where it stands now', () => {
    expect(takeBackOf([bead(1, {}), before, worse], { voltageV: 20.4, wireSpeedMPerMin: 6.5 })).toEqual({
      worse: 3,
      than: 2,
      turns: [{ setting: 'voltageV', from: 20.4, to: 18 }],
    });
    expect(takeBackOf([before, worse], {})!.turns).toEqual([{ setting: 'voltageV', from: null, to: 18 }]);
  });

  it('is nothing once it stands where it was, where nothing was changed, or where the bead was not worse', () => {
    expect(takeBackOf([before, worse], { voltageV: 18 })).toBeNull();
    expect(takeBackOf([before, { ...worse, settings: before.settings }], { voltageV: 21 })).toBeNull();
    for (const outcome of ['sound', 'better', 'same', null] as const)
      expect(takeBackOf([before, { ...worse, outcome }], { voltageV: 21 })).toBeNull();
    expect(takeBackOf([], {})).toBeNull();
    expect(takeBackOf([{ ...worse, outcome: null }], {})).toBeNull();
  });

  it('is every figure of a change that turned several, and none that was not known before', () => {
    const both = bead(3, { voltageV: 21, wireSpeedMPerMin: 8, gasFlowLPerMin: 12 }, 'worse');
    expect(takeBackOf([before, both], { voltageV: 21, wireSpeedMPerMin: 8 })!.turns).toEqual([
      { setting: 'voltageV', from: 21, to: 18 },
      { setting: 'wireSpeedMPerMin', from: 8, to: 6 },
    ]);
  });
});

describe('amps that were read', () => {
  it('are nothing to turn back, and none that a next bead has to stand at', () => {
    const before = bead(1, { voltageV: 18, currentA: 140 });
    const worse = bead(2, { voltageV: 21, currentA: 155 }, 'worse');
    expect(takeBackOf([before, worse], { voltageV: 21 })!.turns).toEqual([{ setting: 'voltageV', from: 21, to: 18 }]);
    expect(backAt([before, worse], { voltageV: 18 })).toEqual({ bead: before, worse });
    expect(backAt([before, bead(2, { voltageV: 18, currentA: 155 }, 'worse')], { voltageV: 18 })).toBeNull();
  });
});

describe('the bead to go on from once a change is taken back', () => {
  const [before, worse] = [
    bead(1, { voltageV: 18, stickOutMm: 10 }),
    bead(2, { voltageV: 21, stickOutMm: 10 }, 'worse'),
  ];

  it('is the one before the worse, while the next is to be run at its figures', () => {
    expect(backAt([before, worse], { voltageV: 18, stickOutMm: 10, gasFlowLPerMin: 12 })).toEqual({
      bead: before,
      worse,
    });
    expect(backAt([before, worse], { voltageV: 21, stickOutMm: 10 })).toBeNull();
    expect(backAt([before, worse], { voltageV: 18, stickOutMm: 12 })).toBeNull();
  });

  it('is none where the bead was not worse, or nothing had been changed', () => {
    for (const outcome of ['sound', 'better', 'same', null] as const)
      expect(backAt([before, { ...worse, outcome }], before.settings)).toBeNull();
    expect(backAt([before, { ...worse, settings: before.settings }], before.settings)).toBeNull();
    expect(backAt([{ ...worse }], {})).toBeNull();
  });
});
