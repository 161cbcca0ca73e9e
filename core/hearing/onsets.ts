import type { Envelope } from './envelope';

/** A click: when, s, and how much louder than what was before. */
export type Onset = { at: number; rise: number };

/** What was before a click: from so long to so long ago, s. */
const BEFORE_S = [0.0005, 0.001] as const;
/** Two clicks nearer than this are one short: the one where it begins and the louder one where the arc burns again, s. */
const APART_S = 0.0034;
/** Clicks in so much time around are what one is held against, s. */
const AROUND_S = 0.2;
/** Under this share of the loud clicks around it is an echo, or the beginning of a long short. */
const SHARE = 0.5;
/** Under this share of the loud clicks of the whole it is one of the noise, where nothing is loud around it. */
const LEAST_SHARE = 0.2;
/** Over the usual restlessness of the noise by so much. */
const OVER_NOISE = 4;

function quantile(values: number[], share: number): number {
  const sorted = values.sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/** How much louder each moment is than the loudest just before it. */
function risesOf({ values, hopS }: Envelope): Float32Array {
  const [near, far] = BEFORE_S.map((late) => Math.round(late / hopS));
  return values.map((value, i) => {
    let before = 0;
    for (let k = Math.max(0, i - far); k <= i - near; k++) before = Math.max(before, values[k]);
    return Math.max(0, value - before);
  });
}

/**
 * The clicks of a sound, by what rises quickly out of what was before. Each is held against the noise and against the loud clicks
 * around it, so that a quiet recording is heard as a loud one is.
 */
export function onsetsOf(envelope: Envelope): Onset[] {
  const { hopS } = envelope;
  const rises = risesOf(envelope);
  const [apart, around] = [Math.round(APART_S / hopS), Math.round(AROUND_S / hopS)];
  const noise = quantile(
    [...rises].filter((rise) => rise > 0),
    0.5,
  );
  const peaks: { i: number; rise: number }[] = [];
  for (let i = 1; i < rises.length - 1; i++) {
    if (rises[i] < OVER_NOISE * noise || rises[i] < rises[i - 1] || rises[i] <= rises[i + 1]) continue;
    const last = peaks[peaks.length - 1];
    if (last !== undefined && i - last.i < apart) {
      if (rises[i] > last.rise) peaks[peaks.length - 1] = { i, rise: rises[i] };
    } else peaks.push({ i, rise: rises[i] });
  }
  const loudOf = (of: readonly { rise: number }[]): number =>
    quantile(
      of.map(({ rise }) => rise),
      0.75,
    );
  const least = LEAST_SHARE * loudOf(peaks);
  let [from, to] = [0, 0];
  return peaks
    .filter(({ i, rise }) => {
      while (peaks[from].i < i - around) from += 1;
      while (to < peaks.length && peaks[to].i <= i + around) to += 1;
      return rise >= Math.max(least, SHARE * loudOf(peaks.slice(from, to)));
    })
    .map(({ i, rise }) => ({ at: i * hopS, rise }));
}
