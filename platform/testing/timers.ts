import type { Ports } from '../ports';

/** The page's timers in a test: what a test waits for is what comes, not how long that takes. */
type Timers = Pick<Ports, 'after' | 'every'>;

/** How many times sooner a test's page does what it does after a pause; the pauses stay in their order. */
const SOONER = 50;
/** What waits longer than this waits for somebody else to answer, ms: a busy machine is not to be taken for a dead one. */
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
