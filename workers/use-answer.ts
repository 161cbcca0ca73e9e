import { useEffect, useRef, useState } from 'react';
import type { Answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';
import type { Question, Reply } from './protocol';

/** The newest answer, and whether a newer one is on its way; `problem` when the case cannot be computed. */
export type LiveAnswer = { answer: Answer | null; pending: boolean; problem: string | null };

/**
 * The answer to a case, computed in a web worker and kept up with every change.
 * While a case is being computed newer ones wait, and only the newest of them is sent.
 * @param input the case, or null while there is none
 */
export function useAnswer(input: Case | null): LiveAnswer {
  const [live, setLive] = useState<LiveAnswer>({ answer: null, pending: true, problem: null });
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<Case | null>(null);
  const asked = useRef(0);

  const send = (next: Case): void => {
    busy.current = true;
    waiting.current = null;
    asked.current += 1;
    worker.current?.postMessage({ id: asked.current, input: next } satisfies Question);
  };

  useEffect(() => {
    const started = new Worker(new URL('./diagnosis.worker.ts', window.location.href));
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<Reply>) => {
      busy.current = false;
      const newer = waiting.current;
      const pending = newer !== null;
      setLive((last) =>
        'answer' in data
          ? { answer: data.answer, pending, problem: null }
          : { ...last, pending, problem: data.problem },
      );
      if (newer !== null) send(newer);
    };
    started.onerror = () =>
      setLive((last) => ({
        ...last,
        pending: false,
        problem: 'The computation stopped. Reload the page; what you entered is kept.',
      }));
    return () => started.terminate();
  }, []);

  useEffect(() => {
    if (input === null) return;
    waiting.current = input;
    if (!busy.current) send(input);
    else setLive((last) => ({ ...last, pending: true }));
  }, [input]);

  return live;
}
