import { pause } from '../system/clock';
import type { Session } from '../../core/access/access-schema';

/** How this server is reached from the network. */
export type Network = {
  /** Addresses to open, best first. */
  addresses: () => string[];
  /** Returns what a device is asked to trust. */
  trust: () => Session['trust'];
  /** The workshop's own authority as PEM; null where the certificate is somebody else's. */
  authority: () => string | null;
  /** Waits the longer the more wrong ones came from an address of late. */
  slowDown: (from: string) => Promise<void>;
};

/** How the network is let in, as the environment says. */
export type Lan = {
  port: number;
  /** The address it listens at; null for every one that the machine has. */
  host: string | null;
  /** A certificate of one's own with its key, by file. */
  tls: { cert: string; key: string } | null;
  /** Proxies in front, which do the encrypting; 0 for none. */
  proxies: number;
  passPhrase: string | null;
  /** Whether another pass phrase is asked for. */
  another: boolean;
};

/** The first wrong try waits so long, each further one twice as long, up to the most; forgotten after an hour, ms. */
const FIRST_MS = 100;
const MOST_MS = 1600;
const FORGOTTEN_MS = 3600_000;

/** Slows wrong tries down by the address they come from. @param wait how it is waited; tests do not */
export function slowing(now: () => Date, wait: (ms: number) => Promise<unknown> = pause): Network['slowDown'] {
  const wrong = new Map<string, { count: number; at: number }>();
  return async (from) => {
    const at = now().getTime();
    for (const [address, last] of wrong) if (at - last.at > FORGOTTEN_MS) wrong.delete(address);
    const count = (wrong.get(from)?.count ?? 0) + 1;
    wrong.set(from, { count, at });
    await wait(Math.min(MOST_MS, FIRST_MS * 2 ** (count - 1)));
  };
}
