import { lengthOf, type Span } from './burning';
import type { Envelope } from './envelope';
import type { Onset } from './onsets';
import { quantile } from './quantile';
import { countsOf, type Rhythm } from './rhythm';
import { powerBetween, type Spectrum } from './spectrum';

/** By what an arc that shorts is told from what else is heard in a shop. */
export type Marks = {
  /** How far the clicks stand out of what lies between them. */
  contrast: number;
  /** Share of tenths of a second with a click. */
  filled: number;
  /** How much louder the loud clicks are than the faint ones. */
  spread: number;
  /** Share of the times between clicks that are like the one before. */
  regular: number;
  /** Share of the power that lies in the upper half, to 8 kHz at most. */
  bright: number;
};

/** Bright is the upper half under this, Hz: what a telephone's microphone still hears well. */
const BRIGHT_TO_HZ = 8000;
/** Hum lies under this, Hz. */
const HUM_HZ = 150;
/** Times between clicks that differ by less are alike. */
const ALIKE = 0.08;

/**
 * Where an arc ends. Of simulated arcs in noise 10 dB under them the clicks stand out by 2.6 and more, of a grinder, a fan and a
 * compressor by 1.4 at most. Most pulses of a voice come as the one before, with pauses between the syllables; of the clicks of an
 * uneven arc a fifth does. Strikes of a hammer ring on, so that their echoes are counted with them and lie twenty times apart and more in loudness,
 * where the clicks of an arc lie two to five.
 */
const ARC = {
  ...{ contrast: 2.2, filled: 0.5, spread: 15, regular: 0.3, machine: 0.85, pauses: 0.9, bright: 0.06 },
  ...{ clicksPerS: 8, unevenness: 1.9, loudSpread: 0.9 },
};

/**
 * Whether pulses come as a voice or a machine gives them: one as the other while a syllable lasts, and then a pause; or one as the
 * other all along. An even arc has many that are alike too, but no pauses. Of few clicks more are alike by chance.
 */
function isVoiceOrMachine({ regular }: Marks, { clicksPerS, unevenness }: Rhythm, seconds: number): boolean {
  const byChance = 0.4 / Math.sqrt(Math.max(1, clicksPerS * seconds));
  return regular > ARC.machine || ((unevenness ?? 9) > ARC.pauses && regular > ARC.regular + byChance);
}

/** Share of the times between clicks that are like the one before. */
function regularityOf(onsets: readonly Onset[]): number {
  const gaps = onsets.slice(1).map(({ at }, i) => at - onsets[i].at);
  const alike = gaps.slice(1).filter((gap, i) => Math.abs(gap - gaps[i]) < (ALIKE * (gap + gaps[i])) / 2);
  return alike.length / Math.max(1, gaps.length - 1);
}

export function marksOf(
  { values, hopS }: Envelope,
  onsets: readonly Onset[],
  spans: readonly Span[],
  spectrum: Spectrum,
): Marks {
  const rises = onsets.map(({ rise }) => rise);
  const between = spans.flatMap(({ from, to }) => [...values.subarray(Math.round(from / hopS), Math.round(to / hopS))]);
  const tenths = countsOf(onsets, spans, 0.1);
  const top = Math.min(BRIGHT_TO_HZ, spectrum.power.length * spectrum.hz);
  return {
    contrast: quantile(rises, 0.5) / (quantile(between, 0.5) || 1),
    filled: tenths.filter((count) => count > 0).length / Math.max(1, tenths.length),
    spread: quantile(rises, 0.9) / (quantile(rises, 0.1) || 1),
    regular: regularityOf(onsets),
    bright: powerBetween(spectrum, top / 2, top) / (powerBetween(spectrum, HUM_HZ, top) || 1),
  };
}

/** What a sound is, as far as it can be told: an arc that shorts, a noise without clicks, or what comes and goes. */
export type Kind = 'arc' | 'no-clicks' | 'other';

export function kindOf(marks: Marks, rhythm: Rhythm, spans: readonly Span[]): Kind {
  const { clicksPerS, unevenness, loudSpread } = rhythm;
  if (lengthOf(spans) === 0) return 'other';
  if (marks.contrast < ARC.contrast || clicksPerS < ARC.clicksPerS) return 'no-clicks';
  const isOther =
    marks.spread > ARC.spread ||
    isVoiceOrMachine(marks, rhythm, lengthOf(spans)) ||
    marks.bright < ARC.bright ||
    marks.filled < ARC.filled ||
    (unevenness ?? 9) > ARC.unevenness ||
    (loudSpread ?? 9) > ARC.loudSpread;
  return isOther ? 'other' : 'arc';
}
