import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { zipSync } from 'fflate';
import { v7 } from 'uuid';
import type { Device } from '../core/access/access-schema';
import type { RigRecord } from '../core/record/shapes/record-schema';
import { ENDPOINTS } from './api/endpoints';
import { signIn, from, openGuarded, PHONE, problemOf } from './testing/guarded';
import { beadOn, couponOn, freshId, openWorkshop, type Workshop } from './testing/workshop';

/** The surface walked as somebody would who means harm: docs/security.md says what is promised. */
let shop: Workshop;
let cookie: string;
let deviceId: string;
beforeAll(async () => {
  shop = await openGuarded();
  ({ cookie, id: deviceId } = await signIn(shop));
});
afterAll(() => shop.stop());

const inside = (): Record<string, string> => from(PHONE, cookie);

/** Returns what is written down, but for when devices were seen and who tried in vain. */
function recordOf({ connection }: Workshop): string {
  const tables = connection
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name")
    .pluck()
    .all() as string[];
  const hash = createHash('sha256');
  for (const table of tables)
    if (!['sessions', 'devices', 'wrong_tries', 'join_codes'].includes(table))
      hash.update(table).update(JSON.stringify(connection.prepare(`SELECT * FROM "${table}"`).all()));
  return hash.digest('hex');
}

const WRITES = ENDPOINTS.filter(({ method, body }) => method !== 'get' && body !== undefined).map(
  ({ method, path }) => [method.toUpperCase(), path] as const,
);
const FILES = ['/record?preview=false', '/record/pictures.zip?preview=false', '/pictures'] as const;

/** Values that fields are tried with. */
const odd = fc.oneof(
  fc.jsonValue({ maxDepth: 3 }),
  fc.constantFrom<unknown>(
    ...[null, true, -1, 0, 1e308, -0, 1.5, '', ' ', '\u0000', '\u202e', 'ﷺ'.repeat(500), 'x'.repeat(20_000), [], {}],
    ...['__proto__', '../../etc/passwd', "'; DROP TABLE beads; --", '<script>', '=1+1', Number.MAX_SAFE_INTEGER],
  ),
);
const KEYS = ['id', 'kind', 'of', 'device', 'fields', 'madeAt', 'name', 'person', 'passPhrase', 'code', '__proto__'];
const body = fc.oneof(
  fc.jsonValue(),
  fc.dictionary(fc.constantFrom(...KEYS, 'constructor', 'toString'), odd, { maxKeys: 8 }),
);

const asText = (value: unknown): string => JSON.stringify(value) ?? 'null';

describe('bodies that nobody would send', () => {
  it('get nothing from outside, whatever they hold, and leave no trace', async () => {
    const before = recordOf(shop);
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...WRITES), body, async ([method, path], sent) => {
        if (path === '/session') return;
        const { status } = await shop.send(method, path.replace('{id}', freshId()), asText(sent), from(PHONE));
        expect(status).toBe(401);
      }),
      { numRuns: 150 },
    );
    expect(recordOf(shop)).toBe(before);
  });

  it('are refused in words from inside, and what is refused leaves no trace', async () => {
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...WRITES), body, async ([method, path], sent) => {
        const before = recordOf(shop);
        // What is tried as a pass phrase is counted by its address.
        const answer = await shop.send(method, path.replace('{id}', freshId()), asText(sent), from('10.7.7.7', cookie));
        expect(answer.status).toBeLessThan(500);
        if (answer.status >= 400) {
          expect(answer.type).toContain('application/problem+json');
          expect(recordOf(shop)).toBe(before);
        }
      }),
      { numRuns: 250 },
    );
    expect(({} as { isAdmin?: unknown }).isAdmin).toBeUndefined();
  });

  it('one field of a change gone wrong breaks neither the server nor what is read after it', async () => {
    const [rig] = (await shop.send('GET', '/rigs', undefined, inside())).json as RigRecord[];
    const coupon = couponOn(rig.id);
    const { id: couponId, ...plate } = coupon;
    const change = (kind: string, of: string, fields: object) => ({
      ...{ id: v7(), kind, of, device: deviceId, madeAt: new Date().toISOString(), against: 0, fields },
    });
    expect((await shop.send('POST', '/changes', change('begin-coupon', couponId, plate), inside())).status).toBe(200);
    const { id: _, ...bead } = beadOn({ id: couponId, job: coupon.job }, rig.setup.id);
    const leaves = (value: unknown, at: string[] = []): string[][] =>
      typeof value === 'object' && value !== null
        ? [at, ...Object.entries(value).flatMap(([key, inner]) => leaves(inner, [...at, key]))]
        : [at];
    const whole = change('log-bead', v7(), bead);
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...leaves(whole).slice(1)), odd, async (path, value) => {
        const sent = structuredClone({ ...whole, id: v7(), of: v7() }) as Record<string, unknown>;
        let at = sent;
        for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
        at[path[path.length - 1]] = value;
        const { status } = await shop.send('POST', '/changes', asText(sent), inside());
        expect(status).toBeLessThan(500);
      }),
      { numRuns: 250 },
    );
    for (const path of [`/coupons/${couponId}`, '/coupons', '/log', '/changes?since=0', '/record'])
      expect((await shop.send('GET', path, undefined, inside())).status).toBe(200);
    expect(shop.unreadable).toEqual([]);
  });

  it('are no files: neither record, nor ZIP, nor picture', async () => {
    const before = recordOf(shop);
    for (const path of FILES)
      for (const type of [
        'application/json',
        'application/zip',
        'multipart/form-data',
        'multipart/form-data; boundary=x',
      ]) {
        const headers = { ...inside(), 'content-type': type };
        const { status } = await shop.send('POST', path, '{"a":[1,2', headers);
        expect([path, type, status >= 400 && status < 500]).toEqual([path, type, true]);
      }
    expect(recordOf(shop)).toBe(before);
    expect(readdirSync(shop.folder).filter((name) => name.startsWith('incoming'))).toEqual([]);
  });

  it('that unpack to more than any picture are not unpacked', async () => {
    const own = await openWorkshop({ demo: false });
    const name = `pictures/${'a'.repeat(64)}.jpg`;
    const bomb = zipSync({ [name]: new Uint8Array(200 * 1024 * 1024) }, { level: 9 });
    expect(bomb.length).toBeLessThan(400_000);
    const response = await fetch(`http://127.0.0.1:${own.port}/api/record/pictures.zip?preview=false`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: Buffer.from(bomb),
    });
    expect(await response.json()).toMatchObject({ added: 0, done: false });
    await own.stop();
  });
});

describe('what was heard and is sent again', () => {
  it('is taken once: a change from another device under the same id is that change, or refused', async () => {
    const [rig] = (await shop.send('GET', '/rigs', undefined, inside())).json as RigRecord[];
    const change = { id: v7(), kind: 'change-rig', of: rig.id, device: deviceId, madeAt: new Date().toISOString() };
    const sent = { ...change, against: 0, fields: { name: 'Heard' } };
    expect((await shop.send('POST', '/changes', sent, inside())).status).toBe(200);
    const before = recordOf(shop);
    const other = await signIn(shop, 'Other');
    expect((await shop.send('POST', '/changes', sent, from('10.0.0.9', other.cookie))).status).toBe(200);
    const turned = { ...sent, fields: { name: 'Turned' } };
    expect((await shop.send('POST', '/changes', turned, from('10.0.0.9', other.cookie))).status).toBeLessThan(500);
    expect(recordOf(shop)).toBe(before);
  });

  it('a stolen cookie is as good as its device, is seen by the keeper, and no good once that is shut out', async () => {
    const { id, cookie: stolen } = await signIn(shop, 'Lost phone');
    const thief = from('203.0.113.9', stolen);
    expect((await shop.send('GET', '/rigs', undefined, thief)).status).toBe(200);
    const { devices } = (await shop.send('GET', '/devices', undefined, inside())).json as { devices: Device[] };
    expect(devices.find((one) => one.id === id)?.lastFrom).toBe('203.0.113.9');
    // The keeper, at the machine itself.
    shop.connection.prepare('DELETE FROM sessions WHERE device_id = ?').run(id);
    for (const [method, path] of [...WRITES, ['GET', '/rigs'] as const])
      if (path !== '/session')
        expect(
          problemOf(await shop.send(method, path.replace('{id}', freshId()), method === 'GET' ? undefined : {}, thief)),
        ).toEqual([401, 'not-in']);
  });

  it('does not do what its device may not: take a record in, shut out, or name the keeper', async () => {
    const { json: record } = await shop.send('GET', '/record', undefined, inside());
    const tried: [string, string, object][] = [
      ['POST', '/record?preview=true', record],
      ['POST', '/record?preview=false', record],
      ['POST', '/record/pictures.zip?preview=false', {}],
      ['PATCH', `/devices/${deviceId}`, { shutOut: true }],
      ['PUT', '/pass-phrase', { passPhrase: 'mine alone now', endOthers: true }],
    ];
    for (const [method, path, what] of tried)
      expect([path, ...problemOf(await shop.send(method, path, what, inside()))]).toEqual([
        path,
        403,
        'not-the-keeper',
      ]);
    const own = await openWorkshop({ demo: false });
    expect((await own.send('POST', '/record?preview=false', record)).status).toBe(200);
    await own.stop();
  });
});
