import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { connect as connectTo, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { v7 } from 'uuid';
import type { RigRecord } from '../core/record/shapes/record-schema';
import { signIn, from, openGuarded, PHONE, PHRASE, problemOf } from './testing/guarded';
import { askSite, freshId, openWorkshop, type Sent, type Workshop } from './testing/workshop';

/** Requests of somebody who means harm, beside what their bodies hold: see attack.test.ts. */
let shop: Workshop;
let cookie: string;
let deviceId: string;
beforeAll(async () => {
  shop = await openGuarded();
  ({ cookie, id: deviceId } = await signIn(shop));
});
afterAll(() => shop.stop());

const inside = (): Record<string, string> => from(PHONE, cookie);

describe('requests that are not quite what they seem', () => {
  it('from pages elsewhere are not taken, by whatever type their forms can send', async () => {
    const origins = [
      'https://evil.example',
      'null',
      'http://127.0.0.1:1',
      `http://127.0.0.1:${shop.port}.evil.example`,
    ];
    for (const origin of origins)
      expect(problemOf(await shop.send('POST', '/changes', {}, { ...inside(), origin }))).toEqual([
        403,
        'wrong-origin',
      ]);
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])
      expect((await shop.send('POST', '/changes', '{}', { ...inside(), 'content-type': type })).status).toBe(415);
  });

  it('say another method, another host or another address of theirs in vain', async () => {
    const headers = { ...inside(), 'x-http-method-override': 'DELETE', 'x-original-url': '/api/devices' };
    expect((await shop.send('GET', '/session', undefined, headers)).json).toMatchObject({ isIn: true });
    for (const host of ['evil.example', '127.0.0.1.evil.example', 'localhost@evil.example'])
      expect([host, (await shop.send('GET', '/health', undefined, { host })).status]).toEqual([host, 421]);
    // With no proxy in front the address that a request names is nobody's word: ten wrong ones, and it waits.
    const bare = await openGuarded({ proxies: 0 });
    const tries: Sent[] = [];
    for (let i = 0; i < 12; i++)
      tries.push(
        await bare.send(
          'POST',
          '/session',
          { device: freshId(), name: 'x', passPhrase: 'wrong wrong' },
          from(`10.9.8.${i}`),
        ),
      );
    expect(tries.map(({ status }) => status)).toEqual([...Array<number>(10).fill(401), 429, 429]);
    await bare.stop();
  });

  it('lead out of the site by no path', async () => {
    const at = mkdtempSync(join(tmpdir(), 'jolly-site-'));
    mkdirSync(join(at, 'dist', 'assets'), { recursive: true });
    writeFileSync(join(at, 'dist', 'index.html'), 'the page');
    writeFileSync(join(at, 'secret.txt'), 'SECRET');
    const site = await openWorkshop({ demo: false, site: join(at, 'dist') });
    const up = [
      '../',
      '..%2f',
      '%2e%2e/',
      '%2e%2e%2f',
      '..%5c',
      '..\\',
      '....//',
      '%252e%252e%252f',
      '..%00/',
      '.%2e/',
    ];
    const roots = ['/', '/assets/', '/_expo/', '/api/', '/api/pictures/files/', '//', '/\\'];
    for (const root of roots)
      for (const step of up)
        for (const times of [1, 3]) {
          const { status, json: text } = await askSite(site.port, `${root}${step.repeat(times)}secret.txt`);
          expect([root, step, status < 500, String(text).includes('SECRET')]).toEqual([root, step, true, false]);
        }
    for (const path of [
      `/${'a'.repeat(8000)}`,
      '/api/rigs/%',
      '/%',
      '/api/%00',
      '/.git/config',
      '/sw.js/../../secret.txt',
    ]) {
      const { status, json: text } = await askSite(site.port, path);
      expect([path.slice(0, 20), status < 500, String(text).includes('SECRET')]).toEqual([
        path.slice(0, 20),
        true,
        false,
      ]);
    }
    await site.stop();
    rmSync(at, { recursive: true });
  });

  it('carry names no longer than is said, and none that cannot be seen', async () => {
    for (const name of ['x'.repeat(10_000), '', '   ', 'a\u0000b', 'a\nb']) {
      const device = { device: freshId(), name, passPhrase: PHRASE };
      expect(problemOf(await shop.send('POST', '/session', device, from('10.1.1.1')))).toEqual([400, 'wrong-fields']);
      const person = { id: v7(), name, initials: 'XX', colour: 1 };
      expect((await shop.send('POST', '/people', person, inside())).status).toBe(400);
    }
  });
});

describe('a client that is slow, or gone', () => {
  const line = (words: string): Promise<Socket> =>
    new Promise((ready) => {
      const socket = connectTo(shop.port, '127.0.0.1', () => {
        socket.write(words);
        ready(socket);
      });
      socket.on('error', () => undefined);
    });

  it('holds nobody else up, and leaves nothing behind', async () => {
    const head = 'Host: 127.0.0.1\r\nX-Forwarded-For: 192.168.7.31\r\n';
    const slow = await Promise.all([
      ...Array.from({ length: 60 }, () => line(`GET /api/rigs HTTP/1.1\r\n${head}X-Slow: `)),
      ...Array.from({ length: 10 }, () =>
        line(
          `POST /api/changes HTTP/1.1\r\n${head}Cookie: ${cookie}\r\nContent-Type: application/json\r\nContent-Length: 9000\r\n\r\n{"id":`,
        ),
      ),
      // Readers that take nothing of the whole record.
      ...Array.from({ length: 10 }, () => line(`GET /api/record HTTP/1.1\r\n${head}Cookie: ${cookie}\r\n\r\n`)),
    ]);
    const own = await openWorkshop({ demo: true });
    const giving = connectTo(own.port, '127.0.0.1');
    giving.write(
      'POST /api/record?preview=false HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 900000\r\n\r\n{"a":',
    );
    const [rig] = (await shop.send('GET', '/rigs', undefined, inside())).json as RigRecord[];
    const change = { id: v7(), kind: 'change-rig', of: rig.id, device: deviceId, against: 0 };
    const sent = { ...change, madeAt: new Date().toISOString(), fields: { name: 'Written meanwhile' } };
    expect((await shop.send('POST', '/changes', sent, inside())).status).toBe(200);
    slow.forEach((socket) => socket.destroy());
    while (!readdirSync(own.folder).some((name) => name.startsWith('incoming'))) await pause(20);
    giving.destroy();
    while (readdirSync(own.folder).some((name) => name.startsWith('incoming'))) await pause(20);
    expect((await own.send('GET', '/health')).status).toBe(200);
    await own.stop();
    expect((await shop.send('GET', '/health')).status).toBe(200);
  });
});
