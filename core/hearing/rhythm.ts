import type { Onset } from './onsets';

/** How the clicks of a sound follow each other. */
export type Rhythm = {
  clicksPerS: number;
  /** How far that may be off by the count alone, as a deviation: a train that is uneven is known less well. */
  clicksPerSOff: number;
  /** Deviation of the time from one to the next over its mean; null with fewer than three. */
  unevenness: number | null;
  /** The longest time without one, s; null with fewer than two. */
  longestGapS: number | null;
};

/** @param seconds how long the sound is */
export function rhythmOf(onsets: readonly Onset[], seconds: number): Rhythm {
  const gaps = onsets.slice(1).map(({ at }, i) => at - onsets[i].at);
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  const deviation = Math.sqrt(gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / gaps.length);
  const unevenness = gaps.length < 2 ? null : deviation / mean;
  return {
    clicksPerS: onsets.length / seconds,
    clicksPerSOff: ((unevenness ?? 1) * Math.sqrt(Math.max(1, onsets.length))) / seconds,
    unevenness,
    longestGapS: gaps.length === 0 ? null : Math.max(...gaps),
  };
}
