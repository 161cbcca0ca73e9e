import { lengthOf, type Span } from './burning';
import type { Onset } from './onsets';

/** How the clicks of an arc follow each other. */
export type Rhythm = {
  clicksPerS: number;
  /** How far that may be off by the count alone, as a deviation: a train that is uneven is known less well. */
  clicksPerSOff: number;
  /** Deviation of the time from one to the next over its mean; null with fewer than three. */
  unevenness: number | null;
  /** Deviation of how loud the clicks are over their mean; null with fewer than two. */
  loudSpread: number | null;
  /** Share of the time in gaps of more than {@link GAP_S}. */
  gapShare: number;
  /** By how much of their mean the clicks grow denser from beginning to end, by a straight line; null where that cannot be told. */
  trend: number | null;
  /** How far that may be off, as a deviation. */
  trendOff: number | null;
};

/** A gap that is heard as one, s. */
const GAP_S = 0.05;
/** Clicks are counted in pieces of so long for the trend, s; of fewer nothing is drawn. */
const PIECE_S = 0.5;
const FEWEST_PIECES = 4;

/** Returns how many clicks each whole piece of some stretches holds. */
export function countsOf(onsets: readonly Onset[], spans: readonly Span[], pieceS: number): number[] {
  const counts: number[] = [];
  for (const { from, to } of spans)
    for (let k = 0; from + (k + 1) * pieceS <= to + 1e-9; k++) {
      const [begins, ends] = [from + k * pieceS, from + (k + 1) * pieceS];
      counts.push(onsets.filter(({ at }) => at >= begins && at < ends).length);
    }
  return counts;
}

/** The straight line through some counts by least squares: its rise from end to end over their mean. */
function trendOf(counts: readonly number[]): Pick<Rhythm, 'trend' | 'trendOff'> {
  const n = counts.length;
  const mean = counts.reduce((sum, count) => sum + count, 0) / n;
  if (n < FEWEST_PIECES || mean === 0) return { trend: null, trendOff: null };
  const places = counts.map((_, i) => i - (n - 1) / 2);
  const spread = places.reduce((sum, place) => sum + place ** 2, 0);
  const slope = counts.reduce((sum, count, i) => sum + places[i] * count, 0) / spread;
  const left = counts.reduce((sum, count, i) => sum + (count - mean - slope * places[i]) ** 2, 0);
  const slopeOff = Math.sqrt(left / (n - 2) / spread);
  return { trend: (slope * n) / mean, trendOff: (slopeOff * n) / mean };
}

/** Deviation of some values over their mean; null with fewer than two. */
function variationOf(values: readonly number[]): number | null {
  if (values.length < 2) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length) / mean;
}

/**
 * @param onsets the clicks within the stretches
 * @param spans where the arc burns: what lies between two of them is no gap of it
 */
export function rhythmOf(onsets: readonly Onset[], spans: readonly Span[]): Rhythm {
  const seconds = lengthOf(spans);
  const spanOf = (at: number): number => spans.findIndex(({ from, to }) => at >= from && at < to);
  const gaps = onsets.slice(1).flatMap(({ at }, i) => (spanOf(at) === spanOf(onsets[i].at) ? [at - onsets[i].at] : []));
  const unevenness = variationOf(gaps);
  return {
    clicksPerS: onsets.length / seconds,
    clicksPerSOff: ((unevenness ?? 1) * Math.sqrt(Math.max(1, onsets.length))) / seconds,
    unevenness,
    loudSpread: variationOf(onsets.map(({ rise }) => rise)),
    gapShare: gaps.reduce((sum, gap) => (gap > GAP_S ? sum + gap : sum), 0) / seconds,
    ...trendOf(countsOf(onsets, spans, PIECE_S)),
  };
}
