import type { Answer } from '@/core/answer';
import type { FindingState } from '@/core/case/schema';
import { FINDINGS } from '@/core/knowledge/findings';

/** The verdict in one line: a cause with its probability, or what stands in its place. */
export type Headline = { title: string; probability: number | null; kind: 'cause' | 'open' | 'sound' | 'ask' };

/** A cause has to reach this to stand at the head of the verdict. */
const STANDS_OUT = 0.3;
/** So many good signs make a bead that looks sound. */
const GOOD_SIGNS = 2;

const good = new Set<string>(FINDINGS.flatMap(({ id, good: isGood }) => (isGood ? [id] : [])));

/**
 * Returns what to say first of an answer.
 * @param findings what was tapped
 */
export function headline(
  answer: Pick<Answer, 'causes' | 'start' | 'held'>,
  findings: Record<string, FindingState>,
): Headline {
  const [top] = answer.causes;
  if (top !== undefined && top.probability >= STANDS_OUT)
    return { title: top.name, probability: top.probability, kind: 'cause' };
  if (answer.held.length > 0) return { title: 'Put the machine right first', probability: null, kind: 'ask' };
  const stated = Object.entries(findings);
  const trouble = stated.some(([id, state]) => (good.has(id) ? state === 'absent' : state === 'present'));
  if (trouble) return { title: 'No cause stands out yet', probability: null, kind: 'open' };
  const signs = stated.filter(([id, state]) => good.has(id) && state === 'present').length;
  if (signs >= GOOD_SIGNS) return { title: 'Looks sound', probability: null, kind: 'sound' };
  const title = answer.start === null ? 'Tap what the bead shows' : 'Ready for a bead';
  return { title, probability: null, kind: 'ask' };
}
