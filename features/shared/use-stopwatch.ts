import { useEffect, useState } from 'react';
import { platform } from '@/platform/ports';

/** How often the running watch is drawn. */
const TICK_MS = 100;

/** A watch that one glove can work. */
export type Stopwatch = {
  /** Seconds so far while it runs, to a tenth; null while it stands. */
  running: string | null;
  /** Starts it, or stops it. @returns the seconds it ran, to a tenth, when it was stopped; else null */
  press: () => string | null;
};

export function useStopwatch(): Stopwatch {
  const [started, setStarted] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (started === null) return undefined;
    return platform().every(TICK_MS, () => setNow(platform().now().getTime()));
  }, [started]);
  const press = (): string | null => {
    const at = platform().now().getTime();
    setNow(at);
    setStarted(started === null ? at : null);
    return started === null ? null : ((at - started) / 1000).toFixed(1);
  };
  return { running: started === null ? null : Math.max(0, (now - started) / 1000).toFixed(1), press };
}
