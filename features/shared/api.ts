import type { FieldProblem } from '@/core/case/problems';
import type { Bead, Coupon, CouponSummary, RigRecord } from '@/core/record/schema';

/** What went wrong with a request, in words for the screen; `fields` when single fields are to blame. */
export class RequestProblem extends Error {
  constructor(
    message: string,
    readonly fields: FieldProblem[] = [],
  ) {
    super(message);
  }
}

type ProblemDocument = { title?: string; detail?: string; fields?: FieldProblem[] };

async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch {
    throw new RequestProblem('The workshop server cannot be reached. What you entered is kept here; try again.');
  }
  if (response.status === 204) return undefined as T;
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as ProblemDocument;
  throw new RequestProblem(
    problem.detail ?? problem.title ?? `The server answered ${response.status}.`,
    problem.fields,
  );
}

export const fetchRigs = (): Promise<RigRecord[]> => request('GET', '/rigs');
export const fetchCoupons = (): Promise<CouponSummary[]> => request('GET', '/coupons');
export const putRig = (rig: RigRecord): Promise<RigRecord> => request('PUT', `/rigs/${rig.id}`, rig);
export const putCoupon = (coupon: Coupon): Promise<Coupon> => request('PUT', `/coupons/${coupon.id}`, coupon);
export const putBead = (bead: Bead): Promise<Bead> => request('PUT', `/beads/${bead.id}`, bead);
export const deleteBead = (id: string): Promise<void> => request('DELETE', `/beads/${id}`);
