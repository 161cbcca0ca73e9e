import { answer, startAnswer, type Answer, type HeldStart, type StartAnswer } from '../../core/answer';
import type { Case } from '../../core/case/schema';
import { ENGINE } from '../../core/answer/engine';
import { ownChart, type ChartCell } from '../../core/answer/own-chart';
import type { SoundBead } from '../../core/start/sound-bead-schema';
import { withEarlier } from '../../core/learning/earlier';
import { evidenceOf, type JudgedBead } from '../../core/learning/machine-belief';

/** Works one case out in a thread of its own. */
export default function diagnose(input: Case): Answer {
  return answer(withEarlier(ENGINE, input));
}

/** Returns what to start a case with. */
export function start(input: Case): StartAnswer | HeldStart {
  return startAnswer(withEarlier(ENGINE, input));
}

/** A rig's own settings chart. */
export function chart({ input, proven }: { input: Case; proven: readonly SoundBead[] }): ChartCell[] {
  return ownChart(input, proven);
}

/** Returns what judged beads say of their machine; a bead outside the arc model says nothing. */
export function learn(beads: readonly JudgedBead[]): (number[] | null)[] {
  return beads.map((bead) => {
    try {
      return evidenceOf(ENGINE, bead);
    } catch {
      return null;
    }
  });
}
