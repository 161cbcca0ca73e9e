import { dialEnds, dialToValue, isBeyondPairs, type Dial, type DialPoint, type PairSource } from './dial';

/** A knob that volts or wire speed are read off. */
export type FigureDial = 'voltageV' | 'wireSpeedMPerMin';

/**
 * How far a pair may be off, as a standard deviation: volts absolute, wire speed as a share of the figure.
 *
 * Sources: a run-out is as good as a thumb on a watch and a rule on a springy wire, 0.1 s of 6 and 1 cm of 70; a meter is
 * read while its figure dances; a sound bead lies anywhere in the window of balance, 1 V either way, and the laws are half a
 * volt off; a chart is a ballpark, and a plate gives the ends of the range but not of the knob's way to them (both judged:
 * nothing closer is published for machines in general).
 */
const PAIR_OFF: Record<FigureDial, Record<PairSource, number>> = {
  voltageV: { 'run-out': 0.3, meter: 0.3, 'good-bead': 0.8, chart: 1, plate: 1.2 },
  wireSpeedMPerMin: { 'run-out': 0.022, meter: 0.022, 'good-bead': 0.08, chart: 0.08, plate: 0.12 },
};

/** How far the way between two pairs may bow out, as a share of what lies between them: a knob's track is seldom straight. */
const BOW = 0.04;
/** Beyond the last pair nothing holds the line: so much of what is carried on may be wrong. */
const BEYOND = 0.2;
/** A hand sets a knob to within a step: the spread of an even one. */
const HAND = 1 / Math.sqrt(12);

const offOf = (name: FigureDial, { value, by }: Required<DialPoint>): number =>
  name === 'voltageV' ? PAIR_OFF[name][by] : PAIR_OFF[name][by] * value;

const isKnown = (point: DialPoint): point is Required<DialPoint> => point.by !== undefined;

/** The two pairs that a mark is read between, or the two nearest where it lies beyond. */
function around(points: readonly Required<DialPoint>[], mark: number): [Required<DialPoint>, Required<DialPoint>] {
  const line = [...points].sort((a, b) => a.mark - b.mark);
  const after = line.findIndex((point) => point.mark >= mark);
  const upper = after < 0 ? line.length - 1 : Math.max(1, after);
  return [line[upper - 1], line[upper]];
}

/**
 * Returns how far the figure of a mark may be off: by its pairs, by the way between them, and by the hand that sets the knob.
 * @param name what the knob sets
 * @param dial taken down
 * @param mark where it stands
 * @returns standard deviation in the inside unit; null for a dial whose pairs do not say how they were got
 */
export function dialSpread(name: FigureDial, dial: Dial, mark: number): number | null {
  const points = dial.points.filter(isKnown);
  if (points.length < dial.points.length || points.length < 2) return null;
  const [a, b] = around(points, mark);
  const t = (mark - a.mark) / (b.mark - a.mark);
  const rise = b.value - a.value;
  const pairs = Math.hypot((1 - t) * offOf(name, a), t * offOf(name, b));
  const out = isBeyondPairs(dial, mark);
  const past = t > 1 ? t - 1 : -t;
  const way = out ? BEYOND * past * Math.abs(rise) : BOW * 4 * t * (1 - t) * Math.abs(rise);
  const hand = dial.scale === 'taps' ? 0 : HAND * dial.step * Math.abs(rise / (b.mark - a.mark));
  return Math.hypot(pairs, way, hand);
}

/** A point of what a knob is believed to do: the figure of a mark and how far it may be off. */
export type DialCurvePoint = { mark: number; value: number; low: number; high: number; beyond: boolean };

/** Two standard deviations either way: nineteen times in twenty. */
const BAND = 2;

/**
 * A knob from end to end, with the band that its figures lie in nineteen times in twenty.
 * @param steps points less one
 */
export function dialCurve(name: FigureDial, dial: Dial, steps: number): DialCurvePoint[] {
  const { low, high } = dialEnds(dial);
  return Array.from({ length: steps + 1 }, (_, i) => {
    const mark = low + ((high - low) * i) / steps;
    const value = Math.max(0, dialToValue(dial, mark));
    const off = BAND * (dialSpread(name, dial, mark) ?? 0);
    return { mark, value, low: Math.max(0, value - off), high: value + off, beyond: isBeyondPairs(dial, mark) };
  });
}

/** A pair that would tell more: where, and the usual spread without it and with it. */
export type NextPair = { mark: number; spread: number; spreadWith: number };

/** Marks that a knob is looked over at. */
const LOOKED_AT = 24;
/** A pair that takes off less than that share is not worth the wire. */
const WORTH = 0.1;

const meanSpread = (name: FigureDial, dial: Dial): number | null => {
  const { low, high } = dialEnds(dial);
  let sum = 0;
  for (let i = 0; i <= LOOKED_AT; i++) {
    const spread = dialSpread(name, dial, low + ((high - low) * i) / LOOKED_AT);
    if (spread === null) return null;
    sum += spread;
  }
  return sum / (LOOKED_AT + 1);
};

/**
 * The one more pair that would help most: for the wire a run-out, for the volts a meter read while welding, at the mark
 * where it takes off most of the spread over the whole knob.
 * @returns null where nothing is gained, or nothing is known of how the pairs were got
 */
export function nextPair(name: FigureDial, dial: Dial): NextPair | null {
  const spread = meanSpread(name, dial);
  if (spread === null) return null;
  const by: PairSource = name === 'voltageV' ? 'meter' : 'run-out';
  const { low, high } = dialEnds(dial);
  // Round marks are easiest to set; a knob of few marks is looked over by its steps.
  const round = high - low >= 40 ? 10 : high - low >= 4 ? 1 : dial.step;
  const stride = Math.max(round, dial.step);
  let best: NextPair | null = null;
  for (let mark = Math.ceil(low / stride - 1e-9) * stride; mark <= high + 1e-9; mark += stride) {
    const there = Number(mark.toFixed(6));
    const others = dial.points.filter((point) => Math.abs(point.mark - there) > 1e-9);
    const value = dialToValue(dial, there);
    if (value <= 0) continue;
    const spreadWith = meanSpread(name, { ...dial, points: [...others, { mark: there, value, by }] });
    if (spreadWith !== null && spreadWith < (best?.spreadWith ?? (1 - WORTH) * spread))
      best = { mark: there, spread, spreadWith };
  }
  return best;
}

/**
 * Returns what is wrong with a pair beside those that stand: on the same mark, or running backward.
 * @returns null where it fits
 */
export function pairProblem(points: readonly DialPoint[], { mark, value }: DialPoint): 'same-mark' | 'backward' | null {
  if (points.some((point) => Math.abs(point.mark - mark) < 1e-9)) return 'same-mark';
  const backward = points.some((point) => (point.mark < mark ? point.value >= value : point.value <= value));
  return backward ? 'backward' : null;
}
