import type { Session } from '../../core/access/access-schema';
import { setPassPhrase } from '../access/pass-phrase';
import type { Network } from '../access/network';
import type { AppOptions } from '../app';
import { freshId, NOW, openWorkshop, type Sent, type Workshop } from './workshop';

/** A workshop that lets the network in, as those see it who ask from there. */
export const PHRASE = 'three old welders';
export const PHONE = '192.168.7.31';

export const NETWORK: Network = {
  addresses: () => ['https://192.168.7.20:4174'],
  trust: () => ({ fingerprint: 'AB:CD', isOurs: true }),
  authority: () => 'the authority',
  slowDown: async () => undefined,
};

export async function openGuarded(options: Partial<AppOptions> = {}): Promise<Workshop> {
  // One proxy in front lets a test ask from any address.
  const shop = await openWorkshop({ network: NETWORK, now: () => new Date(NOW), proxies: 1, ...options });
  await setPassPhrase(shop.store, PHRASE, new Date(NOW));
  return shop;
}

/** Returns what a request carries from an address, with what its device shows. */
export const from = (address: string, cookie?: string): Record<string, string> => ({
  'x-forwarded-for': address,
  ...(cookie === undefined ? {} : { cookie }),
});

const cookieOf = ({ headers }: Sent): string => String(headers['set-cookie']).split(';')[0];

type Coming = { how?: object; address?: string; id?: string };

/** A device comes in, or tries to. @returns its id, the answer, and what it shows from now on */
export async function signIn(
  shop: Workshop,
  name = 'Phone',
  { how = { passPhrase: PHRASE }, address = PHONE, id = freshId() }: Coming = {},
): Promise<{ id: string; sent: Sent; cookie: string; session: Session }> {
  const sent = await shop.send('POST', '/session', { device: id, name, ...how }, from(address));
  return { id, sent, cookie: cookieOf(sent), session: sent.json as Session };
}

export const problemOf = ({ status, json }: Sent): [number, string] => [status, (json as { code: string }).code];
