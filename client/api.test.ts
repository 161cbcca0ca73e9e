import { replacePlatform } from '@/platform/ports';
import {
  fetchChanges,
  fetchLogPage,
  fetchNewestCouponId,
  fetchRigs,
  isWorthRepeating,
  RequestProblem,
  sendChange,
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
  it('sends a change as JSON, and reads without a body', async () => {
    answering(() => json({ entry: {} }));
    expect(await sendChange({ id: 'c' } as never)).toEqual({ entry: {} });
    expect(sent[0].path).toBe('/api/changes');
    expect(sent[0].init).toEqual(
      expect.objectContaining({
        method: 'POST',
        body: '{"id":"c"}',
        headers: { 'content-type': 'application/json' },
      }),
    );
    await fetchRigs();
    expect(sent[1].path).toBe('/api/rigs');
    expect(sent[1].init.method).toBe('GET');
    expect(sent[1].init).not.toHaveProperty('body');
  });

  it('is given up when nothing comes for long, and when it is not wanted any more', async () => {
    jest.useFakeTimers();
    const hanging = (): void =>
      replacePlatform({
        request: (_, { signal }) =>
          new Promise((_done, fail) =>
            signal!.addEventListener('abort', () => fail(new DOMException('x', 'AbortError'))),
          ),
      });
    hanging();
    const lost = problemOf(fetchRigs());
    jest.advanceTimersByTime(12_000);
    expect((await lost).code).toBeNull();
    const ended = new AbortController();
    const waiting = problemOf(fetchChanges(4, 20, ended.signal));
    let isOver = false;
    void waiting.then(() => (isOver = true));
    await jest.advanceTimersByTimeAsync(25_000);
    expect(isOver).toBe(false);
    ended.abort();
    expect((await waiting).message).toContain('cannot be reached');
    jest.useRealTimers();
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

  it('that never arrives says that the server cannot be reached', async () => {
    replacePlatform({ request: () => Promise.reject(new TypeError('Failed to fetch')) });
    const lost = await problemOf(fetchRigs());
    expect(lost.message).toBe('The workshop server cannot be reached.');
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
