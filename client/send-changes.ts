import type { QueryClient } from '@tanstack/react-query';
import type { Change, ChangeOf } from '@/core/record/change/change';
import type { ChangeKind } from '@/core/record/kinds/all';
import { deviceId, PERSON } from '@/client/stored/device-state';
import {
  dequeue,
  enqueue,
  markSent,
  onSentElsewhere,
  subscribeToOutbox,
  readOutbox,
  markRejected,
  type Files,
  type OutboxItem,
} from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { setStorageNotice, stored } from '@/platform/stored';
import { NOT_IN, RequestProblem, sendChange, sendPicture } from './api';
import { noteConflicts } from './conflicts';
import { seeAnswer } from './records-client';
import { onServerBack, serverAnswered, serverAway, serverInTrouble } from './server-state';

/** A change made now on this device, by whoever works with it. @param id of its own, where it had one before it was made */
export function makeChange<Kind extends ChangeKind>(
  kind: Kind,
  of: string,
  fields: ChangeOf<Kind>['fields'],
  against: number,
  id = platform().newId(),
): ChangeOf<Kind> {
  const madeAt = platform().now().toISOString();
  const person = stored(PERSON);
  return { id, kind, of, device: deviceId(), ...(person === null ? {} : { person }), madeAt, against, fields };
}

/** Problems of the server's own: the change is as good as it was, and is sent again. */
const PASSING = [NOT_IN, 'busy', 'database-locked', 'sites-apart', 'disk-full', 'database-unreadable', 'broken'];
const isPassing = (problem: RequestProblem): boolean => problem.code === null || PASSING.includes(problem.code);

/** A change over which the server breaks so often is set aside: others wait behind it. */
const MOST_BREAKS = 5;
/** How long between two tries, ms: soon at first, then less often. */
const PAUSES = [500, 1000, 2000, 4000, 8000, 15_000];

async function sendOne(client: QueryClient, change: Change, file?: Blob): ReturnType<typeof sendChange> {
  const answer = await (file === undefined ? sendChange(change) : sendPicture(change, file));
  serverAnswered();
  // What is now so stands in the records, on the device too, before the change stops waiting.
  await seeAnswer(client, answer);
  noteConflicts(answer.entry);
  return answer;
}

const asProblem = (error: unknown): RequestProblem =>
  error instanceof RequestProblem ? error : new RequestProblem(String(error));

/** Sends the first change that waits. @returns whether to go on at once */
async function sendNext(
  client: QueryClient,
  { seq, change, tried, file }: OutboxItem,
  breaks: Map<number, number>,
): Promise<boolean> {
  // From here on it may be on the server; it can only be taken back by another change.
  if (!tried && !(await markSent(seq))) return true;
  try {
    const answer = await sendOne(client, change, file);
    await dequeue(seq, answer);
    return true;
  } catch (error) {
    const problem = asProblem(error);
    const { code, message } = problem;
    const broken = (breaks.get(seq) ?? 0) + (code === 'broken' ? 1 : 0);
    breaks.set(seq, broken);
    if (!isPassing(problem) || broken >= MOST_BREAKS) {
      serverAnswered();
      await markRejected(seq, { code: code ?? 'broken', detail: message });
      return true;
    }
    if (code === null) serverAway();
    else if (code !== NOT_IN) serverInTrouble(message);
    return false;
  }
}

/** Waits for a nudge or for some time. */
function nudge(): { now: () => void; wait: (ms: number | null) => Promise<void> } {
  let wake: (() => void) | null = null;
  let nudged = false;
  return {
    now: () => {
      nudged = true;
      wake?.();
    },
    wait: (ms) =>
      new Promise<void>((done) => {
        const end = (): void => {
          callOff?.();
          wake = null;
          nudged = false;
          done();
        };
        const callOff = ms === null ? undefined : platform().after(ms, end);
        wake = end;
        if (nudged) end();
      }),
  };
}

/**
 * Sends what waits, one change after the other in the order they were made, for as long as the page is open. Of several
 * tabs one sends; where the browser cannot tell them apart several do, which is harmless, since a change counts once.
 * @returns how to stop
 */
export function startSending(client: QueryClient): () => void {
  const stop = new AbortController();
  const { now, wait } = nudge();
  const hearNoMore = [
    subscribeToOutbox(now),
    onServerBack(now),
    onSentElsewhere((answer) => {
      void seeAnswer(client, answer);
      noteConflicts(answer.entry);
    }),
  ];
  const run = async (): Promise<void> => {
    const breaks = new Map<number, number>();
    let failures = 0;
    while (!stop.signal.aborted) {
      const next = (await readOutbox()).find(({ refused }) => refused === null);
      if (next === undefined) failures = 0;
      else if (await sendNext(client, next, breaks)) {
        failures = 0;
        continue;
      } else failures += 1;
      await wait(failures === 0 ? null : PAUSES[Math.min(failures, PAUSES.length) - 1]);
    }
  };
  const { locks } = globalThis.navigator as Partial<Navigator>;
  const running = locks === undefined ? run() : locks.request('jolly-sending', { signal: stop.signal }, run);
  running.catch((error: unknown) => {
    if (!stop.signal.aborted) console.warn('what waits cannot be read', error);
  });
  return () => {
    stop.abort();
    now();
    hearNoMore.forEach((end) => end());
  };
}

/**
 * Makes changes: kept on the device first, then sent when it is their turn. Where the device can keep nothing, that is
 * said and they are sent at once.
 * @param files what goes with some of them, by the ids of these
 * @throws RequestProblem where they can be neither kept nor sent
 */
export async function submit(client: QueryClient, changes: readonly Change[], files: Files = new Map()): Promise<void> {
  try {
    await enqueue(changes, files);
  } catch {
    setStorageNotice('full');
    for (const change of changes) await sendOne(client, change, files.get(change.id));
  }
}
