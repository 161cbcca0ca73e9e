import { useEffect, useRef, useState } from 'react';
import type { Asked } from './protocol';
import { NOTHING_ASKED, startAnswering, type AnswerWorker, type LiveAnswer } from './answering';

export type { LiveAnswer } from './answering';

const start = (): AnswerWorker =>
  new Worker(new URL('./diagnosis.worker.ts', window.location.href)) as unknown as AnswerWorker;

/** The built page starts a worker before its own script is read (see scripts/prepare.mjs) and leaves it under this name. */
const AHEAD = globalThis as { workerAhead?: AnswerWorker };

/** A worker that was started ahead, so that it is up by the time the first case is there. */
let spare: AnswerWorker | null = null;

/** Starts the worker ahead of the first case, where the page has not. */
export function warmUp(): void {
  spare ??= AHEAD.workerAhead ?? start();
}

function spawn(): AnswerWorker {
  const worker = spare ?? start();
  spare = null;
  return worker;
}

/**
 * The answer to a case, computed in a web worker and kept up with every change.
 * @param asked the case with what its rig has taught; the same object while neither changes
 */
export function useAnswer(asked: Asked): LiveAnswer {
  const [live, setLive] = useState<LiveAnswer>(NOTHING_ASKED);
  const answering = useRef<ReturnType<typeof startAnswering> | null>(null);

  useEffect(() => {
    const started = startAnswering(spawn, setLive);
    answering.current = started;
    return () => {
      answering.current = null;
      started.stop();
    };
  }, []);

  useEffect(() => {
    answering.current?.ask(asked);
  }, [asked]);

  return live;
}
