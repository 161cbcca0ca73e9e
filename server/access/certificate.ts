import 'reflect-metadata';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';
import { createPrivateKey, webcrypto, X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { StartError } from '../errors/start-error';
import { isHouseAddress, type Reach } from './addresses';

/** What a server shows who it is with, and what a device is asked to trust. */
export type Credentials = {
  /** The server's certificate (with what signed it) and its key, as PEM. */
  cert: string;
  key: string;
  /** The workshop's own authority as PEM, which devices come to trust; null where somebody else's certificate is used. */
  authority: string | null;
  /** SHA-256 of what is trusted, as devices show it: pairs of hex with colons. */
  fingerprint: string;
};

const SIGNING = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY_MS = 24 * 3600 * 1000;
/** Devices take no server's certificate that is good for longer than some 800 days; the authority outlives the phones. */
const SERVER_DAYS = 390;
const AUTHORITY_DAYS = 3650;
/** It is made anew so long before it ends. */
const AHEAD_DAYS = 30;

/** Networks of a house, for the authority to sign for nothing else. */
const HOUSE = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '100.64.0.0/10', '127.0.0.0/8', 'fc00::/7'];

x509.cryptoProvider.set(webcrypto as Crypto);

const pem = (name: string, bytes: ArrayBuffer): string =>
  `-----BEGIN ${name}-----\n${Buffer.from(bytes)
    .toString('base64')
    .replace(/(.{64})/g, '$1\n')
    .trimEnd()}\n-----END ${name}-----\n`;

/** SHA-256 of a certificate, as devices show it. @param cert PEM; of several the first */
const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;

const newKeys = (): Promise<CryptoKeyPair> =>
  webcrypto.subtle.generateKey(SIGNING, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;
const keyText = async (key: CryptoKey): Promise<string> =>
  pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', key));

async function keyFrom(text: string): Promise<CryptoKey> {
  const bytes = Buffer.from(text.replace(/-----[A-Z ]+-----|\s/g, ''), 'base64');
  return webcrypto.subtle.importKey('pkcs8', bytes, SIGNING, true, ['sign']) as Promise<CryptoKey>;
}

const between = (now: Date, days: number): { notBefore: Date; notAfter: Date } => ({
  // A phone's clock may be behind.
  notBefore: new Date(now.getTime() - DAY_MS),
  notAfter: new Date(now.getTime() + days * DAY_MS),
});

/** Names that the authority may sign for: those below `.local`, and those the machine goes by. */
function houseOnly(names: readonly string[]): x509.Extension {
  const permitted = [
    ...['local', ...names].map((name) => new GeneralName({ dNSName: name })),
    ...HOUSE.map((network) => new GeneralName({ iPAddress: network })),
  ].map((base) => new GeneralSubtree({ base }));
  const constraints = new NameConstraints({ permittedSubtrees: new GeneralSubtrees(permitted) });
  return new x509.Extension('2.5.29.30', true, AsnConvert.serialize(constraints));
}

/** A new authority of this workshop. It may sign for addresses of a house's network and these names, and no others. */
async function makeAuthority(names: readonly string[], now: Date): Promise<{ cert: string; key: string }> {
  const keys = await newKeys();
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    name: 'CN=Jolly Tinker workshop',
    ...between(now, AUTHORITY_DAYS),
    signingAlgorithm: SIGNING,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      houseOnly(names),
    ],
  });
  return { cert: `${cert.toString('pem')}\n`, key: await keyText(keys.privateKey) };
}

/** A certificate for everything that the machine is reached by, signed by the authority whether or not it may. */
export async function signServer(
  authority: { cert: string; key: string },
  { names, addresses }: Reach,
  now: Date,
): Promise<{ cert: string; key: string }> {
  const keys = await newKeys();
  const signer = new x509.X509Certificate(authority.cert);
  const cert = await x509.X509CertificateGenerator.create({
    subject: 'CN=Jolly Tinker',
    issuer: signer.subject,
    ...between(now, SERVER_DAYS),
    signingKey: await keyFrom(authority.key),
    publicKey: keys.publicKey,
    signingAlgorithm: SIGNING,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([
        ...['localhost', ...names].map((value) => ({ type: 'dns' as const, value })),
        ...['127.0.0.1', ...addresses].map((value) => ({ type: 'ip' as const, value })),
      ]),
      await x509.AuthorityKeyIdentifierExtension.create(signer.publicKey),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { cert: `${cert.toString('pem')}\n`, key: await keyText(keys.privateKey) };
}

type Kept = { cert: string; key: string };

/** Only the owner of the server may read a key. */
function keep(folder: string, name: string, { cert, key }: Kept): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 });
  writeFileSync(join(folder, `${name}.pem`), cert, { mode: 0o644 });
}

function kept(folder: string, name: string): Kept | null {
  const [cert, key] = [join(folder, `${name}.pem`), join(folder, `${name}.key`)];
  if (!existsSync(cert) || !existsSync(key)) return null;
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
}

const endsIn = (cert: string, now: Date): number =>
  (new Date(new X509Certificate(cert).validTo).getTime() - now.getTime()) / DAY_MS;

/** Returns whether a certificate is good for all that the machine is reached by. */
function covers(cert: string, { names, addresses }: Reach): boolean {
  const one = new X509Certificate(cert);
  return (
    names.every((name) => one.checkHost(name) !== undefined) && addresses.every((ip) => one.checkIP(ip) !== undefined)
  );
}

/** Returns whether the authority may sign for these names: it was made for those of its first day. */
const maySignFor = (authority: string, names: readonly string[]): boolean => {
  const extension = new x509.X509Certificate(authority).getExtension('2.5.29.30');
  if (extension === null) return false;
  const { permittedSubtrees } = AsnConvert.parse(extension.value, NameConstraints);
  const allowed = [...(permittedSubtrees ?? [])].flatMap(({ base }) =>
    base.dNSName === undefined ? [] : [base.dNSName],
  );
  return names.every((name) => allowed.some((one) => name === one || name.endsWith(`.${one}`)));
};

/**
 * The certificate to serve with: the kept one while it is good for all that the machine is reached by, else one signed anew by the
 * same authority, so that a device which trusts the workshop goes on to. The authority itself is made at the first start, and anew
 * only where the machine goes by a name that it may not sign for.
 * @param folder where keys and certificates stand, for the owner alone
 */
export async function ensureCertificate(folder: string, asked: Reach, now: Date): Promise<Credentials> {
  // One address that the authority may not sign for would have the whole certificate refused.
  const reach = { ...asked, addresses: asked.addresses.filter(isHouseAddress) };
  let authority = kept(folder, 'authority');
  let isNew = false;
  if (authority === null || endsIn(authority.cert, now) < AHEAD_DAYS || !maySignFor(authority.cert, reach.names)) {
    authority = await makeAuthority(['localhost', ...reach.names], now);
    keep(folder, 'authority', authority);
    isNew = true;
  }
  let server = isNew ? null : kept(folder, 'server');
  if (server === null || endsIn(server.cert, now) < AHEAD_DAYS || !covers(server.cert, reach)) {
    server = await signServer(authority, reach, now);
    keep(folder, 'server', server);
  }
  return {
    cert: server.cert + authority.cert,
    key: server.key,
    authority: authority.cert,
    fingerprint: fingerprintOf(authority.cert),
  };
}

/** A certificate of one's own. @throws StartError where the files cannot be read or do not belong together */
export function ownCertificate(certFile: string, keyFile: string): Credentials {
  try {
    const [cert, key] = [readFileSync(certFile, 'utf8'), readFileSync(keyFile, 'utf8')];
    if (!new X509Certificate(cert).checkPrivateKey(createPrivateKey(key)))
      throw new Error('the key is not that of the certificate');
    return { cert, key, authority: null, fingerprint: fingerprintOf(cert) };
  } catch (error) {
    throw new StartError(
      `TLS_CERT and TLS_KEY take the paths of a certificate and its key, as PEM (${(error as Error).message}).`,
    );
  }
}
