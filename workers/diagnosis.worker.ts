import { answer } from '../core/answer';
import { validateCase } from '../core/case/validate';
import { EXAMPLE_CASE } from '../core/cases/example';
import type { Question, Reply } from './protocol';

// The first answer is the slow one; it is worked out while the page is still being put together.
answer(EXAMPLE_CASE);

/** Answers cases off the main thread, so that tapping stays quick while it computes. */
self.onmessage = ({ data: { id, input } }: MessageEvent<Question>) => {
  const reply = (message: Reply): void => self.postMessage(message);
  try {
    const { value, problems } = validateCase(input);
    if (problems === null) reply({ id, answer: answer(value) });
    else reply({ id, problem: problems.map(({ field, takes }) => `${field} takes ${takes}`).join('; ') });
  } catch (error) {
    reply({ id, problem: error instanceof Error ? error.message : String(error) });
  }
};
