import { useEffect, useMemo, useRef, useState } from 'react';
import { platform } from '@/platform/ports';

/** How long Log rests once a bead is logged and nothing was touched since, ms: a glove often taps twice. */
const REST_MS = 1000;

export type Rest = { begin: () => void; end: () => void; isResting: () => boolean };

/** A rest after something that must not be done twice by a double tap. @returns whether it lasts, and how to work it */
export function useRest(): [resting: boolean, rest: Rest] {
  const [resting, setResting] = useState(false);
  const callOff = useRef<(() => void) | null>(null);
  const rest = useMemo<Rest>(() => {
    const end = (): void => {
      if (callOff.current === null) return;
      callOff.current();
      callOff.current = null;
      setResting(false);
    };
    return {
      begin: () => {
        end();
        callOff.current = platform().after(REST_MS, end);
        setResting(true);
      },
      end,
      isResting: () => callOff.current !== null,
    };
  }, []);
  useEffect(() => rest.end, [rest]);
  return [resting, rest];
}
