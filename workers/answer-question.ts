import { answer } from '../core/answer';
import type { Case, Suspect } from '../core/case/schema';
import { ENGINE } from '../core/answer/engine';
import { withEarlier } from '../core/learning/earlier';
import { suspectsOfChanges } from '../core/learning/judged-changes';
import { evidenceOf, type JudgedBead } from '../core/learning/machine-belief';
import { machineFor, type Lesson } from '../core/learning/teaching';
import type { Validated } from '../core/schema/validate';
import type { Question, Reply } from './protocol';

/** Beads whose evidence is kept at hand. */
const MOST_KEPT = 200;

/**
 * Returns what answers questions in the worker. What a judged bead says of its machine is worked out once and kept.
 * @param validate reads a case
 */
export function answering(validate: (input: unknown) => Validated<Case>): (question: Question) => Reply {
  const kept = new Map<string, number[] | null>();

  function evidenceFrom(bead: JudgedBead & { id: string }): number[] | null {
    const key = `${bead.id} ${bead.sound}`;
    const known = kept.get(key);
    if (known !== undefined) return known;
    let evidence: number[] | null = null;
    try {
      evidence = evidenceOf(ENGINE, bead);
    } catch {
      // A bead outside the arc model teaches nothing.
    }
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(key, evidence);
    return evidence;
  }

  function withMachine(input: Case, lesson: Lesson | null): Case {
    const machine = lesson === null ? undefined : machineFor(lesson, lesson.beads.map(evidenceFrom));
    return machine === undefined ? input : { ...input, experience: { ...input.experience, machine } };
  }

  /** With what the judged changes of this plate say of the causes. */
  function withChanges(input: Case, lesson: Lesson | null): Case {
    let said: Suspect[] = [];
    try {
      said = suspectsOfChanges(input, lesson?.changes ?? []);
    } catch {
      // Figures outside the arc model say nothing.
    }
    if (said.length === 0) return input;
    return { ...input, experience: { ...input.experience, changes: said } };
  }

  return ({ id, input, lesson }) => {
    try {
      const { value, problems } = validate(input);
      if (problems !== null)
        return { id, problem: problems.map(({ field, takes }) => `${field} takes ${takes}`).join('; ') };
      const judged = withChanges(withMachine(withEarlier(ENGINE, value), lesson), lesson);
      return { id, answer: answer(judged), judged };
    } catch (error) {
      return { id, problem: error instanceof Error ? error.message : String(error) };
    }
  };
}
