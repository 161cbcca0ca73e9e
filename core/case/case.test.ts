import { EXAMPLE_CASE } from '../cases/example';
import { completeMix, mixName } from './gas-mix';
import { CASE_FORMAT } from './schema';
import { validateCase } from './validate';

const problemsOf = (input: unknown) => validateCase(input).problems ?? [];
const fieldsOf = (input: unknown) => problemsOf(input).map(({ field }) => field);

describe('case', () => {
  it('takes the worked example and a case with nothing but its format', () => {
    expect(validateCase(EXAMPLE_CASE).value).toEqual(EXAMPLE_CASE);
    expect(validateCase({ format: CASE_FORMAT }).problems).toBeNull();
  });

  it('names each wrong field and what it takes', () => {
    const problems = problemsOf({
      format: CASE_FORMAT,
      job: { baseMetal: 'wood', surface: ['clean', 'wet'] },
      settings: { voltageV: 400, wireSpeedMPerMin: 'fast' },
    });
    expect(problems).toEqual(
      expect.arrayContaining([
        { field: 'job.baseMetal', takes: 'one of mild-steel, stainless, aluminium' },
        expect.objectContaining({ field: 'job.surface.1' }),
        { field: 'settings.voltageV', takes: 'a number from 8 to 50' },
        { field: 'settings.wireSpeedMPerMin', takes: 'a number from 0.5 to 30' },
      ]),
    );
    expect(problems).toHaveLength(4);
  });

  it.each([
    ['a missing format', {}, 'format'],
    ['another format', { format: 'other/case@1' }, 'format'],
    ['a misspelt field', { format: CASE_FORMAT, settings: { voltage: 18 } }, 'settings.voltage'],
    ['an unknown finding', { format: CASE_FORMAT, findings: { 'bead-purple': 'present' } }, 'findings.bead-purple'],
    [
      'a finding in an unknown state',
      { format: CASE_FORMAT, findings: { 'bead-ropey': 'maybe' } },
      'findings.bead-ropey',
    ],
    ['gas shares over 100', { format: CASE_FORMAT, rig: { gas: { argonPct: 82, co2Pct: 28 } } }, 'rig.gas'],
    [
      'a dial with one value twice',
      {
        format: CASE_FORMAT,
        rig: {
          dials: {
            voltageV: {
              step: 1,
              points: [
                { mark: 1, value: 18 },
                { mark: 2, value: 18 },
              ],
            },
          },
        },
      },
      'rig.dials.voltageV.points',
    ],
    [
      'a range upside down',
      { format: CASE_FORMAT, rig: { range: { voltageV: { low: 30, high: 14, step: 1 } } } },
      'rig.range.voltageV',
    ],
    ['no object at all', 'a bead', 'body'],
  ])('refuses %s', (_, input, field) => {
    expect(fieldsOf(input)).toContain(field);
  });

  it('holds the pairs of a knob to its ends, and those of a switch to its taps', () => {
    const dial = (more: object, marks: readonly number[] = [2, 6]): string[] => {
      const points = marks.map((mark) => ({ mark, value: 10 + mark, by: 'meter' }));
      return fieldsOf({ format: CASE_FORMAT, rig: { dials: { voltageV: { step: 1, points, ...more } } } });
    };
    const points = 'rig.dials.voltageV.points';
    expect(dial({ low: 1, high: 10, scale: 'numbers' })).toEqual([]);
    expect(dial({ low: 3, high: 10 })).toEqual([points]);
    expect(dial({ low: 1, high: 5 })).toEqual([points]);
    expect(dial({ low: 10, high: 1 })).toEqual(['rig.dials.voltageV.low']);
    const taps = { scale: 'taps', low: 1, high: 6, names: ['A', 'B', 'C', 'D', 'E', 'F'] };
    expect(dial(taps)).toEqual([]);
    expect(dial(taps, [2, 5.5])).toEqual([points]);
    expect(dial({ ...taps, step: 0.5 })).toEqual([points]);
    expect(dial({ ...taps, names: ['A', 'B', 'C', 'D', 'E'] })).toEqual([points]);
    expect(dial({ by: 'guess' })).toContain('rig.dials.voltageV.by');
  });

  it('fills the rest of a label with argon and knows no gas', () => {
    expect(completeMix({ co2Pct: 18 })).toEqual({ argonPct: 82, co2Pct: 18, oxygenPct: 0, heliumPct: 0 });
    expect(() => completeMix({ argonPct: 50 })).toThrow('100');
    expect(mixName({ co2Pct: 18 })).toBe('82 Ar / 18 CO2');
    expect(mixName({ co2Pct: 100 })).toBe('pure CO2');
    expect(mixName(null)).toBe('no gas');
  });
});
