import type { Listened, Recording } from '../core/hearing/listen';
import { workerCall, type CalledWorker } from './call';

/** What is asked of the worker: to listen to a file or to what the microphone took, or to write that as a file. */
export type ListenAsked =
  | { kind: 'file'; bytes: ArrayBuffer }
  | { kind: 'samples'; recording: Recording }
  | { kind: 'write'; recording: Recording };
/** What it tells; a problem in words where the file cannot be read. */
export type ListenReply =
  | { kind: 'listened'; listened: Listened }
  | { kind: 'written'; bytes: Uint8Array<ArrayBuffer> }
  | { kind: 'problem'; text: string };

const start = (): CalledWorker => new Worker(new URL('./listen.worker.ts', window.location.href));

/** A problem of the recording itself, in words for whoever made it. */
export class RecordingProblem extends Error {}

/** Has one thing done in a worker of its own, which ends with it. @param spawn tests put another in its place */
async function doneIn(asked: ListenAsked, spawn: () => CalledWorker): Promise<ListenReply> {
  const call = workerCall<ListenAsked, ListenReply>(spawn, 'The recording could not be listened to', false);
  const told = await call(asked);
  if (told.kind === 'problem') throw new RecordingProblem(told.text);
  return told;
}

/** Listens to a recording. @throws RecordingProblem where the file is not one that can be listened to */
export async function listenTo(
  asked: Exclude<ListenAsked, { kind: 'write' }>,
  spawn: () => CalledWorker = start,
): Promise<Listened> {
  const told = await doneIn(asked, spawn);
  if (told.kind !== 'listened') throw new Error('The recording could not be listened to');
  return told.listened;
}

/** A recording as a WAV file. */
export async function wavOf(recording: Recording, spawn: () => CalledWorker = start): Promise<Uint8Array<ArrayBuffer>> {
  const told = await doneIn({ kind: 'write', recording }, spawn);
  if (told.kind !== 'written') throw new Error('The recording could not be written');
  return told.bytes;
}
