import { isCheckId } from '../../evidence/ids';
import type { Bead, Outcome } from '../shapes/record-schema';

/** How a bead is judged against the one before it. */
export const OUTCOME_WORDS: Record<NonNullable<Outcome>, string> = {
  sound: 'sound',
  better: 'better',
  same: 'no change',
  worse: 'worse',
};

/** The first thing a bead showed, in the words it was logged with; null where nothing was seen. */
export function firstShown({ findings, names }: Pick<Bead, 'findings' | 'names'>): string | null {
  const seen = Object.keys(findings).find((id) => findings[id] === 'present' && !isCheckId(id));
  return seen === undefined ? null : (names[seen] ?? seen.replace(/-/g, ' '));
}

/** A bead in a word or two: its judgement, or the first thing it showed. */
export function outcomeWords({ outcome, shows }: { outcome: Bead['outcome']; shows: string | null }): string {
  if (outcome !== null) return OUTCOME_WORDS[outcome];
  return shows === null ? 'not judged' : shows.toLowerCase();
}
