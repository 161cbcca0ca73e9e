import { hostname, networkInterfaces } from 'node:os';

/** What a machine is reached by from the network: names and addresses. */
export type Reach = { names: string[]; addresses: string[] };

/** Networks of a house or a workshop: nobody on the internet has an address in them. */
const HOUSE_NETWORKS = [
  /^10\./,
  /^172\.(1[6-9]|2\d|3[01])\./,
  /^192\.168\./,
  /^100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7])\./,
];

/** Returns whether an address is of a house's own network. Link-local ones are left out: they name no machine without its door. */
export const isHouseAddress = (address: string): boolean =>
  HOUSE_NETWORKS.some((network) => network.test(address)) || /^f[cd][0-9a-f]{2}:/i.test(address);

/**
 * Returns how this machine is reached now: its own name, the same for those who ask the network (`.local`), and its addresses in
 * the house, IPv4 first.
 * @param named further names it was given
 */
export function reachOfMachine(named: readonly string[] = []): Reach {
  const own = hostname()
    .toLowerCase()
    .replace(/\.local$/, '');
  const isName = /^[a-z0-9]([a-z0-9-]*[a-z0-9])?$/.test(own);
  const found = Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter(({ internal, address }) => !internal && isHouseAddress(address))
    .sort((a, b) => a.family.localeCompare(b.family))
    .map(({ address }) => address);
  const isAddress = (name: string): boolean => /^[\d.]+$/.test(name) || name.includes(':');
  return {
    names: [...new Set([...(isName ? [own, `${own}.local`] : []), ...named.filter((name) => !isAddress(name))])],
    addresses: [...new Set([...found, ...named.filter(isAddress)])],
  };
}

/** As it stands in the address line: IPv6 in brackets. */
export const inAddressLine = (host: string): string => (host.includes(':') ? `[${host}]` : host);
