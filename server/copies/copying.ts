import { fork, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { NO_COPIES, type Copies } from '../../core/record/shapes/copies-schema';
import { StartError } from '../errors/start-error';
import { copiedSpans, litestreamProgram } from './litestream';
import { placeText, placeWords, type CopyPlace } from './place';
import { after, clock } from '../system/clock';
import { runProgram } from '../system/program';

/** How long after its end the copying is begun anew, ms. */
const AGAIN_MS = 2000;

/** Copying while the server runs. */
export type Copying = { state: () => Copies; close: () => void };

/** Where none are made. */
export const noCopying: Copying = { state: () => NO_COPIES, close: () => undefined };

/**
 * Refuses to begin a new record over the copies of an old one: after a disk was lost the newest copy would be that of an empty workshop.
 * @throws StartError where there is no database and there are copies, or where they cannot be read
 */
export async function requireNoOldCopies(database: string, place: CopyPlace): Promise<void> {
  litestreamProgram();
  if (existsSync(database)) return;
  if ((await copiedSpans(place)).length > 0)
    throw new StartError(
      `There are copies of a record in ${placeWords(place)}, and no database at ${database}. Put it back with: npm run restore. For a new record give COPY_TO another place.`,
    );
}

/** Starts the copying, in a process of its own that outlives this one until all is copied. */
export function startCopying(database: string, place: CopyPlace): Copying {
  let state: Copies = { ...NO_COPIES, to: placeWords(place) };
  let child: ChildProcess | null = null;
  let callOff: (() => void) | null = null;
  let isOver = false;
  const begin = (): void => {
    const { path, execArgv } = runProgram('copies/copier');
    const begun = fork(path, [database, placeText(place)], {
      execArgv,
      // Whoever stops the server by its key has it copy the last change all the same.
      detached: true,
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    child = begun;
    begun.on('message', (said: Copies) => (state = said));
    begun.once('exit', () => {
      if (isOver) return;
      const since = state.since ?? clock().toISOString();
      state = { ...state, trouble: 'the copying ended and is begun anew', since };
      callOff = after(AGAIN_MS, begin);
    });
    // It does not hold up the end of the server.
    begun.unref();
    begun.channel?.unref();
  };
  begin();
  return {
    state: () => state,
    close: () => {
      isOver = true;
      callOff?.();
      if (child?.connected === true) child.disconnect();
    },
  };
}
