import { answer, type Answer } from '../../core/answer';
import type { Case } from '../../core/case/schema';

/** Works one case out in a thread of its own. */
export default function diagnose(input: Case): Answer {
  return answer(input);
}
