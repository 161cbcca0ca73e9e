import type { Heard } from '../case/heard-schema';
import type { HeardId } from '../evidence/table';
import { clamp } from '../quantity/clamp';

/** How a recording speaks for a sound, in natural log units against a steady crackle. */
export type HeardWeights = Record<HeardId, number>;
type TroubleSound = Exclude<HeardId, 'bead-fades'>;

/** A curve about a middle with a deviation. */
type Curve = { mean: number; sd: number };
type Sound = { pace: Curve; unevenness: Curve; loudSpread: Curve; gapShare: Curve };

/**
 * How each sound counts out. Pace is the log of the clicks against those of an arc in balance. Sources: the trade's 80 to 150 even
 * clicks a second in balance with a deviation up to half, 10 to 60 uneven ones with the volts low, under 60 and at last none with
 * them high, gaps of 0.05 to 0.5 s where feed or contact come and go, a wire that stands in the pool and goes
 * off with a bang; middles between that and what the simulated arc gives, curves
 * wide enough to hold both.
 */
const SOUNDS: Record<'crisp' | TroubleSound, Sound> = {
  crisp: {
    pace: { mean: 0, sd: 0.35 },
    unevenness: { mean: 0.3, sd: 0.12 },
    loudSpread: { mean: 0.23, sd: 0.07 },
    gapShare: { mean: 0, sd: 0.06 },
  },
  'sound-popping': {
    pace: { mean: -0.45, sd: 0.55 },
    unevenness: { mean: 0.65, sd: 0.2 },
    loudSpread: { mean: 0.36, sd: 0.1 },
    gapShare: { mean: 0.05, sd: 0.12 },
  },
  'sound-hiss': {
    pace: { mean: -1.3, sd: 0.45 },
    unevenness: { mean: 0.35, sd: 0.2 },
    loudSpread: { mean: 0.23, sd: 0.1 },
    gapShare: { mean: 0.3, sd: 0.35 },
  },
  'sound-plop': {
    pace: { mean: -2.2, sd: 0.5 },
    unevenness: { mean: 0.5, sd: 0.3 },
    loudSpread: { mean: 0.25, sd: 0.15 },
    gapShare: { mean: 0.8, sd: 0.3 },
  },
  'sound-sputter': {
    pace: { mean: -0.6, sd: 0.6 },
    unevenness: { mean: 1.5, sd: 0.4 },
    loudSpread: { mean: 0.35, sd: 0.15 },
    gapShare: { mean: 0.35, sd: 0.2 },
  },
};
/**
 * Chance that the curves do not know what was heard: each sound keeps so much, whatever was counted. A recording so speaks no louder
 * than 9 to 1, for an ear that was there knows more than a count.
 */
const ELSE = 0.12;
export const MOST_HEARD_WEIGHT = Math.log((1 + ELSE) / ELSE);

/** Clicks a second in balance where wire and speed are not known: the middle of the trade's 80 to 150. */
const USUAL_CLICKS_PER_S = 100;
/** What the pace is less sure by where they are not known. */
const UNKNOWN_PACE_SD = 0.3;
/** A drop about as large as the wire is thick: so many lengths of wire, in diameters, go into one. See {@link balancedClicksPerS}. */
const DIAMETERS_A_DROP = 0.86;

/**
 * Clicks a second of an arc in balance: each short takes a drop off that is a little thicker than the wire (its volume 1.3 times that
 * of a ball of the wire's diameter), and the wire brings so much metal. Short-circuit transfer with solid wire, 0.6 to 1.6 mm; the
 * simulated arc gives the same within a fifth.
 */
export function balancedClicksPerS(wireMm: number, wireSpeedMPerMin: number): number {
  return (wireSpeedMPerMin * 1000) / 60 / (wireMm * DIAMETERS_A_DROP);
}

/** Log of a curve at a value, but for what is the same for all. @param more what the value may be off by */
function logDensity(value: number, { mean, sd }: Curve, more = 0): number {
  const deviation = Math.hypot(sd, more);
  return -0.5 * ((value - mean) / deviation) ** 2 - Math.log(deviation);
}

/** A bead that grows colder along its run has clicks that thin out by so much of their mean; a steady one stays about as dense. */
const FADES = { at: -0.4, sd: 0.18 };

/** Straight in the trend, so that one that is clearer never says less. */
function fadesWeight({ trend, trendOff }: Pick<Heard, 'trend' | 'trendOff'>): number {
  const weight = (FADES.at * trend - FADES.at ** 2 / 2) / (FADES.sd ** 2 + trendOff ** 2);
  return clamp(weight, -MOST_HEARD_WEIGHT, MOST_HEARD_WEIGHT);
}

/**
 * Returns what a recording speaks for, sound by sound: ln P(figures | it sounds so) / P(figures | steady crackle).
 * @param balanced clicks a second that an arc in balance would have on this wire; null where that is not known
 */
export function heardWeights(
  { clicksPerS, clicksPerSOff, unevenness, loudSpread, gapShare, trend, trendOff }: Heard,
  balanced: number | null,
): HeardWeights {
  const pace = Math.log(Math.max(1, clicksPerS) / (balanced ?? USUAL_CLICKS_PER_S));
  const paceOff = Math.hypot(clicksPerSOff / Math.max(1, clicksPerS), balanced === null ? UNKNOWN_PACE_SD : 0);
  const logs = (Object.keys(SOUNDS) as (keyof typeof SOUNDS)[]).map((id) => {
    const sound = SOUNDS[id];
    const log =
      logDensity(pace, sound.pace, paceOff) +
      logDensity(unevenness, sound.unevenness) +
      logDensity(loudSpread, sound.loudSpread) +
      logDensity(gapShare, sound.gapShare);
    return [id, log] as const;
  });
  const most = Math.max(...logs.map(([, log]) => log));
  const total = logs.reduce((sum, [, log]) => sum + Math.exp(log - most), 0);
  const chance = Object.fromEntries(logs.map(([id, log]) => [id, Math.exp(log - most) / total + ELSE]));
  const against = (sound: TroubleSound): number => Math.log(chance[sound] / chance.crisp);
  return {
    'sound-popping': against('sound-popping'),
    'sound-hiss': against('sound-hiss'),
    'sound-plop': against('sound-plop'),
    'sound-sputter': against('sound-sputter'),
    'bead-fades': fadesWeight({ trend, trendOff }),
  };
}

/** Returns what a recording sounds like most: where nothing speaks against a steady crackle, that. */
export function heardMost(weights: HeardWeights): 'sound-crisp' | TroubleSound {
  const { 'bead-fades': _, ...sounds } = weights;
  const [most] = (Object.entries(sounds) as [TroubleSound, number][]).sort((a, b) => b[1] - a[1]);
  return most[1] > 0 ? most[0] : 'sound-crisp';
}
