import type { ArcReading } from './arc/reading';
import type { Case } from './case/schema';
import { correct, type Correction } from './correction/correct';
import type { CautionNote } from './diagnosis/cautions';
import { diagnose, type CauseVerdict } from './diagnosis/diagnose';
import type { NextCheck } from './diagnosis/next-check';

/** What a case gets back: the arc, the causes, what to check next, the corrected numbers, the cautions. */
export type Answer = {
  arc: ArcReading;
  causes: CauseVerdict[];
  noCause: number;
  nextChecks: NextCheck[];
  correction: Correction;
  cautions: CautionNote[];
};

/**
 * Diagnosis and correction in one: the whole answer to a case, for the page's worker and the server alike.
 * @param input a valid case
 */
export function answer(input: Case): Answer {
  const diagnosis = diagnose(input);
  const { arc, causes, noCause, nextChecks, cautions } = diagnosis;
  return { arc, causes, noCause, nextChecks, correction: correct(input, diagnosis), cautions };
}
