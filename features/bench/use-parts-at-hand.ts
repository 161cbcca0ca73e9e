import { useEffect } from 'react';
import { platform } from '@/platform/ports';

/** The page is put together, at rest, and the device has begun to keep it by then, ms. */
const BEGIN_AFTER = 5000;

/** What the bench fetches when it is first needed and cannot do without: a bead is begun, run, logged and taken back with these. */
const PARTS: readonly (() => Promise<unknown>)[] = [
  () => import('./start/StartCard'),
  () => import('./start/SafetyGateCard'),
  () => import('./verdict/AnotherWay'),
  () => import('./chart/BalanceChart'),
  () => import('fuse.js'),
];

/**
 * Fetches the parts of the bench ahead on a device that does not keep the page, as a phone does not which does not trust the workshop's
 * certificate yet: otherwise the bench would break where the network ends and a part is first needed.
 */
export function usePartsAtHand(): void {
  useEffect(() => {
    const fetchParts = async (): Promise<void> => {
      const { serviceWorker } = globalThis.navigator as Partial<Navigator>;
      if ((await serviceWorker?.getRegistration()) !== undefined) return;
      for (const part of PARTS) await part();
    };
    // Where the network has ended already there is nothing to be done.
    return platform().after(BEGIN_AFTER, () => void fetchParts().catch(() => undefined));
  }, []);
}
