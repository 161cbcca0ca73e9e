import { EXAMPLE_CASE } from '../core/cases/example';
import type { RigRecord } from '../core/record/shapes/record-schema';
import { askSite, beadOn, couponOn, freshId, openWorkshop, type Workshop } from './testing/workshop';

let shop: Workshop;
/** What of a change is the same whatever it changes. */
const CHANGE = { device: freshId(), madeAt: '2026-05-04T09:30:00.000Z', against: 0 };
let dock: RigRecord;
beforeAll(async () => {
  shop = await openWorkshop();
  [dock] = ((await shop.send('GET', '/rigs')).json as RigRecord[]).filter(({ name }) => name === 'Dock set');
});
afterAll(() => shop.stop());

type ProblemDocument = { code: string; detail: string; status: number; fields: { field: string; takes: string }[] };
const refused = async (method: string, path: string, body?: unknown, headers?: Record<string, string>) => {
  const { status, type, json } = await shop.send(method, path, body, headers);
  expect(type).toContain('application/problem+json');
  const problem = json as ProblemDocument;
  expect(problem.status).toBe(status);
  return problem;
};

describe('what is sent', () => {
  it('is refused in no time when it is larger than anything the product knows', async () => {
    const list = Array.from({ length: 15_000 }, () => 'rust');
    const long = await refused('POST', '/diagnose', { ...EXAMPLE_CASE, job: { surface: list } });
    expect(long).toEqual(expect.objectContaining({ status: 400, code: 'wrong-fields' }));
    expect(long.fields).toEqual([{ field: 'job.surface', takes: 'a list of at most 200' }]);
    const nested = `${'['.repeat(5000)}${']'.repeat(5000)}`;
    const deep = `{"format":"jolly-tinker/case@1","job":{"surface":[${nested},${nested}]}}`;
    expect((await refused('POST', '/diagnose', deep)).fields[0].takes).toContain('levels');
    const many = Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`f${i}`, 1]));
    expect((await refused('POST', '/diagnose', many)).fields).toEqual([{ field: 'body', takes: 'at most 300 fields' }]);
    expect(await refused('POST', '/diagnose', `"${'x'.repeat(200_000)}"`)).toEqual(
      expect.objectContaining({ code: 'too-large', status: 413 }),
    );
  });

  it('is read as an object only when it is one, and names at most twenty fields', async () => {
    for (const body of ['"text"', '[1]', 'null', '7', `"${'x'.repeat(100_000)}"`]) {
      const bead = await refused('POST', '/changes', body);
      expect(bead.fields).toHaveLength(1);
      expect(JSON.stringify(bead).length).toBeLessThan(600);
      expect((await refused('POST', '/diagnose', body)).fields[0].field).toBe('body');
    }
    const wrong = Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`wrong${i}`, i]));
    expect((await refused('POST', '/diagnose', { format: EXAMPLE_CASE.format, ...wrong })).fields).toHaveLength(20);
  });

  it('is refused by name where a schema is broken, as a problem document', async () => {
    const { code, detail, fields } = await refused('POST', '/diagnose', {
      ...EXAMPLE_CASE,
      settings: { voltageV: -3 },
      job: { joint: 'knot' },
    });
    expect(code).toBe('wrong-fields');
    expect(fields.map(({ field }) => field).sort()).toEqual(['job.joint', 'settings.voltageV']);
    expect(detail).toContain('settings.voltageV takes a number from 8 to 50');
  });

  it('says so when it is not JSON, not sent as JSON, or not to this address', async () => {
    expect((await refused('POST', '/diagnose', '{"format":')).code).toBe('not-json');
    expect(await refused('POST', '/diagnose', JSON.stringify(EXAMPLE_CASE), { 'content-type': 'text/plain' })).toEqual(
      expect.objectContaining({ code: 'wrong-content-type', status: 415 }),
    );
    expect((await refused('GET', '/weather')).code).toBe('no-such-address');
    expect(await refused('DELETE', `/beads/${freshId()}`)).toEqual(
      expect.objectContaining({ code: 'wrong-method', status: 405 }),
    );
    expect((await refused('GET', `/coupons/${freshId()}`)).code).toBe('not-found');
    expect((await refused('GET', '/coupons?colour=red&limit=0')).fields.map(({ field }) => field)).toEqual([
      'colour',
      'limit',
    ]);
    expect((await refused('GET', '/coupons?limit=2&limit=3')).fields[0].field).toBe('limit');
    expect((await refused('GET', '/coupons/%E0%A4%A')).code).toBe('bad-request');
  });
});

describe('what may be stored', () => {
  const coupon = () => couponOn(dock.id);
  const bead = () => beadOn({ id: freshId(), job: { id: freshId() } }, dock.setup.id);
  const rig = () => {
    const { rigId: _, assumed: __, revision: ___, ...setup } = dock.setup;
    return { id: freshId(), name: 'Odd set', note: '', setup: { ...setup, id: freshId() } };
  };
  const twisted = {
    step: 1,
    points: [
      { mark: 1, value: 14 },
      { mark: 5, value: 20 },
      { mark: 10, value: 17 },
    ],
  };
  const falling = {
    step: 1,
    points: [
      { mark: 1, value: 20 },
      { mark: 5, value: 14 },
    ],
  };

  it.each([
    [
      'an unknown cause',
      '/beads',
      () => ({ ...bead(), verdict: { cause: 'bad-luck', name: 'x', probability: 1 } }),
      'verdict.cause',
    ],
    [
      'an unknown finding',
      '/beads',
      () => ({ ...bead(), findings: { 'bead-purple': 'present' } }),
      'findings.bead-purple',
    ],
    ['1e300 volts', '/beads', () => ({ ...bead(), settings: { voltageV: 1e300 } }), 'settings.voltageV'],
    [
      'a move to 1e300',
      '/beads',
      () => ({ ...bead(), move: { kind: 'setting', setting: 'voltageV', from: 18, to: 1e300, text: '' } }),
      'move.to',
    ],
    [
      'a move to what its setting does not take',
      '/beads',
      () => ({ ...bead(), move: { kind: 'setting', setting: 'voltageV', from: 18, to: 900, text: '' } }),
      'move.to',
    ],
    ['a number of its own', '/beads', () => ({ ...bead(), number: 7 }), 'number'],
    ['the year 9999', '/beads', () => ({ ...bead(), ranAt: '9999-01-01T00:00:00.000Z' }), 'ranAt'],
    ['a leap second', '/beads', () => ({ ...bead(), ranAt: '2016-12-31T23:59:60.000Z' }), 'ranAt'],
    ['another time zone', '/coupons', () => ({ ...coupon(), createdAt: '2026-05-04T09:30:00.000+02:00' }), 'createdAt'],
    [
      'the thirtieth of February',
      '/coupons',
      () => ({ ...coupon(), createdAt: '2026-02-30T09:30:00.000Z' }),
      'createdAt',
    ],
    ['a blank title', '/coupons', () => ({ ...coupon(), title: ' \u00a0 ' }), 'title'],
    ['a title of two lines', '/coupons', () => ({ ...coupon(), title: 'a\nb' }), 'title'],
    ['a NUL in a name', '/rigs', () => ({ ...rig(), name: 'set\u0000' }), 'name'],
    ['a NUL in a note', '/rigs', () => ({ ...rig(), note: 'a\u0000b' }), 'note'],
    [
      'a dial that turns back',
      '/rigs',
      () => ({ ...rig(), setup: { ...rig().setup, rig: { dials: { voltageV: twisted } } } }),
      'setup.rig.dials.voltageV.points',
    ],
    [
      'a volts dial that runs backward',
      '/rigs',
      () => ({ ...rig(), setup: { ...rig().setup, rig: { dials: { voltageV: falling } } } }),
      'setup.rig.dials.voltageV.points',
    ],
    [
      'gas that does not add up',
      '/rigs',
      () => ({ ...rig(), setup: { ...rig().setup, rig: { gas: { argonPct: 60, co2Pct: 60 } } } }),
      'setup.rig.gas',
    ],
    ['an id in capitals', '/coupons', () => ({ ...coupon(), id: freshId().replace('b', 'B') }), 'of'],
    ['an id that is none', '/coupons', () => ({ ...coupon(), id: 'not-an-id' }), 'of'],
  ])('is not %s', async (_, path, make, field) => {
    const { id, ...value } = make();
    const kind = { '/rigs': 'begin-rig', '/coupons': 'begin-coupon', '/beads': 'log-bead' }[path]!;
    const { status, fields } = await refused('POST', '/changes', {
      ...CHANGE,
      id: freshId(),
      kind,
      of: id,
      fields: value,
    });
    expect(status).toBe(400);
    expect(fields.map((problem) => problem.field)).toEqual([field]);
    expect((await shop.send('GET', `${path}/${id}`)).status).not.toBe(200);
  });
});

describe('who is answered', () => {
  it.each(['localhost', '127.0.0.1', '[::1]', 'LOCALHOST'])('the name %s', async (name) => {
    expect((await shop.send('GET', '/health', undefined, { host: `${name}:${shop.port}` })).status).toBe(200);
  });

  it('no page elsewhere that points its own name here', async () => {
    const host = { host: 'rebound.example:80' };
    expect(await refused('GET', '/coupons', undefined, host)).toEqual(
      expect.objectContaining({ code: 'unknown-host', status: 421 }),
    );
    const { status, type } = await askSite(shop.port, '/', host);
    expect([status, type]).toEqual([421, expect.stringContaining('text/plain')]);
    const named = await openWorkshop({ hostNames: () => ['Bench.Local'] });
    expect((await named.send('GET', '/health', undefined, { host: `bench.local:${named.port}` })).status).toBe(200);
    await named.stop();
  });

  it('writes from its own pages and from programs, and from no other page', async () => {
    const value = couponOn(dock.id);
    const { id, ...fields } = value;
    const put = (headers: Record<string, string>) => shop.change('begin-coupon', id, fields, headers);
    const host = `127.0.0.1:${shop.port}`;
    expect((await put({})).status).toBe(200);
    expect((await put({ host, origin: `http://${host}` })).status).toBe(200);
    for (const headers of [
      { origin: 'http://elsewhere.example' },
      { origin: 'null' },
      { host, origin: 'http://127.0.0.1:1' },
      { 'sec-fetch-site': 'cross-site' },
    ]) {
      const { status, json } = await put(headers as unknown as Record<string, string>);
      expect([status, (json as ProblemDocument).code]).toEqual([403, 'wrong-origin']);
    }
    expect((await shop.send('GET', '/health', undefined, { origin: 'http://elsewhere.example' })).status).toBe(200);
  });

  it('with headers that keep the page to itself', async () => {
    const { headers } = await shop.send('GET', '/health');
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("default-src 'self'");
    expect(policy).not.toContain('unsafe-eval');
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers).toEqual(
      expect.objectContaining({ 'x-content-type-options': 'nosniff', 'cache-control': 'no-store' }),
    );
    expect(headers['x-powered-by']).toBeUndefined();
  });
});
