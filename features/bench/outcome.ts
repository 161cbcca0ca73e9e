import { finding } from '@/core/knowledge';
import type { Bead, Outcome } from '@/core/record/schema';

/** How a bead is judged against the one before it. */
export const OUTCOME_WORDS: Record<Outcome, string> = {
  sound: 'sound',
  better: 'better',
  same: 'no change',
  worse: 'worse',
};

/** A bead in a word or two: its judgement, or the first thing it showed. */
export function outcomeWords(bead: Pick<Bead, 'outcome' | 'findings'>): string {
  if (bead.outcome) return OUTCOME_WORDS[bead.outcome];
  const seen = Object.entries(bead.findings).find(([id, state]) => state === 'present' && !id.startsWith('check-'));
  return seen === undefined ? 'not judged' : finding(seen[0]).name.toLowerCase();
}
