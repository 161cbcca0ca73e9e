import { cpus } from 'node:os';
import Piscina from 'piscina';
import type { Answer, HeldStart, StartAnswer } from '../../core/answer';
import type { Case } from '../../core/case/schema';
import type { ChartCell } from '../../core/answer/own-chart';
import type { SoundBead } from '../../core/start/sound-bead-schema';
import type { JudgedBead } from '../../core/learning/machine-belief';
import { threadOf } from '../system/program';
import { TooBusy } from '../errors/outside-model';

/** Cases that may wait; more than that is refused, so that the wait stays short. */
const MOST_WAITING = 64;

/** What is worked out away from the thread that answers requests. */
export type Thinking = {
  diagnose: (input: Case) => Promise<Answer>;
  /** Returns what to start a case with. */
  start: (input: Case) => Promise<StartAnswer | HeldStart>;
  /** A rig's own settings chart. */
  chart: (of: { input: Case; proven: readonly SoundBead[] }) => Promise<ChartCell[]>;
  /** Returns what each judged bead says of its machine. */
  learn: (beads: readonly JudgedBead[]) => Promise<(number[] | null)[]>;
};

/** Threads that work cases out, so that a busy one never holds up another request. */
export type DiagnosisPool = Thinking & { close: () => Promise<void> };

/** Starts the threads; one processor is left to answer requests. */
export function startDiagnosisPool(): DiagnosisPool {
  const pool = new Piscina({
    ...threadOf('diagnosis/diagnose.worker'),
    minThreads: 1,
    maxThreads: Math.max(1, cpus().length - 1),
    maxQueue: MOST_WAITING,
  });
  const run = <T>(input: unknown, name?: string): Promise<T> => {
    if (pool.queueSize >= MOST_WAITING) return Promise.reject(new TooBusy());
    return pool.run(input, name === undefined ? {} : { name }) as Promise<T>;
  };
  return {
    diagnose: (input) => run(input),
    start: (input) => run(input, 'start'),
    chart: (of) => run(of, 'chart'),
    learn: (beads) => run(beads, 'learn'),
    close: () => pool.close({ force: true }),
  };
}
