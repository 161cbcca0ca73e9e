import { readFileSync } from 'node:fs';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Devices, JoinCode, Session } from '../../core/access/access-schema';
import { ENDPOINTS } from '../api/endpoints';
import { createApp, type AppOptions } from '../app';
import { createLog } from '../http/request-log';
import { signIn as comeInTo, from, NETWORK, openGuarded, PHONE, PHRASE, problemOf } from '../testing/guarded';
import { freshId, openWorkshop, type Sent, type Workshop } from '../testing/workshop';
import { COOKIE, markAtMachine } from './caller';
import { answering, type Answering } from './guard';
import { hasPassPhrase, isPassPhrase, setPassPhrase } from './pass-phrase';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

let clock = Date.parse('2026-05-04T09:00:00Z');
const later = (ms: number): void => void (clock += ms);
const now = (): Date => new Date(clock);

let shop: Workshop;
let open: Answering;
beforeEach(async () => {
  open = answering();
  shop = await openGuarded({ now, answering: open });
});
afterEach(() => shop.stop());

type Problem = { code: string; detail: string };
const comeIn = (name: string, how: object = { passPhrase: PHRASE }, address = PHONE, id = freshId()) =>
  comeInTo(shop, name, { how, address, id });
const rigs = async (cookie?: string): Promise<number> =>
  (await shop.send('GET', '/rigs', undefined, from(PHONE, cookie))).status;
/** Another server on the same database: the door of the machine itself, or the same one after a restart. */
const another = (): AppOptions =>
  ({
    store: shop.store,
    database: shop.file,
    network: NETWORK,
    now,
    answering: open,
    log: createLog('silent'),
    site: null,
  }) as never;
/** The machine itself asks. */
async function asKeeper(method: string, path: string, body?: unknown): Promise<Sent> {
  const app = createApp(another());
  const server = createServer((asking, answer) => {
    markAtMachine(asking);
    app(asking, answer);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const text = body === undefined ? undefined : JSON.stringify(body);
  const sent = await new Promise<Sent>((done, fail) => {
    const headers = text === undefined ? {} : { 'content-type': 'application/json' };
    const asking = request({ host: '127.0.0.1', port, method, path: `/api${path}`, headers }, (answer) => {
      let said = '';
      answer.on('data', (chunk: Buffer) => (said += chunk.toString()));
      answer.on('end', () =>
        done({ status: answer.statusCode!, type: '', headers: answer.headers, json: JSON.parse(said) as never }),
      );
    });
    asking.on('error', fail);
    asking.end(text);
  });
  await new Promise((stopped) => server.close(stopped));
  return sent;
}

describe('whoever did not come in', () => {
  it('gets nothing at any address but whether the server is there, what its API is, and how to come in', async () => {
    const toAll = ['get /health', 'get /session', 'post /session', 'delete /session'];
    const others = [
      'get /openapi.json',
      'post /pictures',
      `get /pictures/files/${'a'.repeat(64)}/small`,
      'get /record',
      'post /record',
      'get /nowhere',
    ];
    const all = [...ENDPOINTS.map(({ method, path }) => `${method} ${path.replace('{id}', freshId())}`), ...others];
    const answered: string[] = [];
    for (const one of new Set(all)) {
      const [method, path] = one.split(' ');
      const { status } = await shop.send(method.toUpperCase(), path, method === 'get' ? undefined : {}, from(PHONE));
      if (status !== 401) answered.push(one);
    }
    expect(answered.sort()).toEqual([...toAll, 'get /openapi.json'].sort());
  });

  it('gets nothing with a made-up cookie either, nor by saying that it is the machine', async () => {
    for (const cookie of [
      `${COOKIE}=`,
      `${COOKIE}=x`,
      `${COOKIE}=${'a'.repeat(43)}`,
      `${COOKIE}=%E0%A4%A`,
      `${COOKIE}=' OR 1=1`,
    ])
      expect([cookie, await rigs(cookie)]).toEqual([cookie, 401]);
    for (const address of ['127.0.0.1', '::1', 'localhost', '127.0.0.1, 10.0.0.1'])
      expect((await shop.send('GET', '/rigs', undefined, from(address))).status).toBe(401);
  });
});

describe('coming in', () => {
  it('takes the pass phrase, and gives a cookie that no script reads and no other site sends', async () => {
    const { sent, cookie, session, id } = await comeIn('Phone of the yard');
    expect(session).toEqual({
      ...{ isGuarded: true, isIn: true, isAtMachine: false, isKeeper: false, person: null },
      ...{ device: { id, name: 'Phone of the yard' }, trust: { fingerprint: 'AB:CD', isOurs: true } },
    });
    const given = String(sent.headers['set-cookie']);
    for (const part of ['__Host-jolly=', 'HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/', 'Max-Age=7776000'])
      expect(given).toContain(part);
    expect(given).not.toContain('Domain');
    expect(await rigs(cookie)).toBe(200);
    // However a keyboard makes the letters, and with a space behind.
    await setPassPhrase(shop.store, 'Schweißer für Kanäle', now());
    expect((await comeIn('Other', { passPhrase: ` ${'Schweißer für Kanäle'.normalize('NFD')} ` })).sent.status).toBe(
      200,
    );
    expect((await comeIn('Other', { passPhrase: 'schweißer für kanäle' })).sent.status).toBe(401);
  });

  it('is refused with a wrong phrase, with both or neither, and where nobody set one', async () => {
    const wrong = await comeIn('Phone', { passPhrase: 'three old weldors' });
    expect([...problemOf(wrong.sent), wrong.sent.headers['set-cookie']]).toEqual([401, 'wrong-pass-phrase', undefined]);
    for (const how of [{}, { passPhrase: PHRASE, code: 'abcdefghijkl' }])
      expect(problemOf((await comeIn('Phone', how)).sent)).toEqual([400, 'wrong-fields']);
    const bare = await openWorkshop({ network: NETWORK, now });
    expect(hasPassPhrase(bare.store)).toBe(false);
    for (const phrase of ['', 'anything at all']) expect(await isPassPhrase(bare.store, phrase)).toBe(false);
    await bare.stop();
  });

  it('takes a code that a device inside shows, any number of times for ten minutes and not after', async () => {
    const { cookie } = await comeIn('Tablet');
    const { code, goodUntil, addresses } = (await shop.send('POST', '/join-codes', {}, from(PHONE, cookie)))
      .json as JoinCode;
    expect([addresses, goodUntil]).toEqual([
      ['https://192.168.7.20:4174'],
      new Date(clock + 10 * MINUTE).toISOString(),
    ]);
    expect((await comeIn('One', { code }, '192.168.7.40')).sent.status).toBe(200);
    later(10 * MINUTE - 1);
    expect((await comeIn('Two', { code }, '192.168.7.41')).sent.status).toBe(200);
    later(1);
    const late = await comeIn('Three', { code }, '192.168.7.42');
    expect([...problemOf(late.sent), (late.sent.json as Problem).detail]).toEqual([
      401,
      'wrong-pass-phrase',
      expect.stringContaining('not good any more'),
    ]);
    expect((await comeIn('Four', { code: `${code.slice(0, -1)}_` }, '192.168.7.43')).sent.status).toBe(401);
  });

  it('stays for ninety days from the last visit, and goes out when asked', async () => {
    const { cookie } = await comeIn('Phone');
    later(89 * DAY);
    expect(await rigs(cookie)).toBe(200);
    later(89 * DAY);
    expect(await rigs(cookie)).toBe(200);
    later(91 * DAY);
    expect(await rigs(cookie)).toBe(401);
    const again = await comeIn('Phone');
    const out = await shop.send('DELETE', '/session', undefined, from(PHONE, again.cookie));
    expect([(out.json as Session).isIn, String(out.headers['set-cookie'])]).toEqual([
      false,
      expect.stringContaining('Expires=Thu, 01 Jan 1970'),
    ]);
    expect(await rigs(again.cookie)).toBe(401);
  });

  it('has one session a device: what it showed before is good no more', async () => {
    const first = await comeIn('Phone');
    const second = await comeIn('Phone', { passPhrase: PHRASE }, PHONE, first.id);
    expect([await rigs(first.cookie), await rigs(second.cookie)]).toEqual([401, 200]);
  });
});

describe('wrong pass phrases', () => {
  const wrong = (address: string) => comeIn('Guess', { passPhrase: 'not this one' }, address);

  it('are counted by address: after ten it has to wait, though it then were right, and others need not', async () => {
    for (let i = 0; i < 10; i++) expect(problemOf((await wrong(PHONE)).sent)).toEqual([401, 'wrong-pass-phrase']);
    const { sent } = await comeIn('Guess', { passPhrase: PHRASE }, PHONE);
    expect(problemOf(sent)).toEqual([429, 'too-many-tries']);
    expect(Number(sent.headers['retry-after'])).toBe(15 * 60);
    expect((await comeIn('Friend', { passPhrase: PHRASE }, '192.168.7.32')).sent.status).toBe(200);
    // A code is the way in for who has to wait, and a wrong one is no wrong pass phrase.
    const { cookie } = await comeIn('Friend', { passPhrase: PHRASE }, '192.168.7.32');
    const { code } = (await shop.send('POST', '/join-codes', {}, from(PHONE, cookie))).json as JoinCode;
    expect((await comeIn('Guess', { code: 'abcdefghijklmn' }, PHONE)).sent.status).toBe(401);
    expect((await comeIn('Guess', { code }, PHONE)).sent.status).toBe(200);
    // Asking on does not make it wait longer, and the time passes.
    later(14 * MINUTE);
    expect((await wrong(PHONE)).sent.status).toBe(429);
    later(MINUTE);
    expect((await comeIn('Guess', { passPhrase: PHRASE }, PHONE)).sent.status).toBe(200);
  });

  it('count when many are tried at once, and are not forgiven by a restart', async () => {
    const tried = await Promise.all(Array.from({ length: 25 }, () => wrong(PHONE)));
    expect(tried.filter(({ sent }) => sent.status === 401)).toHaveLength(10);
    const again = createServer(createApp({ ...another(), proxies: 1 }));
    await new Promise<void>((ready) => again.listen(0, '127.0.0.1', ready));
    const { port } = again.address() as AddressInfo;
    const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...from(PHONE) },
      body: JSON.stringify({ device: freshId(), name: 'Guess', passPhrase: PHRASE }),
    });
    expect(answer.status).toBe(429);
    again.closeAllConnections();
    await new Promise((stopped) => again.close(stopped));
  });

  it('are not counted where it was right, and are told to who is inside', async () => {
    for (let i = 0; i < 15; i++) expect((await comeIn('Phone', { passPhrase: PHRASE }, PHONE)).sent.status).toBe(200);
    await wrong('192.168.7.66');
    await wrong('192.168.7.66');
    // Of an IPv6 network its own part counts: the rest is the device's to change.
    for (let i = 0; i < 10; i++) await wrong(`fd00::${i + 1}`);
    expect((await wrong('fd00::ffff')).sent.status).toBe(429);
    const { cookie } = await comeIn('Phone', { passPhrase: PHRASE }, PHONE);
    const { wrongTries } = (await shop.send('GET', '/devices', undefined, from(PHONE, cookie))).json as Devices;
    expect(wrongTries.map(({ count }) => count)).toEqual([10, 2]);
    expect(wrongTries[1]).toEqual({ from: '192.168.7.66', count: 2, lastAt: now().toISOString() });
    later(8 * DAY);
    expect(((await shop.send('GET', '/devices', undefined, from(PHONE, cookie))).json as Devices).wrongTries).toEqual(
      [],
    );
  });
});

describe('the keeper, at the machine itself', () => {
  const devices = async (): Promise<Devices['devices']> =>
    ((await asKeeper('GET', '/devices')).json as Devices).devices;

  it('shuts a device out at once: even the answer it waits for does not come', async () => {
    const { id, cookie } = await comeIn('Lost phone');
    const other = await comeIn('Other phone');
    expect(await devices()).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ id, name: 'Lost phone', lastFrom: PHONE, isIn: true, shutOutAt: null }),
      ]),
    );
    later(MINUTE);
    const waits = shop.send('GET', '/changes?since=1000000&wait=20', undefined, from(PHONE, cookie)).then(
      () => 'answered',
      (error: NodeJS.ErrnoException) => error.code,
    );
    await new Promise((soon) => setTimeout(soon, 100));
    const { json } = await asKeeper('PATCH', `/devices/${id}`, { shutOut: true });
    expect(await waits).toBe('ECONNRESET');
    expect(json).toEqual(expect.objectContaining({ isIn: false, shutOutAt: now().toISOString() }));
    expect([await rigs(cookie), await rigs(other.cookie)]).toEqual([401, 200]);
    // Who has the pass phrase is let in again, and stands there as in.
    await comeIn('Found phone', { passPhrase: PHRASE }, PHONE, id);
    expect((await devices()).find((one) => one.id === id)).toEqual(
      expect.objectContaining({ name: 'Found phone', isIn: true, shutOutAt: null }),
    );
    expect((await asKeeper('PATCH', `/devices/${freshId()}`, { shutOut: true })).status).toBe(404);
  });

  it('sets another pass phrase, and has the others come in anew where that is wanted', async () => {
    const { cookie } = await comeIn('Phone');
    const another = (passPhrase: string, endOthers: boolean) =>
      asKeeper('PUT', '/pass-phrase', { passPhrase, endOthers });
    expect((await another('too short', false)).status).toBe(400);
    expect((await another('          x          ', false)).status).toBe(400);
    expect((await another('four young welders', false)).status).toBe(200);
    expect(await rigs(cookie)).toBe(200);
    expect((await comeIn('Late', { passPhrase: PHRASE }, '192.168.7.77')).sent.status).toBe(401);
    expect((await another('five young welders', true)).status).toBe(200);
    expect(await rigs(cookie)).toBe(401);
  });

  it('is nobody else: a device inside may neither shut another out nor set the phrase', async () => {
    const { cookie } = await comeIn('Phone');
    const { id } = await comeIn('Other');
    const refused = [
      await shop.send('PATCH', `/devices/${id}`, { shutOut: true }, from(PHONE, cookie)),
      await shop.send('PUT', '/pass-phrase', { passPhrase: 'mine alone now', endOthers: true }, from(PHONE, cookie)),
    ];
    expect(refused.map(problemOf)).toEqual([
      [403, 'not-the-keeper'],
      [403, 'not-the-keeper'],
    ]);
    expect(await isPassPhrase(shop.store, PHRASE)).toBe(true);
  });
});

it('keeps no pass phrase, no code and nothing that a device shows where it could be read', async () => {
  const { cookie } = await comeIn('Phone');
  const { code } = (await shop.send('POST', '/join-codes', {}, from(PHONE, cookie))).json as JoinCode;
  shop.connection.pragma('wal_checkpoint(TRUNCATE)');
  const bytes = readFileSync(shop.file).toString('latin1');
  expect(bytes).toContain('$argon2id$v=19$m=19456,t=2,p=1$');
  for (const secret of [PHRASE, code, cookie.split('=')[1]]) expect(bytes).not.toContain(secret);
  // Nor does it go out with the record.
  const whole = await shop.send('GET', '/record', undefined, from(PHONE, cookie));
  expect(whole.status).toBe(200);
  expect(JSON.stringify(whole.json)).not.toMatch(/argon2|pass_?phrase|192\.168\.7/i);
});
