import Piscina from 'piscina';
import type { Charts } from '../../core/record/shapes/charts-schema';
import type { Charting } from './charts.worker';
import type { ImportReport } from './import-record';
import { threadOf, type Program } from '../system/program';
import { TooBusy } from '../errors/outside-model';
import type { ImportJob } from './import-record.worker';

/** Files that may wait to be taken in; each stands on the disk meanwhile. */
const MOST_WAITING = 4;
/** Charts that may wait. */
const MOST_CHARTED = 32;

/** What goes through the whole record, away from the thread that answers requests. */
export type RecordPool = {
  /** Takes a file into the database; null where it is not JSON. */
  takeFileIn: (taking: ImportJob) => Promise<ImportReport | null>;
  /** The sum of the record by the month. */
  charts: (of: Charting) => Promise<Charts>;
  close: () => Promise<void>;
};

/** Starts the threads: one for files, one for charts, and none while there is nothing to do. */
export function startRecordPool(): RecordPool {
  const poolOf = (worker: Program, maxQueue: number): Piscina =>
    new Piscina({
      ...threadOf(worker),
      ...{ minThreads: 0, maxThreads: 1, maxQueue, idleTimeout: 30_000 },
    });
  const taking = poolOf('files/import-record.worker', MOST_WAITING);
  const charting = poolOf('files/charts.worker', MOST_CHARTED);
  return {
    takeFileIn: (of) => taking.run(of) as Promise<ImportReport | null>,
    charts: (of) => {
      if (charting.queueSize >= MOST_CHARTED) return Promise.reject(new TooBusy());
      return charting.run(of) as Promise<Charts>;
    },
    close: async () => {
      await Promise.all([taking.close({ force: true }), charting.close({ force: true })]);
    },
  };
}
