import { listen } from '../core/hearing/listen';
import { readWav, WavProblem, writeWav } from '../core/hearing/wav';
import type { ListenAsked, ListenTold } from './listen';

const tell = (told: ListenTold, given: Transferable[] = []): void =>
  (self as unknown as { postMessage: (told: ListenTold, given: Transferable[]) => void }).postMessage(told, given);

/** Listens to one recording, or writes it as a file. */
self.onmessage = ({ data }: MessageEvent<ListenAsked>) => {
  try {
    if (data.kind === 'write') {
      const bytes = writeWav(data.recording);
      return tell({ kind: 'written', bytes }, [bytes.buffer]);
    }
    const recording = data.kind === 'file' ? readWav(new Uint8Array(data.bytes)) : data.recording;
    tell({ kind: 'listened', listened: listen(recording) });
  } catch (error) {
    if (!(error instanceof WavProblem)) throw error;
    tell({ kind: 'problem', text: error.message });
  }
};
