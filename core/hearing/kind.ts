import { lengthOf, type Span } from './burning';
import type { Envelope } from './envelope';
import type { Onset } from './onsets';
import { quantile } from './quantile';
import type { Rhythm } from './rhythm';

/** By what an arc that shorts is told from what else is heard in a shop, besides its rhythm. */
export type Marks = {
  /** How far the clicks stand out of what lies between them. */
  contrast: number;
  /** Share of the times between clicks that are like the one before. */
  regular: number;
};

/** Times between clicks that differ by less are alike. */
const ALIKE = 0.08;

/**
 * Where an arc ends. Of simulated arcs in noise 10 dB under them the clicks stand out by 2.6 and more, of a grinder, a fan and a
 * compressor by 1.4 at most. Most pulses of a voice come as the one before, with pauses between the syllables; of the clicks of an
 * uneven arc a fifth does. Strikes of a hammer ring on: their echoes are counted with them and lie twenty times apart in loudness.
 * Each of the four is needed: without any one of them some of 350 noises of the shop are taken for an arc.
 */
const ARC = {
  ...{ contrast: 2.2, clicksPerS: 8, unevenness: 1.9, loudSpread: 0.9 },
  ...{ regular: 0.3, pauses: 0.9, machine: 0.85 },
};

/** Share of the times between clicks that are like the one before. */
function regularityOf(onsets: readonly Onset[]): number {
  const gaps = onsets.slice(1).map(({ at }, i) => at - onsets[i].at);
  const alike = gaps.slice(1).filter((gap, i) => Math.abs(gap - gaps[i]) < (ALIKE * (gap + gaps[i])) / 2);
  return alike.length / Math.max(1, gaps.length - 1);
}

export function marksOf({ values, hopS }: Envelope, onsets: readonly Onset[], spans: readonly Span[]): Marks {
  const rises = onsets.map(({ rise }) => rise);
  const between = spans.flatMap(({ from, to }) => [...values.subarray(Math.round(from / hopS), Math.round(to / hopS))]);
  return { contrast: quantile(rises, 0.5) / (quantile(between, 0.5) || 1), regular: regularityOf(onsets) };
}

/**
 * Returns whether pulses come as a voice or a machine gives them: one as the other while a syllable lasts, and then a pause; or one as the
 * other all along. An even arc has many that are alike too, but no pauses. Of few clicks more are alike by chance.
 */
function isVoiceOrMachine({ regular }: Marks, { clicksPerS, unevenness }: Rhythm, seconds: number): boolean {
  const byChance = 0.4 / Math.sqrt(Math.max(1, clicksPerS * seconds));
  return regular > ARC.machine || ((unevenness ?? 9) > ARC.pauses && regular > ARC.regular + byChance);
}

/** What a sound is, as far as it can be told: an arc that shorts, a noise without clicks, or what comes and goes. */
export type Kind = 'arc' | 'no-clicks' | 'other';

export function kindOf(marks: Marks, rhythm: Rhythm, spans: readonly Span[]): Kind {
  const { clicksPerS, unevenness, loudSpread } = rhythm;
  if (lengthOf(spans) === 0) return 'other';
  if (marks.contrast < ARC.contrast || clicksPerS < ARC.clicksPerS) return 'no-clicks';
  const isOther =
    isVoiceOrMachine(marks, rhythm, lengthOf(spans)) ||
    (unevenness ?? 9) > ARC.unevenness ||
    (loudSpread ?? 9) > ARC.loudSpread;
  return isOther ? 'other' : 'arc';
}
