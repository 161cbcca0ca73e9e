import { useCallback, useRef } from 'react';

/** A touch this soon after the one before it is the same one: a glove bounces. Source: double taps take 100 to 400 ms. */
export const GLOVE_MS = 450;

/**
 * Guards an action against the second tap of a glove: by the time since the last touch, whatever has come of the first
 * meanwhile. Each touch begins the time anew, so that three taps are one as well.
 * @returns what wraps a handler; all handlers wrapped by one guard count as one control
 */
export function useGlove(): <Args extends unknown[]>(
  act: ((...args: Args) => void) | null | undefined,
) => (...args: Args) => void {
  const touchedAt = useRef(-Infinity);
  return useCallback(
    (act) =>
      (...args) => {
        const now = performance.now();
        const since = now - touchedAt.current;
        touchedAt.current = now;
        if (since >= GLOVE_MS) act?.(...args);
      },
    [],
  );
}
