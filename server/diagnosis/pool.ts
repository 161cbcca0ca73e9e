import { join } from 'node:path';
import { cpus } from 'node:os';
import Piscina from 'piscina';
import type { Answer } from '../../core/answer';
import type { Case } from '../../core/case/schema';
import { TooBusy } from './outside-model';

/** Cases that may wait; more than that is refused, so that the wait stays short. */
const MOST_WAITING = 64;

/** Threads that work cases out, so that a busy one never holds up another request. */
export type DiagnosisPool = { diagnose: (input: Case) => Promise<Answer>; close: () => Promise<void> };

/** Starts the threads; one processor is left to answer requests. */
export function startDiagnosisPool(): DiagnosisPool {
  const pool = new Piscina<Case, Answer>({
    filename: join(__dirname, 'diagnose.worker.ts'),
    execArgv: ['--import', 'tsx'],
    minThreads: 1,
    maxThreads: Math.max(1, cpus().length - 1),
    maxQueue: MOST_WAITING,
  });
  return {
    diagnose: async (input) => {
      if (pool.queueSize >= MOST_WAITING) throw new TooBusy();
      return pool.run(input);
    },
    close: () => pool.close({ force: true }),
  };
}
