import type { Envelope } from './envelope';
import { quantile } from './quantile';

/** A stretch of a recording, s. */
export type Span = { from: number; to: number };

/** Length of one level, s, and over how many of them it is smoothed. */
const LEVEL_S = 0.05;
const SMOOTHED = 5;
/** The arc is over the quietest by so much, or nothing tells where it burns and the whole is looked at. */
const OVER_QUIET = 4;
/** Under this share of the loudest it is out. */
const OUT_SHARE = 0.2;
/** Loud is what so much of the recording is not over: two seconds of arc in a minute are. */
const LOUD = 0.97;
/** A gap that is shorter is part of the arc, s: it sputters. */
const JOINED_S = 0.6;
/** What is shorter is a knock and no arc, s. */
const SHORTEST_S = 0.3;

/** The level of a sound each {@link LEVEL_S}, smoothed. */
function levelsOf({ values, hopS }: Envelope): number[] {
  const each = Math.round(LEVEL_S / hopS);
  const levels = Array.from({ length: Math.floor(values.length / each) }, (_, i) =>
    Math.sqrt(values.subarray(i * each, (i + 1) * each).reduce((sum, value) => sum + value ** 2, 0) / each),
  );
  return levels.map((_, i) => {
    const near = levels.slice(Math.max(0, i - (SMOOTHED >> 1)), i + (SMOOTHED >> 1) + 1);
    return near.reduce((sum, level) => sum + level, 0) / near.length;
  });
}

/**
 * Where in a recording the arc burns, if it holds one: what is far louder over 2 kHz than the quietest of it. Where nothing is, all of
 * it may be arc, or none.
 */
export function whereItBurns(envelope: Envelope): Span[] {
  const whole = { from: 0, to: envelope.values.length * envelope.hopS };
  const levels = levelsOf(envelope);
  const [quiet, loud] = [Math.min(...levels), quantile(levels, LOUD)];
  if (levels.length === 0 || loud < OVER_QUIET * quiet) return [whole];
  const over = Math.max(2 * quiet, OUT_SHARE * loud);
  const spans: Span[] = [];
  levels.forEach((level, i) => {
    if (level < over) return;
    const last = spans[spans.length - 1];
    if (last !== undefined && i * LEVEL_S - last.to <= JOINED_S) last.to = (i + 1) * LEVEL_S;
    else spans.push({ from: i * LEVEL_S, to: (i + 1) * LEVEL_S });
  });
  return spans.filter(({ from, to }) => to - from >= SHORTEST_S);
}

/** Returns how long some stretches are together, s. */
export const lengthOf = (spans: readonly Span[]): number => spans.reduce((sum, { from, to }) => sum + to - from, 0);
