import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { request as plainRequest, type IncomingMessage } from 'node:http';
import { Agent, request } from 'node:https';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePassPhrase } from './ask-phrase';
import { ensureCertificate, type Credentials } from './certificate';
import { callerOf, markAtMachine } from './caller';
import { lanServer, type LanServer } from './lan-server';
import { slowing } from './network';
import { isPassPhrase } from './pass-phrase';
import { joinAddress } from './open-lan';
import { openWorkshop, type Workshop } from '../testing/workshop';

const folder = mkdtempSync(join(tmpdir(), 'jolly-lan-'));
const REACH = { names: ['shed'], addresses: ['192.168.7.20'] };
let made: Credentials;
let server: LanServer;
beforeAll(async () => {
  made = await ensureCertificate(folder, REACH, new Date());
  server = lanServer((asked, answer) => {
    if (asked.url !== '/in-pieces') return answer.end(`you asked for ${asked.url}`);
    answer.write('you asked for ');
    setImmediate(() => answer.end(asked.url));
  }, made);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true, force: true });
});

const read = (answer: IncomingMessage): Promise<string> =>
  new Promise((done) => {
    let said = '';
    answer.on('data', (chunk: Buffer) => (said += chunk.toString()));
    answer.on('end', () => done(said));
  });
const askSecure = (): Promise<{ said: string; shown: string }> =>
  new Promise((done, fail) => {
    const asking = request(
      { host: '127.0.0.1', port: server.port(), path: '/here', ca: made.authority!, agent: false },
      (answer) => {
        const { raw } = (answer.socket as never as { getPeerCertificate: () => { raw: Buffer } }).getPeerCertificate();
        void read(answer).then((said) => done({ said, shown: createHash('sha256').update(raw).digest('hex') }));
      },
    );
    asking.on('error', fail);
    asking.end();
  });

describe('the port for the network', () => {
  it('answers over HTTPS', async () => {
    expect((await askSecure()).said).toBe('you asked for /here');
  });

  it('sends an answer that comes in pieces without waiting for the device to say that it has the first', async () => {
    // Once a connection is some answers old, devices say so only every 40 ms or so.
    const agent = new Agent({ keepAlive: true, maxSockets: 1, ca: made.authority! });
    const times: Record<string, number[]> = { '/whole': [], '/in-pieces': [] };
    for (let i = 0; i < 40; i++)
      for (const path of Object.keys(times)) {
        const from = performance.now();
        await new Promise<void>((done, fail) => {
          const asking = request({ host: '127.0.0.1', port: server.port(), path, agent }, (answer) => {
            void read(answer).then(() => done());
          });
          asking.on('error', fail);
          asking.end();
        });
        if (i >= 20) times[path].push(performance.now() - from);
      }
    agent.destroy();
    const [whole, pieces] = Object.values(times).map((some) => some.sort((a, b) => a - b)[10]);
    expect(pieces / whole).toBeLessThan(8);
  });

  it('leads whoever asks without encryption to it, and answers nothing else', async () => {
    const ask = (host: string): Promise<[number, string | undefined, string]> =>
      new Promise((done, fail) => {
        const headers = { host };
        const asking = plainRequest(
          { host: '127.0.0.1', port: server.port(), path: '/api/rigs', headers },
          (answer) => void read(answer).then((said) => done([answer.statusCode!, answer.headers.location, said])),
        );
        asking.on('error', fail);
        asking.end();
      });
    expect(await ask('shed:4174')).toEqual([307, 'https://shed:4174/', '']);
    expect(await ask('[fd00::7]:4174')).toEqual([307, 'https://[fd00::7]:4174/', '']);
    expect(await ask('shed/evil"><script>')).toEqual([400, undefined, '']);
  });

  it('lets a connection go that speaks neither', async () => {
    const said = await new Promise<string>((done) => {
      const socket = connect(server.port(), '127.0.0.1', () =>
        socket.write(Buffer.from([22, 3, 1, 0, 5, 9, 9, 9, 9, 9])),
      );
      socket.on('data', () => undefined);
      socket.on('error', () => undefined);
      socket.on('close', () => done('gone'));
    });
    expect(said).toBe('gone');
    expect((await askSecure()).said).toBe('you asked for /here');
  });

  it('shows another certificate once the machine is reached otherwise', async () => {
    const before = (await askSecure()).shown;
    const moved = await ensureCertificate(folder, { ...REACH, addresses: ['10.0.0.9'] }, new Date());
    server.use(moved);
    const { shown, said } = await askSecure();
    expect(said).toBe('you asked for /here');
    expect(shown).not.toBe(before);
    expect(shown.toUpperCase()).toBe(new X509Certificate(moved.cert).fingerprint256.replace(/:/g, ''));
  });
});

it('waits the longer the more wrong ones came from an address, up to a limit, and forgets in time', async () => {
  const waited: number[] = [];
  let clock = 0;
  const slowDown = slowing(
    () => new Date(clock),
    async (ms) => waited.push(ms),
  );
  for (let i = 0; i < 7; i++) await slowDown('192.168.7.9');
  await slowDown('192.168.7.10');
  clock = 3600_001;
  await slowDown('192.168.7.9');
  expect(waited).toEqual([100, 200, 400, 800, 1600, 1600, 1600, 100, 100]);
});

it('keeps the code out of what is sent: it stands behind the mark', () => {
  const { hash, pathname, search } = new URL(joinAddress('https://192.168.7.20:4174', 'a-code'));
  expect([pathname, search, hash]).toEqual(['/join', '', '#a-code']);
});

describe('who asks', () => {
  const from = (remoteAddress: string, headers: Record<string, string> = {}) => {
    const asking = { socket: { remoteAddress }, headers, ip: remoteAddress } as never;
    markAtMachine(asking);
    return callerOf(asking, null as never, true, new Date()).isAtMachine;
  };

  it('is the machine itself over its own door, and not what was passed on there from elsewhere', () => {
    for (const address of ['127.0.0.1', '127.0.0.2', '::1', '::ffff:127.0.0.1']) expect(from(address)).toBe(true);
    for (const address of ['192.168.7.20', '10.127.0.1', '::ffff:10.0.0.1', '']) expect(from(address)).toBe(false);
    for (const header of ['x-forwarded-for', 'forwarded', 'via', 'x-forwarded-host'])
      expect(from('127.0.0.1', { [header]: 'x' })).toBe(false);
  });
});

describe('the pass phrase at the start', () => {
  let shop: Workshop;
  beforeAll(async () => (shop = await openWorkshop({ demo: false })));
  afterAll(() => shop.stop());
  const NEVER = (): Promise<string> => Promise.reject(new Error('asked'));
  const start = (given: string | null, another = false, isTerminal = false, ask = NEVER) =>
    ensurePassPhrase(shop.store, { given, another, isTerminal }, new Date(), ask);

  it('is needed: without one, and nobody to ask, the network is not let in, and why is said', async () => {
    await expect(start(null)).rejects.toThrow(/everyone in reach could read and write the record/);
    await expect(start('short')).rejects.toThrow(
      /PASS_PHRASE and PASS_PHRASE_FILE: A pass phrase has 10 to 200 letters/,
    );
  });

  it('is asked for once, and again only where another is wanted', async () => {
    await start(null, false, true, async () => 'three old welders');
    expect(await isPassPhrase(shop.store, 'three old welders')).toBe(true);
    await start(null, false, true);
    await start(null);
    await start(null, true, true, async () => 'four young welders');
    expect(await isPassPhrase(shop.store, 'four young welders')).toBe(true);
  });

  it('is the one that is given, at every start', async () => {
    await start('five tired welders');
    await start('five tired welders');
    expect(await isPassPhrase(shop.store, 'five tired welders')).toBe(true);
    expect(await isPassPhrase(shop.store, 'four young welders')).toBe(false);
  });
});
