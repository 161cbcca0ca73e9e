import type { Change } from '@/core/record/change/change';
import type { Changed, Changes, HistoryEntry } from '@/core/record/change/change-schema';
import type { PictureOwner, Picture } from '@/core/record/shapes/picture-schema';
import type { Coupon, CouponPage, RigRecord } from '@/core/record/shapes/record-schema';
import type { CareKnown } from '@/core/care/due';
import type { Teaching } from '@/core/learning/teaching';
import type { ChartCell } from '@/core/answer/own-chart';
import type { Worn } from '@/core/record/shapes/part-wear';
import type { FieldProblem } from '@/core/schema/problems';
import { platform } from '@/platform/ports';
import { serverAsksWho } from './server-state';

/** What went wrong with a request, in words for the screen; `fields` when single fields are to blame. */
export class RequestProblem extends Error {
  constructor(
    message: string,
    readonly code: string | null = null,
    readonly fields: FieldProblem[] = [],
  ) {
    super(message);
  }
}

/** A request that never reached the server is worth one more try; an answer of the server is final. */
export function isWorthRepeating(failures: number, error: Error): boolean {
  return failures < 1 && !(error instanceof RequestProblem && error.code !== null);
}

/** The server answers nobody who did not come in. */
export const NOT_IN = 'not-in';

type ProblemDocument = { code?: string; title?: string; detail?: string; fields?: FieldProblem[] };

/** A server that says nothing for so long is as good as away: a yard's network often swallows without a word, ms. */
const PATIENCE = 12_000;

/** @param patience ms @param ended ends it before its time */
async function sent<T>(path: string, init: RequestInit, patience: number, ended?: AbortSignal): Promise<T> {
  let response: Response;
  const stop = new AbortController();
  const end = (): void => stop.abort();
  const callOff = platform().after(patience, end);
  ended?.addEventListener('abort', end);
  try {
    response = await platform().request(`/api${path}`, { ...init, signal: stop.signal });
    if (response.ok) return (await response.json()) as T;
  } catch {
    throw new RequestProblem('The workshop server cannot be reached.');
  } finally {
    callOff();
    ended?.removeEventListener('abort', end);
  }
  const problem = (await response.json().catch(() => ({}))) as ProblemDocument;
  if (problem.code === NOT_IN) serverAsksWho();
  const text = problem.detail ?? problem.title ?? `The server answered ${response.status}.`;
  throw new RequestProblem(text, problem.code ?? null, problem.fields);
}

/** @param patience ms @param ended ends it before its time */
export function request<T>(
  method: string,
  path: string,
  body?: unknown,
  patience = PATIENCE,
  ended?: AbortSignal,
): Promise<T> {
  const json = { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
  return sent(path, { method, ...(body === undefined ? {} : json) }, patience, ended);
}

/** Which coupons the log shows. */
export type LogFilter = { state: 'all' | 'sound' | 'open'; text: string; putAway: boolean };

/** A page of the log. @param after cursor of the page before, or null for the first */
export function fetchLogPage({ state, text, putAway }: LogFilter, after: string | null): Promise<CouponPage> {
  const asked = new URLSearchParams({
    ...(state === 'all' ? {} : { state }),
    ...(text.trim() === '' ? {} : { text: text.trim().slice(0, 80) }),
    ...(putAway ? { putAway: 'true' } : {}),
    ...(after === null ? {} : { after }),
    limit: '30',
  });
  return request('GET', `/coupons?${asked}`);
}

/** The id of the newest coupon on the bench, or null in an empty workshop. */
export async function fetchNewestCouponId(): Promise<string | null> {
  const page = await request<CouponPage>('GET', '/coupons?limit=1');
  return page.coupons[0]?.id ?? null;
}

export const fetchRigs = (): Promise<RigRecord[]> => request('GET', '/rigs');
/** Returns what a rig has taught. */
export const fetchTeaching = (rigId: string): Promise<Teaching> => request('GET', `/rigs/${rigId}/experience`);
/** Returns what the parts of a rig have done. */
export const fetchWorn = (rigId: string): Promise<Worn[]> => request('GET', `/rigs/${rigId}/parts`);
/** Returns what is known of the care of a rig. */
export const fetchCare = (rigId: string): Promise<CareKnown[]> => request('GET', `/rigs/${rigId}/care`);
/** The own settings chart of a rig. */
export const fetchOwnChart = (rigId: string): Promise<ChartCell[]> => request('GET', `/rigs/${rigId}/chart`);
export const fetchCoupon = (id: string): Promise<Coupon> => request('GET', `/coupons/${id}`);
/** Sends one change; the same one may be sent again. */
export const sendChange = (change: Change): Promise<Changed> => request('POST', '/changes', change);

/** A picture is larger than any change, and a yard's network slow, ms. */
const PICTURE_PATIENCE = 120_000;

/** Sends a picture with the change that attaches it; the same one may be sent again. */
export function sendPicture(change: Change, file: Blob): Promise<Changed> {
  const body = new FormData();
  body.append('change', JSON.stringify(change));
  body.append('file', file, 'picture');
  return sent('/pictures', { method: 'POST', body }, PICTURE_PATIENCE);
}

/** The pictures of a coupon's beads, or of a weld. */
export const fetchPictures = (owner: PictureOwner): Promise<Picture[]> =>
  request('GET', 'weldId' in owner ? `/welds/${owner.weldId}/pictures` : `/coupons/${owner.couponId}/pictures`);

/** The newest revision the server has. */
export const fetchRevision = async (): Promise<number> =>
  (await request<{ revision: number }>('GET', '/health')).revision;

/** Returns what changed since a revision. @param wait how many seconds to wait where there is nothing new */
export const fetchChanges = (since: number, wait: number, ended: AbortSignal): Promise<Changes> =>
  request('GET', `/changes?since=${since}&wait=${wait}`, undefined, wait * 1000 + PATIENCE, ended);

/** Every change of a coupon and its beads, oldest first. */
export const fetchHistory = (couponId: string): Promise<HistoryEntry[]> =>
  request('GET', `/coupons/${couponId}/history`);
