import type { Listened, Recording } from '../core/hearing/listen';

/** What is asked of the worker: to listen to a file or to what the microphone took, or to write that as a file. */
export type ListenAsked =
  | { kind: 'file'; bytes: ArrayBuffer }
  | { kind: 'samples'; recording: Recording }
  | { kind: 'write'; recording: Recording };
/** What it tells; a problem in words where the file cannot be read. */
export type ListenTold =
  | { kind: 'listened'; listened: Listened }
  | { kind: 'written'; bytes: Uint8Array<ArrayBuffer> }
  | { kind: 'problem'; text: string };

type ListenWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

const start = (): ListenWorker => new Worker(new URL('./listen.worker.ts', window.location.href));

/** A problem of the recording itself, in words for whoever made it. */
export class RecordingProblem extends Error {}

/** Has one thing done in a worker of its own, which ends with it. @param spawn tests put another in its place */
function once(asked: ListenAsked, spawn: () => ListenWorker): Promise<ListenTold> {
  const worker = spawn();
  return new Promise<ListenTold>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<ListenTold>) => {
      worker.terminate();
      if (data.kind === 'problem') fail(new RecordingProblem(data.text));
      else done(data);
    };
    worker.onerror = () => {
      worker.terminate();
      fail(new Error('The recording could not be listened to'));
    };
    worker.postMessage(asked);
  });
}

/** Listens to a recording. @throws RecordingProblem where the file is not one that can be listened to */
export async function listenTo(
  asked: Exclude<ListenAsked, { kind: 'write' }>,
  spawn: () => ListenWorker = start,
): Promise<Listened> {
  const told = await once(asked, spawn);
  if (told.kind !== 'listened') throw new Error('The recording could not be listened to');
  return told.listened;
}

/** A recording as a WAV file. */
export async function wavOf(recording: Recording, spawn: () => ListenWorker = start): Promise<Uint8Array<ArrayBuffer>> {
  const told = await once({ kind: 'write', recording }, spawn);
  if (told.kind !== 'written') throw new Error('The recording could not be written');
  return told.bytes;
}
