import { useEffect, useMemo, useRef, useState } from 'react';

/** How long Log rests once a bead is logged and nothing was touched since, ms: a glove often taps twice. */
export const REST_MS = 1000;

export type Rest = { begin: () => void; end: () => void; isResting: () => boolean };

/** A rest after something that must not be done twice by a double tap. @returns whether it lasts, and how to work it */
export function useRest(): [resting: boolean, rest: Rest] {
  const [resting, setResting] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const rest = useMemo<Rest>(() => {
    const end = (): void => {
      if (timer.current === null) return;
      clearTimeout(timer.current);
      timer.current = null;
      setResting(false);
    };
    return {
      begin: () => {
        end();
        timer.current = setTimeout(end, REST_MS);
        setResting(true);
      },
      end,
      isResting: () => timer.current !== null,
    };
  }, []);
  useEffect(() => rest.end, [rest]);
  return [resting, rest];
}
