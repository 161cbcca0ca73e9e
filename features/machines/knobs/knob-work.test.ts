import matchesKnobWork from '@/core/compiled/knob-work';
import type { Rig } from '@/core/case/schema';
import type { KnobWork } from '@/core/record/shapes/knob-work-schema';
import { dialOf, inUnits, isWorkProblem, knobOf, onScale, pairFigure, withPair, workOn } from './knob-work';
import { nextPairWords, pairText, sureWords } from './knob-words';

const RIG: Rig = { wire: { class: 'solid-steel', diameterMm: 0.9 }, gas: { argonPct: 82, co2Pct: 18 } };
const ON = { rig: RIG, units: 'metric' as const };
const INCHES = { rig: RIG, units: 'inch' as const };
const numbers = (name: 'voltageV' | 'wireSpeedMPerMin'): KnobWork => onScale(workOn(name, undefined), 'numbers');

/** Takes pairs down one after the other. */
function taken(work: KnobWork, name: 'voltageV' | 'wireSpeedMPerMin', ...typed: Partial<KnobWork>[]): KnobWork {
  return typed.reduce<KnobWork>((before, pair) => {
    const made = withPair(name, { ...before, ...pair }, ON);
    if (isWorkProblem(made)) throw new Error(made.text);
    return made;
  }, work);
}

describe('a knob while it is taken down', () => {
  it('begins with real figures where nothing is known, and as it is kept where something is', () => {
    expect(workOn('voltageV', undefined)).toEqual(
      expect.objectContaining({ scale: 'figures', by: 'meter', points: [] }),
    );
    expect(dialOf(workOn('voltageV', undefined))).toBeNull();
    const kept = {
      ...{ scale: 'clock' as const, low: 7, high: 17, step: 0.25 },
      points: [
        { mark: 8, value: 3, by: 'run-out' as const },
        { mark: 14.5, value: 12, by: 'run-out' as const },
      ],
    };
    const work = workOn('wireSpeedMPerMin', kept);
    expect([work.low, work.high]).toEqual(['7:00', '5:00']);
    expect(dialOf(work)).toEqual(kept);
    expect(matchesKnobWork({ wireSpeedMPerMin: work })).toBe(true);
  });

  it('is a knob from two pairs on: a six-second run-out is the figure, ten times the metres a minute', () => {
    const one = taken(numbers('wireSpeedMPerMin'), 'wireSpeedMPerMin', { mark: '3', length: '420' });
    expect(one.points).toEqual([{ mark: 3, value: 4.2, by: 'run-out' }]);
    expect(dialOf(one)).toBeNull();
    const two = taken(one, 'wireSpeedMPerMin', { mark: '8', length: '1,2e3', seconds: '6.0' });
    expect(dialOf(two)).toEqual({
      ...{ scale: 'numbers', step: 0.5, low: 1, high: 10 },
      points: [
        { mark: 3, value: 4.2, by: 'run-out' },
        { mark: 8, value: expect.closeTo(12, 9) as number, by: 'run-out' },
      ],
    });
    expect([two.mark, two.length, two.seconds]).toEqual(['', '', '6']);
  });

  it('takes inches: 30 in of wire in six seconds are 300 in/min', () => {
    const figure = pairFigure(
      'wireSpeedMPerMin',
      { ...numbers('wireSpeedMPerMin'), by: 'run-out', length: '30' },
      INCHES,
    );
    expect(figure).toBeCloseTo((300 * 25.4) / 1000, 6);
  });

  it('works the volts of a good bead out from its wire, typed as a speed or as the mark of the wire’s knob', () => {
    const work = { ...numbers('voltageV'), by: 'good-bead' as const, mark: '4', wire: '7' };
    const volts = pairFigure('voltageV', work, ON) as number;
    // 14 + 0.05 I at about 150 A less 2.3 V for this mix.
    expect(volts).toBeGreaterThan(17.8);
    expect(volts).toBeLessThan(20.6);
    const dial = { step: 0.5, low: 1, high: 10, points: [2, 9].map((mark) => ({ mark, value: mark + 2 })) };
    const marked = { ...ON, rig: { ...RIG, dials: { wireSpeedMPerMin: dial } } };
    expect(pairFigure('voltageV', { ...work, wire: '5' }, marked)).toBeCloseTo(volts, 9);
    expect(pairFigure('voltageV', { ...work, wire: '12' }, marked)).toEqual({
      field: 'wire',
      text: 'Wire takes 1 to 10.',
    });
    expect(isWorkProblem(pairFigure('voltageV', work, { ...ON, rig: { ...RIG, mode: 'pulse' } }))).toBe(true);
  });

  it('takes a pair measured again in place of the one on that mark, and refuses one that runs backward', () => {
    const two = taken(numbers('voltageV'), 'voltageV', { mark: '2', figure: '16' }, { mark: '8', figure: '24' });
    const again = taken(two, 'voltageV', { mark: '2', figure: '15,5' });
    expect(again.points.map(({ value }) => value)).toEqual([15.5, 24]);
    const typed = { ...two, mark: '5', figure: '15' };
    const backward = withPair('voltageV', typed, ON);
    expect(backward).toEqual(
      expect.objectContaining({ field: 'mark', text: expect.stringContaining('backward') as string }),
    );
  });

  it.each([
    ['no length', { mark: '3' }, 'length'],
    ['a length of 0', { mark: '3', length: '0' }, 'length'],
    ['no seconds', { mark: '3', length: '400', seconds: '' }, 'length'],
    ['a drive that cannot be', { mark: '3', length: '40000' }, 'length'],
    ['a mark off the knob', { mark: '11', length: '400' }, 'mark'],
    ['no mark', { length: '400' }, 'mark'],
  ] as [string, Partial<KnobWork>, string][])('refuses a run-out with %s beside its field', (_, typed, field) => {
    const work = { ...numbers('wireSpeedMPerMin'), ...typed };
    expect(withPair('wireSpeedMPerMin', work, ON)).toEqual({ field, text: expect.stringMatching(/\.$/) as string });
  });

  it('refuses volts that no machine shows, in the reader’s units', () => {
    const of = (figure: string, on = ON) => pairFigure('voltageV', { ...numbers('voltageV'), figure }, on);
    expect(of('60')).toEqual({ field: 'figure', text: 'Volts takes 8 to 50 V.' });
    expect(of('')).toEqual({ field: 'figure', text: 'Volts takes 8 to 50 V.' });
    expect(of('19,5')).toBe(19.5);
  });

  it('says which end, step or name of a knob cannot be', () => {
    const field = (scale: KnobWork['scale'], some: Partial<KnobWork>): string | undefined =>
      knobOf({ ...onScale(workOn('voltageV', undefined), scale), ...some }).problem?.field;
    expect(field('numbers', {})).toBeUndefined();
    expect(field('numbers', { low: '' })).toBe('low');
    expect(field('numbers', { low: '10' })).toBe('high');
    expect(field('numbers', { step: '0' })).toBe('step');
    expect(field('numbers', { step: '20' })).toBe('step');
    expect(field('clock', {})).toBeUndefined();
    expect(field('clock', { low: '25' })).toBe('low');
    expect(field('clock', { high: '7' })).toBeUndefined();
    expect(field('taps', {})).toBeUndefined();
    expect(field('taps', { names: 'A' })).toBe('names');
    expect(field('taps', { names: 'A B A' })).toBe('names');
    expect(field('taps', { names: 'A much-too-long-name' })).toBe('names');
  });

  it('reads a switch by the names of its taps', () => {
    const taps = taken(
      onScale(workOn('voltageV', undefined), 'taps'),
      'voltageV',
      { mark: 'B', figure: '16' },
      { mark: 'E', figure: '22' },
    );
    expect(dialOf(taps)).toEqual(
      expect.objectContaining({ scale: 'taps', low: 1, high: 6, names: ['A', 'B', 'C', 'D', 'E', 'F'] }),
    );
    expect(taps.points.map(({ mark }) => mark)).toEqual([2, 5]);
    expect(pairText('voltageV', dialOf(taps)!, taps.points[0], 'metric')).toBe('tap B → 16 V, meter while welding');
  });

  it('goes on meaning what it meant when the units are switched, and drifts nothing on the way back', () => {
    const typed: KnobWork = { ...numbers('wireSpeedMPerMin'), mark: '3', length: '340', wire: '7', units: 'metric' };
    const inches = inUnits('wireSpeedMPerMin', typed, 'inch', false);
    expect([inches.length, inches.wire, inches.mark]).toEqual(['13.386', '276', '3']);
    const speed = (work: KnobWork, on: typeof ON | typeof INCHES): number =>
      pairFigure('wireSpeedMPerMin', work, on) as number;
    expect(speed(inches, INCHES)).toBeCloseTo(speed(typed, ON), 3);
    expect(inUnits('wireSpeedMPerMin', inches, 'metric', false)).toEqual(typed);
    expect(inUnits('wireSpeedMPerMin', typed, 'inch', true).wire).toBe('7');
    expect(inUnits('voltageV', { ...typed, figure: '19,5', length: 'long' }, 'inch', false)).toEqual(
      expect.objectContaining({ figure: '19.5', length: 'long' }),
    );
    // What was kept before units were asked is in the reader's own.
    const { units: _, ...old } = typed;
    expect(inUnits('wireSpeedMPerMin', old, 'inch', false)).toEqual({ ...old, units: 'inch' });
  });

  it('lets its pairs go with its scale, and nothing that another scale needs', () => {
    const two = taken(numbers('voltageV'), 'voltageV', { mark: '2', figure: '16' }, { mark: '8', figure: '24' });
    expect(onScale(two, 'per-cent')).toEqual(expect.objectContaining({ points: [], low: '0', high: '100' }));
    expect(onScale(two, 'figures').points).toHaveLength(2);
  });
});

describe('what is said of a knob', () => {
  const two = taken(
    numbers('wireSpeedMPerMin'),
    'wireSpeedMPerMin',
    { mark: '2', length: '300' },
    { mark: '6', length: '800' },
  );
  const dial = dialOf(two)!;

  it('is how sure it is between its pairs and beyond them, and where one more would help', () => {
    const said = sureWords('wireSpeedMPerMin', dial, 'metric')!;
    const [between, beyond] = [...said.matchAll(/([\d.]+) m\/min/g)].map(([, figure]) => Number(figure));
    expect(between).toBeLessThan(beyond);
    expect(said).toContain('only carried on');
    expect(nextPairWords('wireSpeedMPerMin', dial, {})).toMatch(/^A run-out at (9|10) would help most/);
    expect(sureWords('wireSpeedMPerMin', dial, 'inch')).toContain('in/min');
  });

  it('is nothing where nobody knows how its pairs were got', () => {
    const old = { ...dial, points: dial.points.map(({ mark, value }) => ({ mark, value })) };
    expect(sureWords('wireSpeedMPerMin', old, 'metric')).toBeNull();
    expect(nextPairWords('wireSpeedMPerMin', old, {})).toBeNull();
    expect(pairText('wireSpeedMPerMin', old, old.points[0], 'inch')).toBe('knob 2 → 118 in/min');
  });

  it('asks for the machine’s own meter, or for one clipped on where it has none', () => {
    const volts = {
      ...dial,
      points: [
        { mark: 2, value: 15, by: 'plate' as const },
        { mark: 6, value: 22, by: 'plate' as const },
      ],
    };
    const said = (rig: Parameters<typeof nextPairWords>[2]) => nextPairWords('voltageV', volts, rig);
    expect(said({})).toMatch(/^A look at the meter at/);
    expect(said({ meters: ['volts', 'amps'] })).toMatch(/^A look at the meter at/);
    expect(said({ meters: ['amps'] })).toMatch(/^A voltmeter clipped on at/);
    expect(workOn('voltageV', undefined, true, { meters: [] }).by).toBe('good-bead');
    expect(workOn('voltageV', undefined, true, { meters: ['volts'] }).by).toBe('meter');
    expect(workOn('wireSpeedMPerMin', undefined, true, { meters: [] }).by).toBe('run-out');
  });
});
