import { answer } from '../core/answer';
import { validateCase } from '../core/case/validate';
import { EXAMPLE_CASE } from '../core/cases/example';
import { answering } from './answer-question';
import type { Question } from './protocol';

// The first answer is the slow one; it is worked out while the page is still being put together.
answer(EXAMPLE_CASE);

const reply = answering(validateCase);

/** Answers cases off the main thread, so that tapping stays quick while it computes. */
self.onmessage = ({ data }: MessageEvent<Question>) => self.postMessage(reply(data));
