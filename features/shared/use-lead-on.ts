import { useRouter, type Href } from 'expo-router';
import { useCallback, useEffect, useRef } from 'react';

/**
 * Leads on to the next place once something is saved, by itself in this one's stead; and leads nobody away who has gone elsewhere while
 * it was being saved.
 * @returns leads on to an address, or does nothing where the screen that asked is no longer looked at
 */
export function useLeadOn(): (next: Href, how?: 'replace' | 'push') => void {
  const router = useRouter();
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  return useCallback(
    (next, how = 'replace') => {
      if (here.current) router[how](next);
    },
    [router],
  );
}
