import { join } from 'node:path';
import Piscina from 'piscina';
import type { Charts } from '../../core/record/charts-schema';
import type { Charting } from './charts.worker';
import type { Taken } from './take-in';
import { TooBusy } from '../diagnosis/outside-model';
import type { TakingIn } from './take-in.worker';

/** Files that may wait to be taken in; each stands on the disk meanwhile. */
const MOST_WAITING = 4;
/** Charts that may wait. */
const MOST_CHARTED = 32;

/** What goes through the whole record, away from the thread that answers requests. */
export type RecordPool = {
  /** Takes a file into the database; null where it is not JSON. */
  takeFileIn: (taking: TakingIn) => Promise<Taken | null>;
  /** The sum of the record by the month. */
  charts: (of: Charting) => Promise<Charts>;
  close: () => Promise<void>;
};

/** Starts the threads: one for files, one for charts, and none while there is nothing to do. */
export function startRecordPool(): RecordPool {
  const poolOf = (worker: string, maxQueue: number): Piscina =>
    new Piscina({
      ...{ filename: join(__dirname, worker), execArgv: ['--import', 'tsx'] },
      ...{ minThreads: 0, maxThreads: 1, maxQueue, idleTimeout: 30_000 },
    });
  const taking = poolOf('take-in.worker.ts', MOST_WAITING);
  const charting = poolOf('charts.worker.ts', MOST_CHARTED);
  return {
    takeFileIn: (of) => taking.run(of) as Promise<Taken | null>,
    charts: (of) => {
      if (charting.queueSize >= MOST_CHARTED) return Promise.reject(new TooBusy());
      return charting.run(of) as Promise<Charts>;
    },
    close: async () => {
      await Promise.all([taking.close({ force: true }), charting.close({ force: true })]);
    },
  };
}
