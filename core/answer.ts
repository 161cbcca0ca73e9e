import type { ArcReading } from './arc/reading';
import type { Case } from './case/schema';
import { correct, type Correction } from './correction/correct';
import type { CautionNote } from './diagnosis/cautions';
import { diagnose, type CauseVerdict } from './diagnosis/diagnose';
import type { NextCheck } from './diagnosis/next-check';
import type { NextFigure } from './diagnosis/next-figure';
import type { Note } from './diagnosis/notes';

/** What a case gets back: the arc, the causes, what to check next, the corrected numbers, the cautions. */
export type Answer = {
  arc: ArcReading;
  causes: CauseVerdict[];
  noCause: number;
  nextChecks: NextCheck[];
  /** Findings that would tell the most, by id. */
  telling: string[];
  askFor: NextFigure | null;
  notes: Note[];
  correction: Correction;
  cautions: CautionNote[];
};

/**
 * Diagnosis and correction in one: the whole answer to a case, for the page's worker and the server alike.
 * @param input a valid case
 */
export function answer(input: Case): Answer {
  const diagnosis = diagnose(input);
  const { arc, causes, noCause, nextChecks, telling, askFor, notes, cautions } = diagnosis;
  return { arc, causes, noCause, nextChecks, telling, askFor, notes, correction: correct(input, diagnosis), cautions };
}
