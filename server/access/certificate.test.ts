import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:https';
import { isIP, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from 'node:tls';
import { isHouseAddress } from './addresses';
import { ensureCertificate, ownCertificate, signServer, type Credentials } from './certificate';

const TODAY = new Date();
const later = (days: number): Date => new Date(TODAY.getTime() + days * 24 * 3600 * 1000);
const REACH = { names: ['shed', 'shed.local'], addresses: ['192.168.7.20', 'fd00::7'] };

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'jolly-tls-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Returns what a device that trusts the authority, and nothing else, says of a server that shows these. */
async function meet({ cert, key }: Credentials, authority: string, host: string): Promise<string> {
  const server = createServer({ cert, key });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  const said = await new Promise<string>((done) => {
    const socket = connect(
      {
        port,
        host: '127.0.0.1',
        servername: isIP(host) > 0 ? '' : host,
        ca: authority,
        checkServerIdentity: () => undefined,
      },
      () => {
        const other = new X509Certificate(socket.getPeerCertificate().raw);
        const isIt = isIP(host) > 0 ? other.checkIP(host) : other.checkHost(host);
        socket.end();
        done(isIt === undefined ? 'another' : 'trusted');
      },
    );
    socket.on('error', (error: NodeJS.ErrnoException) => done(error.message));
  });
  await new Promise((stopped) => server.close(stopped));
  return said;
}

describe('the workshop’s own certificate', () => {
  it('is trusted by who trusts the authority, for all the machine is reached by and nothing else', async () => {
    const made = await ensureCertificate(folder, REACH, TODAY);
    for (const host of ['localhost', '127.0.0.1', ...REACH.names, ...REACH.addresses])
      expect([host, await meet(made, made.authority!, host)]).toEqual([host, 'trusted']);
    expect(await meet(made, made.authority!, '192.168.7.21')).toBe('another');
    const other = await ensureCertificate(join(folder, 'other'), REACH, TODAY);
    expect(await meet(made, other.authority!, 'shed.local')).toMatch(/self.signed|unable to|signature/i);
  });

  it('stays while it is good, and is signed anew by the same authority when the address changes or it ends', async () => {
    const made = await ensureCertificate(folder, REACH, TODAY);
    expect(await ensureCertificate(folder, REACH, later(200))).toEqual(made);
    const moved = await ensureCertificate(folder, { ...REACH, addresses: ['10.0.0.4'] }, TODAY);
    expect(moved.fingerprint).toBe(made.fingerprint);
    expect(moved.cert).not.toBe(made.cert);
    expect(await meet(moved, made.authority!, '10.0.0.4')).toBe('trusted');
    const year = await ensureCertificate(folder, { ...REACH, addresses: ['10.0.0.4'] }, later(380));
    expect(year.fingerprint).toBe(made.fingerprint);
    expect(year.cert).not.toBe(moved.cert);
  });

  it('can sign for nothing but the house: a name of elsewhere takes another authority', async () => {
    const made = await ensureCertificate(folder, REACH, TODAY);
    const named = await ensureCertificate(folder, { ...REACH, names: [...REACH.names, 'weld.example.org'] }, TODAY);
    expect(named.fingerprint).not.toBe(made.fingerprint);
    expect(await meet(named, named.authority!, 'weld.example.org')).toBe('trusted');
    // An authority that leaked is good for no address on the internet: whoever signs with it is not believed.
    const leaked = { cert: named.authority!, key: readFileSync(join(folder, 'authority.key'), 'utf8') };
    for (const [names, addresses, host] of [
      [[], ['203.0.113.9'], '203.0.113.9'],
      [['bank.example.org'], [], 'bank.example.org'],
    ] as const) {
      const stolen = await signServer(leaked, { names: [...names], addresses: [...addresses] }, TODAY);
      expect(await meet({ ...named, ...stolen }, leaked.cert, host)).toBe('permitted subtree violation');
    }
    // One's own address on the internet is left out, so that the others are still trusted.
    const outside = await ensureCertificate(folder, { ...REACH, addresses: ['10.0.0.4', '203.0.113.9'] }, TODAY);
    expect(await meet(outside, outside.authority!, '10.0.0.4')).toBe('trusted');
  });

  it('keeps its keys for its owner alone', async () => {
    await ensureCertificate(folder, REACH, TODAY);
    for (const name of ['authority.key', 'server.key']) expect(statSync(join(folder, name)).mode & 0o077).toBe(0);
  });

  it('gives way to a certificate of one’s own, whose key must be its own', async () => {
    const made = await ensureCertificate(folder, REACH, TODAY);
    const [cert, key] = [join(folder, 'server.pem'), join(folder, 'server.key')];
    expect(ownCertificate(cert, key)).toEqual(
      expect.objectContaining({
        authority: null,
        key: made.key,
        fingerprint: new X509Certificate(readFileSync(cert)).fingerprint256,
      }),
    );
    expect(() => ownCertificate(cert, join(folder, 'authority.key'))).toThrow(/TLS_CERT and TLS_KEY take/);
    expect(() => ownCertificate(join(folder, 'none.pem'), key)).toThrow(/TLS_CERT and TLS_KEY take/);
    writeFileSync(cert, 'no certificate');
    expect(() => ownCertificate(cert, key)).toThrow(/TLS_CERT and TLS_KEY take/);
  });
});

it('tells addresses of a house from those of the internet', () => {
  const house = ['10.1.2.3', '172.16.0.1', '172.31.9.9', '192.168.0.4', '100.64.0.1', 'fd12:3::1'];
  const others = ['8.8.8.8', '172.32.0.1', '172.15.0.1', '100.128.0.1', '192.169.0.1', '2001:db8::1', 'fe80::1'];
  expect(house.filter((one) => !isHouseAddress(one))).toEqual([]);
  expect(others.filter(isHouseAddress)).toEqual([]);
});
