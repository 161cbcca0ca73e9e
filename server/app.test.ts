import { EXAMPLE_CASE } from '../core/cases/example';
import { OutsideModel, TooBusy } from './errors/outside-model';
import { BODY_LIMIT_KB } from './errors/problem';
import { openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
const open = async (options: Parameters<typeof openWorkshop>[0] = {}): Promise<void> => {
  shop = await openWorkshop({ demo: false, ...options });
};
afterEach(() => shop.stop());

const send = async (...asked: Parameters<Workshop['send']>) => {
  const { status, json, headers, type } = await shop.send(...asked);
  return { status, type, headers, problem: json as { code?: string; detail?: string; fields?: object[] } };
};

describe('every answer', () => {
  it('carries the policy of its content and is not kept', async () => {
    await open();
    const { headers } = await send('GET', '/health');
    expect(String(headers['content-security-policy']).split(';').sort()).toEqual(
      [
        "base-uri 'self'",
        "default-src 'self'",
        "form-action 'self'",
        "frame-ancestors 'none'",
        "img-src 'self' data: blob:",
        "object-src 'none'",
        "style-src 'self' 'unsafe-inline'",
      ].sort(),
    );
    expect(headers['strict-transport-security']).toBeUndefined();
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['cache-control']).toBe('no-store');
  });

  it('of an address that is none says so, under the API and beside it', async () => {
    await open();
    expect(await send('GET', '/nowhere')).toEqual(
      expect.objectContaining({
        status: 404,
        type: expect.stringContaining('application/problem+json'),
        problem: expect.objectContaining({
          code: 'no-such-address',
          detail: 'There is nothing at this address of the API.',
        }),
      }),
    );
  });

  it('reads each query as text: what is nested in its name is a name of its own, and refused', async () => {
    await open();
    const { fields } = (await send('GET', '/coupons?limit[a]=1')).problem as { fields: { field: string }[] };
    expect(fields.map(({ field }) => field)).toEqual(['limit[a]']);
  });

  it('describes the API', async () => {
    await open();
    expect((await send('GET', '/openapi.json')).problem).toEqual(expect.objectContaining({ openapi: '3.1.0' }));
  });
});

describe('a body', () => {
  it('is taken up to its limit, and not beyond', async () => {
    await open();
    const of = (size: number) => ({ kind: 'begin-coupon', fields: { title: 'x'.repeat(size) } });
    expect((await send('POST', '/changes', of(BODY_LIMIT_KB * 1024 - 600))).problem.code).toBe('wrong-fields');
    expect((await send('POST', '/changes', of(BODY_LIMIT_KB * 1024))).problem).toEqual(
      expect.objectContaining({ code: 'too-large', detail: 'The body takes at most 128 kB.' }),
    );
  });

  it('that is no JSON is called so; one that is a bare word is refused by its fields', async () => {
    await open();
    expect((await send('POST', '/diagnose', '{"format":')).problem).toEqual(
      expect.objectContaining({ code: 'not-json', detail: 'The body must be one JSON document.' }),
    );
    expect((await send('POST', '/diagnose', '"bead"')).problem.code).toBe('wrong-fields');
    expect((await send('POST', '/diagnose', 'null')).status).toBe(400);
  });
});

describe('a case that cannot be worked out', () => {
  it.each([
    [
      'outside-model',
      422,
      new OutsideModel('current in A takes 15 to 500, not 900'),
      'current in A takes 15 to 500, not 900.',
    ],
    ['outside-model', 422, new RangeError('thickness in mm takes 0.3 to 100'), 'thickness in mm takes 0.3 to 100.'],
    ['busy', 503, new TooBusy(), 'Too many cases wait to be worked out. Send it again in a moment.'],
    ['broken', 500, new TypeError('secret'), 'The server failed to answer. Nothing was stored; try again.'],
    [
      'database-unreadable',
      500,
      Object.assign(new Error('x'), { code: 'SQLITE_IOERR_READ' }),
      'The disk of the workshop server does not answer.',
    ],
    [
      'database-unreadable',
      500,
      Object.assign(new Error('x'), { code: 'SQLITE_CANTOPEN' }),
      'The database file is gone or may not be opened.',
    ],
    ['bad-request', 400, Object.assign(new Error('x'), { status: 418 }), 'The request cannot be read.'],
  ])('is answered as %s', async (code, status, error, detail) => {
    await open({ diagnose: () => Promise.reject(error) });
    const answered = await send('POST', '/diagnose', EXAMPLE_CASE);
    expect([answered.status, answered.problem.code, answered.problem.detail]).toEqual([status, code, detail]);
    expect(answered.headers['retry-after']).toBe(code === 'busy' ? '1' : undefined);
  });
});

describe('who is answered', () => {
  it('is one who calls this server by a name it has, in any case and with any port', async () => {
    await open({ hostNames: () => ['Yard'] });
    for (const host of ['127.0.0.1', 'LOCALHOST:99', '[::1]:4173', 'yard', 'YARD:1'])
      expect({ host, status: (await send('GET', '/health', undefined, { host })).status }).toEqual({
        host,
        status: 200,
      });
    for (const host of ['elsewhere.example', 'yard.example', 'localhost.example:80']) {
      const { status, problem } = await send('GET', '/health', undefined, { host });
      expect([status, problem.code, problem.detail]).toEqual([
        421,
        'unknown-host',
        'This server does not go by that name. Add it to HOST_NAMES if it should.',
      ]);
    }
  });

  it('writes only from its own pages', async () => {
    await open();
    const from = async (headers: Record<string, string>) =>
      (await send('POST', '/diagnose', EXAMPLE_CASE, { host: 'localhost:4173', ...headers })).problem.code ?? 'taken';
    expect(await from({})).toBe('taken');
    expect(await from({ origin: 'http://localhost:4173' })).toBe('taken');
    expect(await from({ origin: 'https://localhost:4173' })).toBe('taken');
    expect(await from({ origin: 'http://localhost:4999' })).toBe('wrong-origin');
    expect(await from({ origin: 'null' })).toBe('wrong-origin');
    expect(await from({ 'sec-fetch-site': 'cross-site' })).toBe('wrong-origin');
    expect(await from({ 'sec-fetch-site': 'same-origin' })).toBe('taken');
    expect((await send('GET', '/health', undefined, { origin: 'http://elsewhere.example' })).status).toBe(200);
  });
});
