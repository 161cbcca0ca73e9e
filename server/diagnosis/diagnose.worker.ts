import { answer, startAnswer, type Answer, type StartAnswer } from '../../core/answer';
import type { Case } from '../../core/case/schema';
import { ENGINE } from '../../core/engine';
import { evidenceOf, type JudgedBead } from '../../core/learning/machine-belief';

/** Works one case out in a thread of its own. */
export default function diagnose(input: Case): Answer {
  return answer(input);
}

/** What to start a case with. */
export function start(input: Case): StartAnswer {
  return startAnswer(input);
}

/** What judged beads say of their machine; a bead outside the arc model says nothing. */
export function learn(beads: readonly JudgedBead[]): (number[] | null)[] {
  return beads.map((bead) => {
    try {
      return evidenceOf(ENGINE, bead);
    } catch {
      return null;
    }
  });
}
