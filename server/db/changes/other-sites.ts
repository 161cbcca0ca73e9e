import { newestRevision } from './changes-since';
import type { Connection } from '../engine/connection';
import type { Store } from '../engine/store';
import { after } from '../../system/clock';
import { notifyWritten } from '../records/write';

/** How often what other sites wrote is fetched, ms; and after how long again where there was no answer, since nobody is served meanwhile. */
const EVERY_MS = 1000;
const AWAY_MS = 15_000;

/**
 * Fetches what other sites wrote to the database that this one is a replica of, and tells those who listen.
 * @returns how to end it
 */
export function listenToOtherSites(store: Store, connection: Connection & { sync?: () => boolean }): () => void {
  let told = newestRevision(store);
  let callOff: () => void;
  const look = (): void => {
    const isThere = connection.sync?.() === true;
    const newest = newestRevision(store);
    if (newest !== told) notifyWritten(store, newest);
    told = newest;
    wait(isThere ? EVERY_MS : AWAY_MS);
  };
  const wait = (ms: number): void => {
    callOff = after(ms, look);
  };
  wait(EVERY_MS);
  return () => callOff();
}
