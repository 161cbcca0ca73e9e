import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Change } from '../../core/record/change/change';

/** Why the server does not take a waiting change. */
export type Rejection = { code: string; detail: string };

/** A change that waits, as it is kept: in the order it was made. */
export type StoredChange = {
  seq?: number;
  change: Change;
  /** Whether it was sent: then the server may have it already, whether or not an answer came. */
  tried: boolean;
  refused: Rejection | null;
  /** The file of a picture that goes with it. */
  file?: Blob;
};

interface Shelves extends DBSchema {
  /** Changes that wait for the server, in order. Each stands there once, whoever put it. */
  waiting: { key: number; value: StoredChange; indexes: { 'by-change': string } };
  /** What could not be read. */
  'set-aside': { key: number; value: unknown };
  /** Records last seen from the server, by the question they answered. */
  seen: { key: string; value: string };
}
export type DeviceDatabase = IDBPDatabase<Shelves>;

const NAME = 'jolly-tinker';
/** Raised when a shelf changes; `upgrade` then brings each older version up. */
const VERSION = 1;

let opened: Promise<DeviceDatabase> | null = null;

async function open(): Promise<DeviceDatabase> {
  return openDB<Shelves>(NAME, VERSION, {
    upgrade(database, from) {
      if (from >= 1) return;
      const waiting = database.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true });
      waiting.createIndex('by-change', 'change.id', { unique: true });
      database.createObjectStore('set-aside', { autoIncrement: true });
      database.createObjectStore('seen');
    },
    // Another tab of a newer version waits to bring it up.
    blocking: () => void closeDeviceDatabase(),
    terminated: () => (opened = null),
  });
}

/** The larger things that this device keeps. @throws where the device keeps nothing, as in a private window */
export function deviceDatabase(): Promise<DeviceDatabase> {
  opened ??= open().catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}

/** Closes it; it is opened again when it is next asked for. */
export async function closeDeviceDatabase(): Promise<void> {
  const was = opened;
  opened = null;
  await was?.then((database) => database.close()).catch(() => undefined);
}

/** Forgets the records that were seen. What waits for the server stays: it is the one copy there is. */
export async function forgetSeen(): Promise<void> {
  await (await deviceDatabase()).clear('seen');
}

/** Forgets everything, as a new device would. For tests. */
export async function clearDeviceDatabase(): Promise<void> {
  await closeDeviceDatabase();
  await deleteDB(NAME);
}
