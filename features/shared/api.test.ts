import { replacePlatform } from '@/platform/ports';
import {
  changeBead,
  fetchLogPage,
  fetchNewestCouponId,
  fetchRigs,
  isWorthRepeating,
  putCoupon,
  RequestProblem,
} from './api';

const sent: { path: string; init: RequestInit }[] = [];

/** A server that answers everything alike. */
function answering(answer: () => Response): void {
  sent.length = 0;
  replacePlatform({
    request: (path, init) => {
      sent.push({ path, init });
      return Promise.resolve(answer());
    },
  });
}
const reply = (status: number, json: () => Promise<unknown>): Response =>
  ({ ok: status < 300, status, json }) as unknown as Response;
const json = (body: unknown, status = 200): Response => reply(status, () => Promise.resolve(body));
const problemOf = (promise: Promise<unknown>): Promise<RequestProblem> =>
  promise.then(
    () => Promise.reject(new Error('it was taken')),
    (error: RequestProblem) => error,
  );

afterEach(() => replacePlatform(null));

describe('a request', () => {
  it('sends a record as JSON to its own place, and reads without a body', async () => {
    answering(() => json({ id: 'c' }));
    expect(await putCoupon({ id: 'c' } as never)).toEqual({ id: 'c' });
    expect(sent).toEqual([
      {
        path: '/api/coupons/c',
        init: { method: 'PUT', body: '{"id":"c"}', headers: { 'content-type': 'application/json' } },
      },
    ]);
    await changeBead({ id: 'b', change: { note: 'x' } as never });
    expect(sent[1]).toEqual(expect.objectContaining({ path: '/api/beads/b' }));
    expect(sent[1].init).toEqual(expect.objectContaining({ method: 'PATCH', body: '{"note":"x"}' }));
    await fetchRigs();
    expect(sent[2]).toEqual({ path: '/api/rigs', init: { method: 'GET' } });
  });

  it('that is refused says what the server said, with its code and fields', async () => {
    const fields = [{ field: 'title', takes: '1 to 120 characters' }];
    answering(() => json({ code: 'fields', title: 'Not taken', detail: 'Check the fields.', fields }, 422));
    const refused = await problemOf(fetchRigs());
    expect(refused).toBeInstanceOf(RequestProblem);
    expect(refused).toEqual(expect.objectContaining({ message: 'Check the fields.', code: 'fields', fields }));
    answering(() => json({ code: 'gone', title: 'Not here' }, 404));
    expect((await problemOf(fetchRigs())).message).toBe('Not here');
  });

  it('that is answered by something else says so, and has no fields to blame', async () => {
    answering(() => reply(502, () => Promise.reject(new SyntaxError('Unexpected token <'))));
    expect(await problemOf(fetchRigs())).toEqual(
      expect.objectContaining({ message: 'The server answered 502.', code: null, fields: [] }),
    );
  });

  it('that never arrives says that what was entered is kept', async () => {
    replacePlatform({ request: () => Promise.reject(new TypeError('Failed to fetch')) });
    const lost = await problemOf(fetchRigs());
    expect(lost.message).toContain('What you entered is kept here');
    expect(lost.code).toBeNull();
  });

  it('is repeated once where it never arrived, and never after an answer', () => {
    const lost = new RequestProblem('away');
    expect(isWorthRepeating(0, lost)).toBe(true);
    expect(isWorthRepeating(1, lost)).toBe(false);
    expect(isWorthRepeating(0, new RequestProblem('no', 'fields'))).toBe(false);
    expect(isWorthRepeating(0, new TypeError('x'))).toBe(true);
  });
});

describe('the log', () => {
  const asked = async (...of: Parameters<typeof fetchLogPage>): Promise<Record<string, string>> => {
    answering(() => json({ coupons: [], next: null }));
    await fetchLogPage(...of);
    const { pathname, searchParams } = new URL(sent[0].path, 'http://bench');
    expect(pathname).toBe('/api/coupons');
    return Object.fromEntries(searchParams);
  };

  it('is asked for a page at a time, and only by what was chosen', async () => {
    expect(await asked({ state: 'all', text: '', putAway: false }, null)).toEqual({ limit: '30' });
    expect(await asked({ state: 'sound', text: ' hinge & pin ', putAway: true }, 'after-this')).toEqual({
      state: 'sound',
      text: 'hinge & pin',
      putAway: 'true',
      after: 'after-this',
      limit: '30',
    });
    expect((await asked({ state: 'all', text: 'x'.repeat(200), putAway: false }, null)).text).toHaveLength(80);
    expect(await asked({ state: 'all', text: '  ', putAway: false }, null)).not.toHaveProperty('text');
  });

  it('knows the newest coupon, or that there is none', async () => {
    answering(() => json({ coupons: [{ id: 'new' }], next: 'x' }));
    expect(await fetchNewestCouponId()).toBe('new');
    expect(sent[0].path).toBe('/api/coupons?limit=1');
    answering(() => json({ coupons: [], next: null }));
    expect(await fetchNewestCouponId()).toBeNull();
  });
});
