import fc from 'fast-check';
import { EXAMPLE_CASE } from '../cases/example';
import type { Case } from '../case/schema';
import type { Move, RemedyMove } from '../correction/moves';
import type { NextCheck } from '../diagnosis/next-check';
import type { CauseVerdict } from '../diagnosis/verdict';
import { ENGINE } from './engine';
import { firstStep } from './first-step';
import { answer } from '.';

const lead = (cause: CauseVerdict['cause'], probability: number): CauseVerdict[] => [
  { cause, probability, prior: 0.05, because: [] },
];
const cure = (cause: RemedyMove['cause'], seen = false): Move[] => [
  { kind: 'remedy', cause, seen, do: '', because: '', expect: '' },
];
const knob: Move[] = [
  {
    ...{ kind: 'setting', setting: 'voltageV', from: 17, to: 19, dialFrom: null, dialTo: null },
    ...{ direction: '', because: '', expect: '' },
  },
];
/** A look that finds a cause or rules it out. */
const look = (minutes: number, cause: CauseVerdict['cause'], chance: number): NextCheck => ({
  ...{ check: 'check-nozzle', bits: 0.5, minutes, kind: 'check', chance },
  ifPresent: { cause, probability: 0.97 },
  ifAbsent: { cause: 'draught', probability: 0.5 },
});

describe('what to do first', () => {
  it('is ten seconds of looking before grinding at 38 %', () => {
    const looks = [look(0.17, 'nozzle-blocked', 0.4)];
    expect(firstStep(ENGINE, lead('plate-dirty', 0.38), looks, cure('plate-dirty'))).toEqual({
      kind: 'look',
      check: 'check-nozzle',
    });
    // A look of twenty minutes is not worth it.
    expect(
      firstStep(ENGINE, lead('plate-dirty', 0.38), [look(20, 'nozzle-blocked', 0.4)], cure('plate-dirty')),
    ).toEqual({ kind: 'move' });
  });

  it('is the knob that is as good as certain, and what a look has shown already', () => {
    const looks = [look(0.3, 'nozzle-blocked', 0.4)];
    expect(firstStep(ENGINE, lead('voltage-low', 0.9), looks, knob)).toEqual({ kind: 'move' });
    expect(firstStep(ENGINE, lead('plate-dirty', 0.38), looks, cure('plate-dirty', true))).toEqual({ kind: 'move' });
  });

  it('is nothing where there is nothing to do, and the best look where there is no move', () => {
    expect(firstStep(ENGINE, [], [], [])).toBeNull();
    expect(firstStep(ENGINE, [], [look(3, 'tip-worn', 0.4)], [])).toEqual({ kind: 'look', check: 'check-nozzle' });
    expect(firstStep(ENGINE, lead('voltage-low', 0.4), [], knob)).toEqual({ kind: 'move' });
  });

  it('turns from looking to doing once, as the likeliest cause grows more certain', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (minutes, q) => {
          const steps = Array.from(
            { length: 21 },
            (_, i) =>
              firstStep(ENGINE, lead('plate-dirty', i / 20), [look(minutes, 'nozzle-blocked', q)], cure('plate-dirty'))!
                .kind,
          );
          expect(steps.at(-1)).toBe('move');
          expect(steps.lastIndexOf('look')).toBeLessThan(steps.includes('move') ? steps.indexOf('move') : 21);
        },
      ),
    );
  });

  it('comes with every answer that has a move, and names a look of that answer', () => {
    const findings: Case['findings'][] = [
      { 'holes-scattered': 'present' },
      { 'bead-ropey': 'present' },
      { 'wire-surges': 'present', 'sound-sputter': 'present' },
      EXAMPLE_CASE.findings,
    ];
    for (const seen of findings) {
      const { first, nextChecks, correction } = answer({ ...EXAMPLE_CASE, findings: seen });
      if (correction.moves.length > 0) expect(first).not.toBeNull();
      if (first?.kind === 'look') expect(nextChecks.map(({ check }) => check)).toContain(first.check);
    }
    const holes = answer({
      ...EXAMPLE_CASE,
      settings: { ...EXAMPLE_CASE.settings, voltageV: 20 },
      findings: { 'holes-scattered': 'present' },
    });
    expect(holes.first?.kind).toBe('look');
  });
});
