import type { QueryClient } from '@tanstack/react-query';
import type { Changes } from '@/core/record/change/change-schema';
import type { Coupon, CouponRow } from '@/core/record/shapes/record-schema';
import { platform } from '@/platform/ports';
import { fetchChanges, fetchRevision, NOT_IN, RequestProblem } from './api';
import { noteConflicts } from './conflicts';
import {
  COUPONS,
  couponKey,
  daysAreBehind,
  LOG,
  NEWEST,
  seeBead,
  seePicture,
  seeRig,
  seeWork,
  TAUGHT,
} from './records-client';
import { onServerBack, serverAnswered, serverAway, serverInTrouble } from './server-state';
import { seeForLater } from './use-records';

/** How long the server is asked to wait for something new, s. */
const WAIT = 20;
/** Revisions before the first that are asked for as well: what was fetched while this page began may be older. */
const OVERLAP = 50;
/** The page is put together before it listens, ms. */
const BEGIN_AFTER = 1500;
const PAUSES = [1000, 2000, 4000, 8000, 15_000];

/** A coupon without its beads as it is now: small changes are made in place, larger ones fetched. */
function seeRow(client: QueryClient, row: CouponRow): void {
  const kept = client.getQueryData<Coupon>(couponKey(row.id));
  if (kept === undefined || kept.revision >= row.revision) return;
  const isSame =
    kept.title === row.title && kept.rigId === row.rigId && kept.putAway === row.putAway && kept.job.id === row.job.id;
  if (isSame) client.setQueryData<Coupon>(couponKey(row.id), { ...kept, revision: row.revision });
  else void client.invalidateQueries({ queryKey: couponKey(row.id), exact: true });
}

/** What another device wrote stands in the records; what is typed or tapped here is not touched. */
export function seeChanges(client: QueryClient, changes: Changes): void {
  const { rigs, coupons, beads, pictures, overriding, anew } = changes;
  // More was written than is told: what is shown is asked for anew, the rest when it is next shown.
  if (anew) void client.invalidateQueries();
  beads.forEach((bead) => void seeBead(client, bead));
  rigs.forEach((rig) => void seeRig(client, rig));
  coupons.forEach((row) => seeRow(client, row));
  pictures.forEach((picture) => void seePicture(client, picture));
  void seeWork(client, changes);
  overriding.forEach(noteConflicts);
  if (Object.values(changes).some((list) => Array.isArray(list) && list.length > 0)) daysAreBehind(client);
  if (rigs.length > 0 || beads.length > 0) void client.invalidateQueries({ queryKey: TAUGHT });
  if (coupons.length > 0 || beads.length > 0) {
    void client.invalidateQueries({ queryKey: LOG });
    void client.invalidateQueries({ queryKey: NEWEST });
    void client.invalidateQueries({ queryKey: COUPONS, predicate: ({ queryKey }) => queryKey.at(-1) === 'history' });
  }
}

/** Waits, or until the page is looked at again, or another part of it has found the server back. */
function pause(ms: number, ended: AbortSignal): Promise<void> {
  return new Promise((done) => {
    const end = (): void => {
      callOff();
      document.removeEventListener('visibilitychange', end);
      hearNoMore();
      ended.removeEventListener('abort', end);
      done();
    };
    const callOff = platform().after(ms, end);
    document.addEventListener('visibilitychange', end);
    const hearNoMore = onServerBack(end);
    ended.addEventListener('abort', end);
  });
}

/** Asks for what is new, and learns how the server stands. @param isBack whether it was away, so that nothing is waited for */
async function ask(since: number | null, isBack: boolean, signal: AbortSignal): Promise<Changes | Error> {
  try {
    const from = since ?? Math.max(0, (await fetchRevision()) - OVERLAP);
    const changes = await fetchChanges(from, isBack || since === null ? 0 : WAIT, signal);
    serverAnswered();
    return changes;
  } catch (error) {
    if (signal.aborted) return new Error('not wanted any more');
    const code = error instanceof RequestProblem ? error.code : null;
    if (code === null) serverAway();
    else if (code !== NOT_IN) serverInTrouble((error as Error).message);
    return error instanceof Error ? error : new Error(String(error));
  }
}

/**
 * Listens to what others write for as long as the page is open and looked at; so it also learns when the server is away
 * and when it is back.
 * @returns how to stop
 */
export function startListening(client: QueryClient): () => void {
  const stop = new AbortController();
  const { signal } = stop;
  const run = async (): Promise<void> => {
    let since: number | null = null;
    let failures = 0;
    await pause(BEGIN_AFTER, signal);
    while (!signal.aborted) {
      if (document.hidden) {
        await pause(60_000, signal);
        continue;
      }
      const changes = await ask(since, failures > 0, signal);
      if (signal.aborted) return;
      if (changes instanceof Error) {
        failures += 1;
        await pause(PAUSES[Math.min(failures, PAUSES.length) - 1], signal);
        continue;
      }
      if (since === null) void seeForLater(client);
      failures = 0;
      // A server whose records were put back from a backup is behind what is known here.
      since = changes.upTo < (since ?? 0) ? 0 : changes.upTo;
      try {
        seeChanges(client, changes);
      } catch {
        // What cannot be put in its place is asked for anew.
        void client.invalidateQueries();
      }
    }
  };
  void run();
  return () => stop.abort();
}
