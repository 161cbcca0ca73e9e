import type { ArcEvent } from './arc-run';

/** What the short circuits of a run come to. */
export type TraceFigures = {
  /** Short circuits a second. */
  ratePerS: number;
  /** Deviation of the time from one to the next over its mean; null with fewer than three. */
  unevenness: number | null;
  /** Share of the time that is shorted. */
  shorted: number;
  /** Mean of the highest current of each short, A; null without one. */
  peakA: number | null;
  /** Energy of the bridges that burst, by the square of their current: 1 at 250 A a hundred times a second. */
  spatterIndex: number;
  /** Share of shorts in which solid wire stood in the pool. */
  stubbed: number;
  fallsPerS: number;
  outs: number;
};

const SPATTER_ONE = 250 ** 2 * 100;

/** @param seconds how long the run was */
export function traceFigures(events: readonly ArcEvent[], seconds: number): TraceFigures {
  const again = events.flatMap((event) => (event.kind === 'again' ? [event] : []));
  const gaps = again.slice(1).map(({ at }, i) => at - again[i].at);
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  const variance = gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / gaps.length;
  const sum = (of: (event: (typeof again)[number]) => number): number => again.reduce((all, one) => all + of(one), 0);
  return {
    ratePerS: again.length / seconds,
    unevenness: gaps.length < 2 ? null : Math.sqrt(variance) / mean,
    shorted: sum(({ shortedMs }) => shortedMs) / 1000 / seconds,
    peakA: again.length === 0 ? null : sum(({ peakA }) => peakA) / again.length,
    spatterIndex: sum(({ peakA }) => peakA ** 2) / seconds / SPATTER_ONE,
    stubbed: again.length === 0 ? 0 : sum(({ stubbed }) => Number(stubbed)) / again.length,
    fallsPerS: events.filter(({ kind }) => kind === 'fall').length / seconds,
    outs: events.filter(({ kind }) => kind === 'out').length,
  };
}
