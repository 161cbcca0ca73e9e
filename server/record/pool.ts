import { join } from 'node:path';
import Piscina from 'piscina';
import type { Taken } from './take-in';
import type { TakingIn } from './take-in.worker';

/** Files that may wait to be taken in; each stands on the disk meanwhile. */
const MOST_WAITING = 4;

export type TakingPool = {
  /** Takes a file into the database; null where it is not JSON. */
  takeFileIn: (taking: TakingIn) => Promise<Taken | null>;
  close: () => Promise<void>;
};

/** Starts what takes files in: one thread at a time, and none while there is nothing to do. */
export function startTakingPool(): TakingPool {
  const pool = new Piscina({
    filename: join(__dirname, 'take-in.worker.ts'),
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
  });
  return {
    takeFileIn: (taking) => pool.run(taking) as Promise<Taken | null>,
    close: () => pool.close({ force: true }),
  };
}
