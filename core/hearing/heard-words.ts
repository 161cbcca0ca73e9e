import type { Heard } from '../case/heard-schema';
import { heardMost, heardWeights } from './likelihood';
import type { Level } from './level';
import type { Unheard } from './listen';

/** Why nothing is entered, and what then. */
export const UNHEARD_WORDS: Record<Unheard, string> = {
  'too-short': 'Less than two seconds of arc. Record a longer run.',
  'too-quiet': 'Next to nothing is heard: the microphone is covered, or too far off.',
  'too-loud': 'Too loud: the sound is cut off. Go a step back and record again.',
  'no-clicks':
    'No clicks stand out. A spray arc sounds like this, and one with the volts far too high; so does a grinder or a fan. If it was your arc, tap Hiss.',
  'no-arc': 'This does not sound like an arc: talk, hammering, or too much else beside it.',
};

/** What the reader is told while it is recorded. */
export const LEVEL_WORDS: Record<Level, string> = {
  'too-loud': 'Too loud: a step back',
  'too-far': 'Too far off, or covered',
  'no-arc': 'No arc yet',
  arc: 'Arc heard',
};

const TITLES: Record<ReturnType<typeof heardMost>, string> = {
  'sound-crisp': 'Steady crackle',
  'sound-popping': 'Uneven pops',
  'sound-hiss': 'Few clicks, hiss between them',
  'sound-plop': 'Next to no clicks',
  'sound-sputter': 'Comes and goes',
};

/** A rate as it is said, with how far it may be off. */
export const rateWords = ({ clicksPerS, clicksPerSOff }: Pick<Heard, 'clicksPerS' | 'clicksPerSOff'>): string =>
  `${Math.round(clicksPerS)} a second, ± ${Math.max(1, Math.round(clicksPerSOff))}`;

/** Returns how even the clicks come, in words. */
export const evennessWords = ({ unevenness }: Pick<Heard, 'unevenness'>): string =>
  `${unevenness < 0.45 ? 'even' : unevenness < 0.65 ? 'rather uneven' : unevenness < 1.1 ? 'uneven' : 'very uneven'} (${unevenness.toFixed(2)})`;

/** Returns whether the clicks thin out along the run; within what it may be off by it is as dense. */
export function trendWords({ trend, trendOff }: Pick<Heard, 'trend' | 'trendOff'>): string {
  if (Math.abs(trend) < Math.max(0.1, trendOff)) return 'as dense all along';
  return `${Math.abs(Math.round(100 * trend))} % ${trend < 0 ? 'thinner' : 'denser'} at the end`;
}

/** Share of the run without a click, in words. */
export const gapWords = ({ gapShare }: Pick<Heard, 'gapShare'>): string =>
  gapShare < 0.01 ? 'none' : `${Math.round(100 * gapShare)} % of the time`;

/** Returns what was heard in a line. */
export const heardLine = (heard: Heard): string =>
  `${Math.round(heard.clicksPerS)} clicks a second, ${evennessWords(heard)}`;

/** Returns what a recording sounds like, in a title and a sentence. @param balanced clicks a second in balance on this wire; null where not known */
export function heardWords(heard: Heard, balanced: number | null): { title: string; text: string } {
  const title = TITLES[heardMost(heardWeights(heard, balanced))];
  const beside =
    balanced === null
      ? 'In balance it is 80 to 150.'
      : `On this wire at this speed an arc in balance gives about ${10 * Math.round(balanced / 10)}.`;
  return { title, text: `${heardLine(heard)}. ${beside}` };
}
