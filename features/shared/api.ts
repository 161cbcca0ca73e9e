import type { Bead, BeadChange, Coupon, CouponPage, NewBead, NewCoupon, NewRig, RigRecord } from '@/core/record/schema';
import type { FieldProblem } from '@/core/schema/problems';
import { platform } from '@/platform/ports';

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

type ProblemDocument = { code?: string; title?: string; detail?: string; fields?: FieldProblem[] };

async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await platform().request(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch {
    throw new RequestProblem('The workshop server cannot be reached. What you entered is kept here; try again.');
  }
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as ProblemDocument;
  const text = problem.detail ?? problem.title ?? `The server answered ${response.status}.`;
  throw new RequestProblem(text, problem.code ?? null, problem.fields);
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
export const fetchCoupon = (id: string): Promise<Coupon> => request('GET', `/coupons/${id}`);
export const putRig = (rig: NewRig): Promise<RigRecord> => request('PUT', `/rigs/${rig.id}`, rig);
export const putCoupon = (coupon: NewCoupon): Promise<Coupon> => request('PUT', `/coupons/${coupon.id}`, coupon);
export const putBead = (bead: NewBead): Promise<Bead> => request('PUT', `/beads/${bead.id}`, bead);
export const changeBead = ({ id, change }: { id: string; change: BeadChange }): Promise<Bead> =>
  request('PATCH', `/beads/${id}`, change);
