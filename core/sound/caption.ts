import type { TraceFigures } from './trace-figures';

/** How an arc sounds, in a word: the states that a welder tells apart by ear. */
export type ArcSound = 'crisp' | 'popping' | 'slow' | 'plop' | 'spray' | 'sputter';

/** Where one state ends and the next begins; trade: crackle of 80 to 150 a second, slow under 60, uneven from a deviation of half. */
const LIMITS = { none: 12, slowPerS: 60, uneven: 0.5, stubbed: 0.01, sprayFallsPerS: 60 };

/** Returns how an arc sounds by what it did. Where the arc goes out it sputters, whatever else. */
export function heardAs({ ratePerS, unevenness, stubbed, fallsPerS, outs }: TraceFigures): ArcSound {
  const { none, slowPerS, uneven, sprayFallsPerS } = LIMITS;
  if (outs > 0) return 'sputter';
  if (fallsPerS > sprayFallsPerS && ratePerS < slowPerS) return 'spray';
  if (ratePerS < none) return 'plop';
  if (stubbed > LIMITS.stubbed && (unevenness ?? 0) > uneven) return 'popping';
  if (ratePerS < slowPerS) return 'slow';
  return (unevenness ?? 0) > uneven ? 'sputter' : 'crisp';
}

/** A rate as the ear can hold it: to the nearest ten, to the nearest one below twenty. */
const counted = (perS: number): number => (perS < 20 ? Math.round(perS) : 10 * Math.round(perS / 10));

/**
 * Returns what is heard, in words, for whoever cannot hear it: the deaf, and a loud shop.
 * @returns a title of some words, and a sentence
 */
export function captionOf(figures: TraceFigures): { title: string; text: string } {
  const { ratePerS, fallsPerS } = figures;
  const rate = `about ${counted(ratePerS)} a second`;
  switch (heardAs(figures)) {
    case 'crisp':
      return { title: 'Steady crackle', text: `Like frying: even and quick, ${rate}.` };
    case 'popping':
      return {
        title: 'Loud, uneven pops',
        text: `Pops and thuds that come in bursts, ${rate}; the wire stands in the pool and pushes.`,
      };
    case 'slow':
      return { title: 'Slow crackle with hiss', text: `Single clicks, ${rate}, and hiss between them.` };
    case 'plop':
      return {
        title: 'Hiss with slow plops',
        text: `Next to no crackle; a big wet drop falls ${counted(fallsPerS)} times a second.`,
      };
    case 'spray':
      return { title: 'Even hiss', text: 'No crackle: fine drops spray across without touching.' };
    default:
      return { title: 'Sputter', text: `It comes and goes, ${rate} by the mean, never even.` };
  }
}
