import type { Ports } from '../ports';

/** The page's timers in a test, which waits for an event and never for a time. */
type Timers = Pick<Ports, 'after' | 'every'>;

/** Factor by which a test's pauses are shorter; they stay in their order. */
const SOONER = 50;
/** A longer wait than this is for an answer, ms, and stays: a busy machine is not a dead one. */
const PATIENCE = 10_000;

const sooner = (ms: number): number => (ms > PATIENCE ? ms : ms / SOONER);

/** Pauses that are soon over. */
export const quickTimers: Timers = {
  after: (ms, work) => {
    const timer = setTimeout(work, sooner(ms));
    return () => clearTimeout(timer);
  },
  every: (ms, work) => {
    const timer = setInterval(work, sooner(ms));
    return () => clearInterval(timer);
  },
};

/** Pauses that are over when the test says so. @returns `pass` ends all that run now; `held` how long they are, ms */
export function heldTimers(): { timers: Pick<Timers, 'after'>; pass: () => void; held: () => number[] } {
  const due = new Map<() => void, number>();
  return {
    timers: {
      after: (ms, work) => {
        due.set(work, ms);
        return () => void due.delete(work);
      },
    },
    pass: () => {
      const over = [...due.keys()];
      due.clear();
      over.forEach((work) => work());
    },
    held: () => [...due.values()],
  };
}
