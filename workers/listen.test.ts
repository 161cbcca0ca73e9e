import type { ToWorker } from './call';
import { listenTo, RecordingProblem, wavOf, type ListenReply } from './listen';

/** A worker that tells what it is told to tell. */
function saying(told: ListenReply | 'breaks') {
  const worker = {
    asked: [] as unknown[],
    stopped: 0,
    onmessage: null as ((event: MessageEvent) => unknown) | null,
    onerror: null as ((event: ErrorEvent) => unknown) | null,
    postMessage: (asked: ToWorker<unknown>): void => {
      worker.asked.push(asked.asked);
      if (told === 'breaks') worker.onerror?.({} as ErrorEvent);
      else worker.onmessage?.({ data: { id: asked.id, reply: told } } as MessageEvent);
    },
    terminate: () => void (worker.stopped += 1),
  };
  return worker;
}
const RECORDING = { samples: new Float32Array(8), rate: 8000 };
const LISTENED = { heard: null, why: 'too-short', seconds: 0.001, spans: [], clicks: [] } as const;

describe('a recording that is listened to in a worker', () => {
  it('comes back with what was heard, and the worker ends', async () => {
    const worker = saying({ kind: 'listened', listened: { ...LISTENED, spans: [], clicks: [] } });
    expect(await listenTo({ kind: 'samples', recording: RECORDING }, () => worker)).toEqual(LISTENED);
    expect([worker.asked, worker.stopped]).toEqual([[{ kind: 'samples', recording: RECORDING }], 1]);
  });

  it('says what is wrong with a file, and that the worker failed', async () => {
    const bad = saying({ kind: 'problem', text: 'This is no WAV file' });
    const asked = { kind: 'file', bytes: new ArrayBuffer(3) } as const;
    await expect(listenTo(asked, () => bad)).rejects.toThrow(new RecordingProblem('This is no WAV file'));
    const broken = saying('breaks');
    await expect(listenTo(asked, () => broken)).rejects.toThrow('could not be listened to');
    expect([bad.stopped, broken.stopped]).toEqual([1, 1]);
  });

  it('is written as a file', async () => {
    const bytes = Uint8Array.from([82, 73, 70, 70]);
    expect(await wavOf(RECORDING, () => saying({ kind: 'written', bytes }))).toBe(bytes);
  });
});
