import { answer } from '../core/answer';
import type { Question, Reply } from './protocol';

/** Answers cases off the main thread, so that tapping stays quick while it computes. */
self.onmessage = ({ data }: MessageEvent<Question>) => {
  const reply = (message: Reply): void => self.postMessage(message);
  try {
    reply({ id: data.id, answer: answer(data.input) });
  } catch (error) {
    reply({ id: data.id, problem: error instanceof Error ? error.message : String(error) });
  }
};
