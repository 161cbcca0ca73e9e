import fc from 'fast-check';
import { dialToValue, valueToDial, type Dial } from './dial';
import { dialFor, dialsWith, nudged } from './dials';
import {
  furtherSettings,
  MAIN_SETTINGS,
  READ_SETTINGS,
  SETTING_NAMES,
  SETTINGS,
  setting,
  takesFigure,
  withinLimits,
  type SettingName,
} from './table';
import {
  dialText,
  directionText,
  figureText,
  figureWithUnit,
  fromToText,
  knobText,
  takesText,
  unitText,
} from './words';

const VOLTS: Dial = {
  step: 0.5,
  points: [
    { mark: 1, value: 13.5 },
    { mark: 10, value: 24 },
  ],
};
const name = fc.constantFrom<SettingName>(...SETTING_NAMES);

describe('the table of settings', () => {
  it('states each usual figure and each nudge inside what the setting takes', () => {
    for (const one of SETTING_NAMES) {
      const { usual, minimum, maximum, nudge, worthMoving } = setting(one);
      expect(takesFigure(one, usual)).toBe(true);
      for (const step of [nudge.metric, nudge.inch, worthMoving]) {
        expect(step).toBeGreaterThan(0);
        expect(step).toBeLessThan((maximum - minimum) / 5);
      }
    }
  });

  it('has nudges that are round in inches: 5 in/min of wire, a sixteenth of stick-out, 1 cfh', () => {
    expect(SETTINGS.wireSpeedMPerMin.nudge.inch).toBeCloseTo(5 * 0.0254, 6);
    expect(SETTINGS.stickOutMm.nudge.inch).toBe(25.4 / 16);
    expect(SETTINGS.gasFlowLPerMin.nudge.inch).toBeCloseTo(0.4719, 4);
    expect(SETTINGS.travelSpeedMmPerMin.nudge.inch).toBeCloseTo(12.7, 6);
  });

  it('takes its limits and nothing beyond', () => {
    fc.assert(
      fc.property(name, fc.double({ min: -3000, max: 3000, noNaN: true }), (one, value) => {
        const held = withinLimits(one, value);
        expect(takesFigure(one, held)).toBe(true);
        if (takesFigure(one, value)) expect(held === value).toBe(true);
        else expect([SETTINGS[one].minimum, SETTINGS[one].maximum]).toContain(held);
      }),
    );
    expect(takesFigure('voltageV', 8)).toBe(true);
    expect(takesFigure('voltageV', 50)).toBe(true);
    expect(takesFigure('voltageV', 50.01)).toBe(false);
    expect(takesFigure('voltageV', NaN)).toBe(false);
  });

  it('keeps main settings in sight, and asks how each measured one was got', () => {
    expect(MAIN_SETTINGS).toEqual(SETTING_NAMES.filter((one) => SETTINGS[one].row === 'main'));
    const further = (pulse: boolean, amps: boolean) => furtherSettings({ pulse, amps });
    expect(further(false, false)).toEqual(['travelSpeedMmPerMin', 'travelAngleDeg', 'arcControlPct']);
    expect(further(true, false)).toContain('trimPct');
    expect(further(true, false)).not.toContain('currentA');
    expect(further(false, true)).toEqual([...further(false, false), 'currentA']);
    expect(READ_SETTINGS).toEqual(SETTING_NAMES.filter((one) => SETTINGS[one].asksReading));
  });
});

describe('words for a figure', () => {
  it('are in the units of the reader', () => {
    expect(figureWithUnit('wireSpeedMPerMin', 7.5, 'metric')).toBe('7.5 m/min');
    expect(figureWithUnit('wireSpeedMPerMin', 7.62, 'inch')).toBe('300 in/min');
    expect(figureWithUnit('voltageV', undefined, 'inch')).toBe('not known');
    expect(figureWithUnit('voltageV', null, 'inch')).toBe('not known');
    expect(takesText('stickOutMm', 'metric')).toBe('takes 3 to 50 mm');
    expect(takesText('voltageV', 'inch')).toBe('takes 8 to 50 V');
  });

  it('say which way a gun leans instead of a sign', () => {
    expect(figureWithUnit('travelAngleDeg', -10, 'metric')).toBe('10° drag');
    expect(figureWithUnit('travelAngleDeg', 15, 'metric')).toBe('15° push');
    expect(figureWithUnit('travelAngleDeg', 0, 'metric')).toBe('0°');
    expect(figureText('travelAngleDeg', -25, 'metric')).toBe('25');
    expect(unitText('travelAngleDeg', undefined, 'metric')).toBe('°');
    expect(unitText('voltageV', -1, 'metric')).toBe('V');
    expect(takesText('travelAngleDeg', 'metric')).toBe('takes 0 to 60 °');
  });

  it('name the direction of a turn; a steep angle is told to come upright, whichever side it leans to', () => {
    expect(directionText('voltageV', 18, 19)).toBe('volts up');
    expect(directionText('voltageV', 18, 17)).toBe('volts down');
    expect(directionText('wireSpeedMPerMin', 8, 6)).toBe('less wire');
    expect(directionText('voltageV', null, 17)).toBe('set volts');
    expect(directionText('travelAngleDeg', -30, -10)).toBe('gun more upright');
    expect(directionText('travelAngleDeg', 30, 10)).toBe('gun more upright');
    expect(directionText('travelAngleDeg', 5, 15)).toBe('push more');
    expect(directionText('travelAngleDeg', -5, -15)).toBe('drag more');
    expect(directionText('travelAngleDeg', -10, 10)).toBe('push more');
  });

  it('put a turn in one line, with both sides of an angle that changes them', () => {
    expect(fromToText({ setting: 'voltageV', from: 16.5, to: 19.9 }, 'metric')).toBe('16.5 → 19.9 V');
    expect(fromToText({ setting: 'voltageV', from: null, to: 19.9 }, 'metric')).toBe('? → 19.9 V');
    expect(fromToText({ setting: 'travelAngleDeg', from: -30, to: -10 }, 'metric')).toBe('30 → 10° drag');
    expect(fromToText({ setting: 'travelAngleDeg', from: -10, to: 10 }, 'metric')).toBe('10° drag → 10° push');
    expect(knobText({ setting: 'voltageV', from: 13.5, to: 24 }, VOLTS)).toBe('knob 1 → 10');
    expect(knobText({ setting: 'voltageV', from: null, to: 24 }, VOLTS)).toBe('knob ? → 10');
    expect(knobText({ setting: 'voltageV', from: 13.5, to: 24 }, null)).toBeNull();
  });
});

it('says a figure as the machine’s own knob or switch has it, and nothing where it has none', () => {
  const points = [1, 6].map((mark) => ({ mark, value: 14 + 2 * mark }));
  const taps = { step: 1, scale: 'taps' as const, names: ['A', 'B', 'C', 'D', 'E', 'F'], points };
  expect(dialText(taps, 20)).toBe('tap C');
  expect(knobText({ setting: 'voltageV', from: 16, to: 20 }, taps)).toBe('tap A → C');
  const clock = {
    step: 0.25,
    scale: 'clock' as const,
    points: points.map(({ mark, value }) => ({ mark: mark + 6, value })),
  };
  expect(dialText(clock, 19)).toBe('knob 8:30');
  expect(knobText({ setting: 'voltageV', from: null, to: 19 }, clock)).toBe('knob ? → 8:30');
  expect([dialText(null, 20), dialText(taps, null)]).toEqual([null, null]);
});

describe('the dials of a machine', () => {
  it('carry the arc control where it runs toward crisp, so that knob and move read the same one', () => {
    const crisp = dialsWith({ voltageV: VOLTS }, 'crisper');
    const control = dialFor(crisp, 'arcControlPct')!;
    expect(valueToDial(control, 80)).toBe(20);
    expect(dialToValue(control, 0)).toBe(100);
    expect(dialFor(crisp, 'voltageV')).toBe(VOLTS);
    expect(dialsWith({}, 'softer')).toEqual({});
    const own: Dial = {
      step: 1,
      points: [
        { mark: 0, value: 0 },
        { mark: 10, value: 100 },
      ],
    };
    expect(dialsWith({ arcControlPct: own }, 'crisper').arcControlPct).toBe(own);
  });

  it('are for volts, wire and arc control only', () => {
    const all = { voltageV: VOLTS, wireSpeedMPerMin: VOLTS, arcControlPct: VOLTS };
    const carried = SETTING_NAMES.filter((one) => dialFor(all, one) !== null);
    expect(carried.sort()).toEqual(['arcControlPct', 'voltageV', 'wireSpeedMPerMin']);
    expect(dialFor(undefined, 'voltageV')).toBeNull();
    expect(dialFor({}, 'voltageV')).toBeNull();
  });
});

describe('one push of a knob', () => {
  const push = (
    value: number | undefined,
    direction: 1 | -1,
    dial: Dial | null = null,
    units: 'metric' | 'inch' = 'metric',
  ) => nudged({ name: 'voltageV', value, dial, units }, direction);

  it('goes to the next whole step, and begins at the usual figure', () => {
    expect(push(18.5, 1)).toBe(18.6);
    expect(push(18.5, -1)).toBe(18.4);
    expect(push(18.4, 1)).toBe(18.6);
    expect(push(18.4, -1)).toBe(18.2);
    expect(push(undefined, 1)).toBe(SETTINGS.voltageV.usual);
    expect(nudged({ name: 'wireSpeedMPerMin', value: 7.62, dial: null, units: 'inch' }, 1)).toBeCloseTo(7.747, 3);
  });

  it('is a mark on a machine that has marks', () => {
    expect(valueToDial(VOLTS, push(13.5, 1, VOLTS))).toBe(1.5);
    expect(valueToDial(VOLTS, push(24, -1, VOLTS))).toBe(9.5);
    expect(String(push(17.3, 1, VOLTS)).length).toBeLessThanOrEqual(6);
  });

  it('stops where the knob ends', () => {
    const ended = { step: 0.5, low: 1, high: 10, points: [3, 7].map((mark) => ({ mark, value: 10 + mark })) };
    expect(nudged({ name: 'voltageV', value: 20, dial: ended, units: 'metric' }, 1)).toBe(20);
    expect(nudged({ name: 'voltageV', value: 19.5, dial: ended, units: 'metric' }, 1)).toBe(20);
    expect(nudged({ name: 'voltageV', value: 11, dial: ended, units: 'metric' }, -1)).toBe(11);
  });

  it('never leaves what the setting takes, and never stands still inside it', () => {
    fc.assert(
      fc.property(
        name,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom<1 | -1>(1, -1),
        (one, share, way) => {
          const { minimum, maximum } = SETTINGS[one];
          const value = minimum + share * (maximum - minimum);
          const next = nudged({ name: one, value, dial: null, units: 'metric' }, way);
          expect(takesFigure(one, next)).toBe(true);
          const atEnd = way > 0 ? value >= maximum : value <= minimum;
          if (!atEnd) expect(Math.sign(next - value)).toBe(way);
        },
      ),
    );
  });
});
