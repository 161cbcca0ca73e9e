import { useEffect, useState } from 'react';
import { platform } from '@/platform/ports';

/** The page is put together and at rest before the device begins to keep it, ms. */
const BEGIN_AFTER = 2500;
/** How often a page that stays open looks for a new version, ms. */
const LOOK_EVERY = 60 * 60 * 1000;

/**
 * Has the device keep the page, so that it opens without the server, and hears of new versions. Where a browser keeps
 * nothing (a plain address that is not this machine's own) there is nothing to hear.
 * @returns takes the new version and opens the page anew; null while there is none
 */
export function useAppUpdate(): (() => void) | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    const container = (globalThis.navigator as Partial<Navigator>).serviceWorker;
    if (container === undefined || process.env.NODE_ENV !== 'production') return;
    let lookNoMore: (() => void) | undefined;
    const begin = async (): Promise<void> => {
      const kept = await container.register('/sw.js');
      const look = (): void => {
        // The first version of all is no update.
        if (kept.waiting !== null && container.controller !== null) setWaiting(kept.waiting);
      };
      look();
      kept.addEventListener('updatefound', () => kept.installing?.addEventListener('statechange', look));
      lookNoMore = platform().every(LOOK_EVERY, () => void kept.update().catch(() => undefined));
    };
    const callOff = platform().after(BEGIN_AFTER, () => void begin().catch(() => undefined));
    return () => {
      callOff();
      lookNoMore?.();
    };
  }, []);
  if (waiting === null) return null;
  return () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  };
}
