import { listen } from '../core/hearing/listen';
import { readWav, WavProblem, writeWav } from '../core/hearing/wav';
import { answerCalls } from './call';
import type { ListenAsked, ListenReply } from './listen';

/** Listens to one recording, or writes it as a file. */
function done(asked: ListenAsked): ListenReply {
  try {
    if (asked.kind === 'write') return { kind: 'written', bytes: writeWav(asked.recording) };
    const recording = asked.kind === 'file' ? readWav(new Uint8Array(asked.bytes)) : asked.recording;
    return { kind: 'listened', listened: listen(recording) };
  } catch (error) {
    if (!(error instanceof WavProblem)) throw error;
    return { kind: 'problem', text: error.message };
  }
}

answerCalls(done, (told) => (told.kind === 'written' ? [told.bytes.buffer] : []));
