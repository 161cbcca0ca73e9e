import type { EyeItem, EyeQuestion } from '../core/school/by-eye';
import type { FirstQuestion } from '../core/school/what-first';

/** What is asked of the worker: a question of the School that takes the diagnosis. */
export type SchoolAsked =
  | { kind: 'eye'; item: EyeItem; level: number; mixed: string[]; seed: number }
  | { kind: 'first'; level: number; seed: number };
export type SchoolTold = { kind: 'eye'; question: EyeQuestion } | { kind: 'first'; question: FirstQuestion };

type SchoolWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

const start = (): SchoolWorker => new Worker(new URL('./school.worker.ts', window.location.href));

let running: SchoolWorker | null = null;

/** Has a question made in the worker of the School, which is started with the first. @param spawn tests put another in its place */
function ask(asked: SchoolAsked, spawn: () => SchoolWorker): Promise<SchoolTold> {
  running ??= spawn();
  const worker = running;
  return new Promise<SchoolTold>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<SchoolTold>) => done(data);
    worker.onerror = () => {
      worker.terminate();
      running = null;
      fail(new Error('The question could not be made'));
    };
    worker.postMessage(asked);
  });
}

/** A question of the eye. */
export async function askEye(
  asked: Omit<Extract<SchoolAsked, { kind: 'eye' }>, 'kind'>,
  spawn: () => SchoolWorker = start,
): Promise<EyeQuestion> {
  const told = await ask({ kind: 'eye', ...asked }, spawn);
  if (told.kind !== 'eye') throw new Error('The question could not be made');
  return told.question;
}

/** A question of what to check first. */
export async function askFirst(
  asked: Omit<Extract<SchoolAsked, { kind: 'first' }>, 'kind'>,
  spawn: () => SchoolWorker = start,
): Promise<FirstQuestion> {
  const told = await ask({ kind: 'first', ...asked }, spawn);
  if (told.kind !== 'first') throw new Error('The question could not be made');
  return told.question;
}
