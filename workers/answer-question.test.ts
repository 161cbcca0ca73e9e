import { validateCase } from '../core/case/validate';
import { EXAMPLE_CASE } from '../core/cases/example';
import type { Case } from '../core/case/schema';
import { beforeBeads } from '../core/learning/machine-belief';
import type { Lesson } from '../core/learning/teaching';
import { answering } from './answer-question';
import type { Reply } from './protocol';

const NOTHING: Lesson = { belief: null, runOutScale: null, beads: [], changes: [] };
const SOUND: Case = { ...EXAMPLE_CASE, settings: { ...EXAMPLE_CASE.settings, voltageV: 18 }, findings: {} };
const answered = (reply: Reply) => {
  if (!('answer' in reply)) throw new Error(reply.problem);
  return reply;
};
const ask = (lesson: Lesson | null, input: Case = EXAMPLE_CASE) =>
  answered(answering(validateCase)({ id: 7, input, lesson }));

describe('a question in the worker', () => {
  it('is answered with the machine taken by its word where nothing was learned, and the case as it came', () => {
    for (const lesson of [null, NOTHING, { ...NOTHING, belief: beforeBeads() }])
      expect(ask(lesson)).toEqual(expect.objectContaining({ id: 7, judged: EXAMPLE_CASE }));
  });

  it('is answered with the machine that the beads make, and says which', () => {
    const bare = ask(NOTHING).answer;
    const beads = ['a', 'b', 'c', 'd'].map((id) => ({ id, input: SOUND, sound: true }));
    const { answer, judged } = ask({ ...NOTHING, beads });
    // Sound at 18 V where the laws want more: the volts shown are fewer than arrive.
    expect(judged.experience!.machine!.offsetV).toBeGreaterThan(0.2);
    expect(answer.correction.settings.voltageV!).toBeLessThan(bare.correction.settings.voltageV!);
    expect(ask({ ...NOTHING, runOutScale: 0.9 }).judged.experience!.machine!.wireScale).toBeLessThan(0.95);
    // What else was known stays.
    const suspects = { ...EXAMPLE_CASE, experience: { suspects: [{ cause: 'tip-worn' as const, times: 3 }] } };
    expect(ask({ ...NOTHING, beads }, suspects).judged.experience).toEqual({
      ...suspects.experience,
      machine: judged.experience!.machine,
    });
  });

  it('is answered with what the judged changes say, and says that too', () => {
    const change = { before: SOUND.settings!, after: { ...SOUND.settings, voltageV: 20 }, outcome: 'worse' as const };
    const { answer, judged } = ask({ ...NOTHING, changes: [change] });
    expect(judged.experience!.changes).toContainEqual({ cause: 'voltage-high', times: expect.any(Number) });
    expect(answer.causes.flatMap(({ because }) => because.map(({ evidence }) => evidence))).toContain('coupon:changes');
    // Figures outside the arc model say nothing.
    const odd = { ...change, after: { voltageV: 20, wireSpeedMPerMin: -3 } };
    expect(ask({ ...NOTHING, changes: [odd] }).judged).toEqual(EXAMPLE_CASE);
  });

  it('works out a bead once for each judgement of it', () => {
    const reply = answering(validateCase);
    const bead = { id: 'a', input: SOUND, sound: true };
    const machineOf = (sound: boolean, input = SOUND) =>
      answered(reply({ id: 1, input: EXAMPLE_CASE, lesson: { ...NOTHING, beads: [{ ...bead, input, sound }] } })).judged
        .experience?.machine;
    const first = machineOf(true);
    // The same bead does not change, so what it says is not worked out anew.
    expect(machineOf(true, EXAMPLE_CASE)).toEqual(first);
    expect(machineOf(false, EXAMPLE_CASE)).not.toEqual(first);
  });

  it('that no answer can be worked out for says why, and a bead that cannot be read teaches nothing', () => {
    const reply = answering(validateCase);
    expect(reply({ id: 3, input: { ...EXAMPLE_CASE, settings: { voltageV: -4 } }, lesson: null })).toEqual({
      id: 3,
      problem: expect.stringContaining('settings.voltageV takes'),
    });
    const odd = { id: 'x', input: { ...SOUND, findings: { 'no-such': 'present' } } as Case, sound: false };
    expect(ask({ ...NOTHING, beads: [odd] }).judged).toEqual(EXAMPLE_CASE);
    const failing = answering(() => {
      throw new Error('out of memory');
    });
    expect(failing({ id: 4, input: EXAMPLE_CASE, lesson: null })).toEqual({ id: 4, problem: 'out of memory' });
  });
});
