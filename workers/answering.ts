import type { Answer } from '@/core/answer';
import type { Case } from '@/core/case/schema';
import type { Asked, Question, Reply } from './protocol';

/** The part of a web worker that is used; tests put another in its place. */
export type AnswerWorker = {
  postMessage: (question: Question) => void;
  onmessage: ((event: { data: Reply }) => void) | null;
  onerror: ((event: unknown) => void) | null;
  terminate: () => void;
};

/** The newest answer with what it belongs to; `problem` when the newest case cannot be worked out. */
export type LiveAnswer = {
  answer: Answer | null;
  of: Asked | null;
  /** The case as it was judged, with the machine that the lesson makes. */
  judged: Case | null;
  pending: boolean;
  problem: string | null;
};

export const NOTHING_ASKED: LiveAnswer = { answer: null, of: null, judged: null, pending: true, problem: null };

/** A worker that stops this many times in a row over one case is not asked about it again. */
const MOST_CRASHES = 2;

/**
 * Asks a worker about one case at a time. While one is worked out newer ones wait, and only the newest of them is
 * sent. Replies are matched by their number; a worker that stopped is replaced and asked again.
 * @param spawn starts a worker
 * @param tell hears of every change
 */
export function startAnswering(spawn: () => AnswerWorker, tell: (live: LiveAnswer) => void) {
  let live = NOTHING_ASKED;
  let asked = 0;
  let inWork: Asked | null = null;
  let waiting: Asked | null = null;
  let crashes = 0;
  let worker = begin();

  function begin(): AnswerWorker {
    const started = spawn();
    started.onmessage = ({ data }) => {
      if (data.id === asked && inWork !== null) settle(inWork, data);
    };
    started.onerror = () => {
      started.terminate();
      worker = begin();
      crashes += 1;
      const again = waiting ?? inWork;
      inWork = null;
      if (again !== null && crashes <= MOST_CRASHES) send(again);
      else
        change({ ...live, answer: null, of: null, judged: null, pending: false, problem: 'The computation stopped' });
    };
    return started;
  }

  function change(next: LiveAnswer): void {
    live = next;
    tell(live);
  }

  function send(question: Asked): void {
    asked += 1;
    inWork = question;
    waiting = null;
    worker.postMessage({ ...question, id: asked });
  }

  function settle(of: Asked, reply: Reply): void {
    crashes = 0;
    inWork = null;
    const next = waiting;
    const pending = next !== null;
    change(
      'answer' in reply
        ? { answer: reply.answer, of, judged: reply.judged, pending, problem: null }
        : { answer: null, of, judged: null, pending, problem: reply.problem },
    );
    if (next !== null) send(next);
  }

  return {
    ask: (question: Asked): void => {
      if (inWork === null) send(question);
      else waiting = question;
      if (!live.pending) change({ ...live, pending: true });
    },
    stop: (): void => worker.terminate(),
  };
}
