import type { Answer, NamedCheck } from '@/core/answer';

/** The look that comes before the first move, or null where the move does or there is none to come before. */
export function lookFirst({
  first,
  nextChecks,
  correction,
}: Pick<Answer, 'first' | 'nextChecks' | 'correction'>): NamedCheck | null {
  if (first?.kind !== 'look' || correction.moves.length === 0) return null;
  return nextChecks.find(({ check }) => check === first.check) ?? null;
}
