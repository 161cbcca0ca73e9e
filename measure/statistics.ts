/** Times of repeated runs in ms, summed up. */
export type Timing = { median: number; p95: number };

/** Median and 95th percentile. @param times in ms, at least one */
export function summarise(times: readonly number[]): Timing {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return { median: at(0.5), p95: at(0.95) };
}

/** Times a piece of work `runs` times after a warm-up of a fifth as many. */
export function time(runs: number, work: () => void): Timing {
  for (let i = 0; i < runs / 5; i++) work();
  return summarise(
    Array.from({ length: runs }, () => {
      const from = performance.now();
      work();
      return performance.now() - from;
    }),
  );
}

/**
 * A fixed piece of arithmetic that takes about a millisecond on a desktop: the yardstick of this run.
 * Machines are shared and noisy, so figures are compared as multiples of it.
 */
export function yardstick(): number {
  let sum = 0;
  for (let i = 1; i < 60_000; i++) sum += Math.exp(-i / 1e5) * Math.log(i);
  return sum;
}

export const ms = ({ median, p95 }: Timing, unit: Timing): string =>
  `median ${median.toFixed(2)} ms, p95 ${p95.toFixed(2)} ms (${(median / unit.median).toFixed(1)} yardsticks)`;
