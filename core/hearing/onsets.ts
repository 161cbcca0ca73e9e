import { lengthOf, type Span } from './burning';
import type { Envelope } from './envelope';
import { quantile } from './quantile';

const { exp, max } = Math;

/** A click: when, s, and how much louder than what was before. */
export type Onset = { at: number; rise: number };

/** What was before a click: from so long to so long ago, s. */
const BEFORE_S = [0.0005, 0.001] as const;
/**
 * Over the restlessness of what lies between the clicks by so much. That is taken from its quietest fifth, which clicks that come
 * densely do not reach; of plain noise half lies under three times that.
 */
const OVER_NOISE = 14;
const QUIETEST = 0.2;
/**
 * A short has two clicks, one where it begins and one where the arc burns again. It takes up to a third of the time from one to the
 * next, so what is nearer than that is one; within these bounds, s, and as a share of the time between clicks.
 */
const ONE_SHORT = { leastS: 0.0025, firstS: 0.003, mostS: 0.006, share: 0.36 };
/** The time between clicks is known after so many counts, each with what the one before found. */
const COUNTS = 3;
/** A click hides what follows it and is quieter: its echoes. By this share at once, and less the later, s. */
const ECHO = { share: 0.5, fadesS: 0.025, overS: 0.06 };
/** Clicks in so much time around are what one is held against, s. */
const AROUND_S = 0.2;
/** Under this share of the loud clicks around it is one of the noise, or the beginning of a long short. */
const SHARE = 0.35;
/** Under this share of the loud clicks of the whole it is one of the noise, where nothing is loud around it. */
const LEAST_SHARE = 0.2;

/** Returns how much louder each moment is than the loudest just before it. */
function risesOf({ values, hopS }: Envelope): Float32Array {
  const [near, far] = BEFORE_S.map((late) => Math.round(late / hopS));
  return values.map((value, i) => {
    let before = 0;
    for (let k = max(0, i - far); k <= i - near; k++) before = max(before, values[k]);
    return max(0, value - before);
  });
}

type Peak = { i: number; rise: number };

/** Returns what rises over the noise; of what is nearer than a short is long, the loudest. */
function peaksOf(rises: Float32Array, over: number, apart: number): Peak[] {
  const peaks: Peak[] = [];
  for (let i = 1; i < rises.length - 1; i++) {
    if (rises[i] < over || rises[i] < rises[i - 1] || rises[i] <= rises[i + 1]) continue;
    const last = peaks[peaks.length - 1];
    if (last === undefined || i - last.i >= apart) peaks.push({ i, rise: rises[i] });
    else if (rises[i] > last.rise) peaks[peaks.length - 1] = { i, rise: rises[i] };
  }
  return peaks;
}

/** Without what a louder one just before hides. */
function withoutEchoes(peaks: readonly Peak[], hopS: number): Peak[] {
  const kept: Peak[] = [];
  for (const peak of peaks) {
    let isEcho = false;
    for (let k = kept.length - 1; k >= 0 && !isEcho; k--) {
      const lateS = (peak.i - kept[k].i) * hopS;
      if (lateS > ECHO.overS) break;
      isEcho = peak.rise < kept[k].rise * ECHO.share * exp(-lateS / ECHO.fadesS);
    }
    if (!isEcho) kept.push(peak);
  }
  return kept;
}

/** Without what is faint against the loud ones around it, and of the whole. */
function withoutFaint(peaks: readonly Peak[], hopS: number): Peak[] {
  const around = Math.round(AROUND_S / hopS);
  const loudOf = (of: readonly Peak[]): number =>
    quantile(
      of.map(({ rise }) => rise),
      0.75,
    );
  const least = LEAST_SHARE * loudOf(peaks);
  let [from, to] = [0, 0];
  return peaks.filter(({ i, rise }) => {
    while (peaks[from].i < i - around) from += 1;
    while (to < peaks.length && peaks[to].i <= i + around) to += 1;
    return rise >= max(least, SHARE * loudOf(peaks.slice(from, to)));
  });
}

/**
 * The clicks of a sound, one for each short: what rises quickly out of what was before. Each is held against the noise and against the
 * loud clicks around it, so that a quiet recording is heard as a loud one is.
 * @param spans where the arc burns: there alone the noise is measured and the clicks are counted
 */
export function onsetsOf(envelope: Envelope, spans: readonly Span[]): Onset[] {
  const { hopS } = envelope;
  const rises = risesOf(envelope);
  rises.forEach((_, i) => {
    if (!spans.some(({ from, to }) => i * hopS >= from && i * hopS < to)) rises[i] = 0;
  });
  const over =
    OVER_NOISE *
    quantile(
      [...rises].filter((rise) => rise > 0),
      QUIETEST,
    );
  let apartS = ONE_SHORT.firstS;
  let clicks: Peak[] = [];
  for (let count = 0; count < COUNTS; count++) {
    clicks = withoutFaint(withoutEchoes(peaksOf(rises, over, Math.round(apartS / hopS)), hopS), hopS);
    const betweenS = lengthOf(spans) / max(1, clicks.length);
    apartS = max(ONE_SHORT.leastS, Math.min(ONE_SHORT.mostS, ONE_SHORT.share * betweenS));
  }
  return clicks.map(({ i, rise }) => ({ at: i * hopS, rise }));
}
