import { MOST_HEARD_S, type Heard } from '../case/heard-schema';
import { lengthOf, whereItBurns, type Span } from './burning';
import { envelopeOf } from './envelope';
import { kindOf, marksOf } from './kind';
import { onsetsOf, type Onset } from './onsets';
import { countsOf, rhythmOf } from './rhythm';

/** One sound, from -1 to 1, and its samples a second. */
export type Recording = { samples: Float32Array; rate: number };

/** Why nothing is entered. */
export type Unheard = 'too-short' | 'too-quiet' | 'too-loud' | 'no-clicks' | 'no-arc';

/** What listening came to: the figures, or why there are none; where the arc burns, and its clicks, s from the beginning. */
export type Listened =
  | { heard: Heard; why: null; seconds: number; spans: Span[]; clicks: Onset[] }
  | { heard: null; why: Unheard; seconds: number; spans: Span[]; clicks: Onset[] };

/** What is taken in, samples a second. */
export const RATES = { least: 8000, most: 48_000 } as const;
/** Less arc than this says nothing, s. */
const LEAST_ARC_S = 2;
/** Loudest sample under which there is next to nothing: 1 in 300, fifty decibels under full. */
const QUIET = 0.003;
/** A sample so near the end of the scale is cut off, and of so many the clicks are not to be trusted. */
const FULL = 0.985;
const CUT_SHARE = 0.0005;

/** Share of the samples that are at the end of the scale. */
export const cutShare = (samples: Float32Array): number =>
  samples.reduce((count, value) => (value > FULL || value < -FULL ? count + 1 : count), 0) /
  Math.max(1, samples.length);

/** As much of some stretches as is listened to. */
function firstOf(spans: readonly Span[], seconds: number): Span[] {
  const kept: Span[] = [];
  for (const { from, to } of spans) {
    const left = seconds - lengthOf(kept);
    if (left > 0) kept.push({ from, to: Math.min(to, from + left) });
  }
  return kept;
}

const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

/**
 * Listens to a recording of an arc.
 * @param recording at {@link RATES}
 * @returns figures of what was heard; or why nothing is concluded: too short, too quiet, cut off, without clicks (a spray, an arc far
 *   too long, or no arc), or no arc
 */
export function listen({ samples, rate }: Recording): Listened {
  const seconds = samples.length / rate;
  const unheard = (why: Unheard, spans: Span[] = [], clicks: Onset[] = []): Listened => ({
    ...{ heard: null, why, seconds, spans, clicks },
  });
  if (seconds < LEAST_ARC_S) return unheard('too-short');
  if (samples.every((value) => Math.abs(value) < QUIET)) return unheard('too-quiet');
  if (cutShare(samples) > CUT_SHARE) return unheard('too-loud');
  const envelope = envelopeOf(samples, rate);
  const spans = firstOf(whereItBurns(envelope), MOST_HEARD_S);
  const clicks = onsetsOf(envelope, spans);
  const rhythm = rhythmOf(clicks, spans);
  const kind = kindOf(marksOf(envelope, clicks, spans), rhythm, spans);
  if (kind === 'other') return unheard('no-arc', spans, clicks);
  if (kind === 'no-clicks') return unheard('no-clicks', spans, clicks);
  if (lengthOf(spans) < LEAST_ARC_S) return unheard('too-short', spans, clicks);
  const heard: Heard = {
    seconds: rounded(lengthOf(spans), 1),
    clicksPerS: rounded(rhythm.clicksPerS, 1),
    clicksPerSOff: rounded(rhythm.clicksPerSOff, 1),
    unevenness: rounded(rhythm.unevenness ?? 1, 2),
    loudSpread: rounded(rhythm.loudSpread ?? 0.3, 2),
    gapShare: rounded(rhythm.gapShare, 3),
    trend: rounded(rhythm.trend ?? 0, 2),
    trendOff: rounded(rhythm.trendOff ?? 1, 2),
    strip: countsOf(clicks, spans, 0.1)
      .map((count) => Math.min(35, count).toString(36))
      .join(''),
  };
  return { heard, why: null, seconds, spans, clicks };
}
