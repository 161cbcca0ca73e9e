import type { RequestListener } from 'node:http';
import { toString as qrText } from 'qrcode';
import type { Store } from '../db/engine/store';
import { inAddressLine, reachOfMachine, type Reach } from './addresses';
import { ensureCertificate, ownCertificate, type Credentials } from './certificate';
import { lanServer, type LanServer } from './lan-server';
import { slowing, type Lan, type Network } from './network';
import { CODE_MINUTES, makeJoinCode } from './sessions';
import { clock, every } from '../system/clock';

/** A machine may be given another address while it runs: looked at so often, ms. */
const LOOK_EVERY_MS = 30_000;

export type OpenLan = Network & {
  /** Names and addresses that it answers to now. */
  hostNames: () => readonly string[];
  /** Lets the network in. @param failed hears why it cannot */
  listen: (answer: RequestListener, ready: () => void, failed: (error: NodeJS.ErrnoException) => void) => void;
  /** Says in the terminal where it is and how to come in. */
  say: () => void;
  close: () => void;
};

type Opening = Lan & { hostNames: readonly string[]; folder: string; store: Store };

/** Where a phone is led that scans the code: what stands behind # is never sent, and so stands in no log. */
export const joinAddress = (address: string, code: string): string => `${address}/join#${code}`;

/** What there is to say in the terminal: each address, and the code as a picture. */
async function say(addresses: readonly string[], trust: ReturnType<Network['trust']>, store: Store): Promise<void> {
  const { code } = await makeJoinCode(store, clock());
  const [best] = addresses;
  console.log(`On the network, for whoever has the pass phrase:\n${addresses.map((one) => `  ${one}`).join('\n')}`);
  if (best === undefined) return console.log('This machine has no address on a network now.');
  console.log(await qrText(joinAddress(best, code), { type: 'terminal', small: true, errorCorrectionLevel: 'L' }));
  console.log(`Scan it to come in; it is good for ${CODE_MINUTES} min. A newer one: on the page, under Rig, Devices.`);
  if (trust?.isOurs)
    console.log(`Phones warn of the certificate until they trust this workshop:\n  SHA-256 ${trust.fingerprint}`);
}

/**
 * Everything that the network needs to come in: a certificate, the names it goes by, and the port. Nothing listens before `listen`.
 * @throws StartError where a certificate of one's own cannot be used
 */
export async function openLan(opening: Opening): Promise<OpenLan> {
  const { folder, hostNames, tls, proxies, store, port, host } = opening;
  let reach: Reach = reachOfMachine(hostNames);
  const renew = (): Promise<Credentials> | Credentials =>
    tls === null ? ensureCertificate(folder, reach, clock()) : ownCertificate(tls.cert, tls.key);
  // A proxy does the encrypting, with a certificate of its own.
  let credentials = proxies > 0 ? null : await renew();
  let server: LanServer | null = null;
  const lookNoMore = every(LOOK_EVERY_MS, () => {
    const now = reachOfMachine(hostNames);
    if (JSON.stringify(now) === JSON.stringify(reach)) return;
    reach = now;
    if (credentials === null || tls !== null) return;
    Promise.resolve(renew()).then(
      (renewed) => {
        credentials = renewed;
        server?.use(renewed);
        console.log(
          `This machine is reached otherwise now:\n${addresses()
            .map((one) => `  ${one}`)
            .join('\n')}`,
        );
      },
      (error: unknown) => console.error('no certificate for the new address', error),
    );
  });

  const addresses = (): string[] => {
    if (proxies > 0) return hostNames.map((name) => `https://${inAddressLine(name)}`);
    const open = server?.port() ?? port;
    // A name that others can resolve is not sure; an address is. Given names come first.
    const local = reach.names.filter((name) => name.endsWith('.local') && !hostNames.includes(name));
    const given = hostNames.filter((name) => !reach.addresses.includes(name));
    // Listening at one address, or at those of one kind, it is reached there alone.
    const heard = reach.addresses.filter(
      (one) => host === null || host === '::' || host === one || (host === '0.0.0.0' && !one.includes(':')),
    );
    return [...given, ...heard, ...local].map((one) => `https://${inAddressLine(one)}:${open}`);
  };
  const trust = (): ReturnType<Network['trust']> =>
    credentials === null ? null : { fingerprint: credentials.fingerprint, isOurs: credentials.authority !== null };
  return {
    addresses,
    trust,
    authority: () => credentials?.authority ?? null,
    slowDown: slowing(clock),
    hostNames: () => [...reach.names, ...reach.addresses.map(inAddressLine), ...hostNames],
    listen: (answer, ready, failed) => {
      if (credentials === null) return ready();
      server = lanServer(answer, credentials);
      server.onError(failed);
      server.listen(port, host, ready);
    },
    say: () => void say(addresses(), trust(), store),
    close: () => {
      lookNoMore();
      server?.close();
    },
  };
}
