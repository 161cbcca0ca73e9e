import type { Session } from '../../core/access/access-schema';
import { setPassPhrase } from '../access/pass-phrase';
import type { Network } from '../access/network';
import type { AppOptions } from '../app';
import { freshId, NOW, openWorkshop, type Sent, type Workshop } from './workshop';

/** A workshop that lets the network in, as those see it who ask from there. */
export const PHRASE = 'three old welders';
export const PHONE = '192.168.7.31';

const NETWORK: Network = {
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

/** What a request carries from an address, with what its device shows. */
export const from = (address: string, cookie?: string): Record<string, string> => ({
  'x-forwarded-for': address,
  ...(cookie === undefined ? {} : { cookie }),
});

/** A device comes in. @returns its id, and what it shows from now on */
export async function comeIn(
  shop: Workshop,
  name = 'Phone',
): Promise<{ id: string; cookie: string; session: Session }> {
  const id = freshId();
  const sent = await shop.send('POST', '/session', { device: id, name, passPhrase: PHRASE }, from(PHONE));
  return { id, cookie: String(sent.headers['set-cookie']).split(';')[0], session: sent.json as Session };
}

export const problemOf = ({ status, json }: Sent): [number, string] => [status, (json as { code: string }).code];
