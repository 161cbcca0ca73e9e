import { roundToStep } from '../quantity/units';
import { clamp } from '../quantity/clamp';

/**
 * A machine's own dial: the mark on the knob beside the real value, taken down once at the machine
 * (a wire-speed run of six seconds, a look at the meter). Between two marks the dial is read as straight.
 */
export type DialPoint = {
  mark: number;
  value: number;
  /** How the pair was got; left out by those who took dials down before that was asked. */
  by?: PairSource;
};

/**
 * How a pair of mark and figure was got: wire run out and measured, a meter read while welding, worked out from a bead
 * that was sound, read off a chart, or off the machine's plate, whose ends stand for the ends of the knob.
 */
export const PAIR_SOURCES = ['run-out', 'meter', 'good-bead', 'chart', 'plate'] as const;
export type PairSource = (typeof PAIR_SOURCES)[number];

/**
 * How the marks of a knob are written. A clock position is kept as hours round the sweep, so that it rises through
 * twelve: a knob from 7 to 5 o'clock runs from 7 to 17. A tap is kept as its place in the row, beginning with 1.
 */
export const DIAL_SCALES = ['numbers', 'per-cent', 'clock', 'taps'] as const;
export type DialScale = (typeof DIAL_SCALES)[number];

export type Dial = {
  /** Taken-down points, in any order; two at least. */
  points: DialPoint[];
  /** The smallest move of the knob worth making, in marks; a switch with taps moves by one. */
  step: number;
  /** How its marks are written; numbers where nothing is said. */
  scale?: DialScale;
  /** What the taps are called, in their order. */
  names?: string[];
  /** Where the knob begins and ends; its first and last pair where nothing is said. */
  low?: number;
  high?: number;
};

/** The ends of a knob: as taken down, else its first and last pair. */
export function dialEnds({ points, low, high }: Pick<Dial, 'points' | 'low' | 'high'>): { low: number; high: number } {
  const marks = points.map(({ mark }) => mark);
  return { low: Math.min(low ?? Infinity, ...marks), high: Math.max(high ?? -Infinity, ...marks) };
}

/**
 * Returns whether a dial's points differ and its figures run one way as the marks rise.
 * @param way `rising` asks for more figure with more mark; left out, either way will do
 */
export function isMonotone({ points }: Dial, way?: 'rising'): boolean {
  const line = sorted(points, 'mark');
  const steps = line.slice(1).map((point, i) => [point.mark - line[i].mark, point.value - line[i].value]);
  const rises = steps.every(([mark, value]) => mark > 0 && value > 0);
  const falls = steps.every(([mark, value]) => mark > 0 && value < 0);
  return rises || (falls && way !== 'rising');
}

function sorted(points: DialPoint[], by: 'mark' | 'value'): DialPoint[] {
  return [...points].sort((a, b) => a[by] - b[by]);
}

function interpolate(points: DialPoint[], from: 'mark' | 'value', to: 'mark' | 'value', x: number): number {
  if (points.length < 2) throw new RangeError('a dial takes two points at least');
  const line = sorted(points, from);
  const upper = Math.max(
    1,
    line.findIndex((point) => point[from] >= x),
  );
  const index = line[line.length - 1][from] < x ? line.length - 1 : upper;
  const [a, b] = [line[index - 1], line[index]];
  return a[to] + ((x - a[from]) / (b[from] - a[from])) * (b[to] - a[to]);
}

/**
 * The value a dial mark stands for.
 * @param dial the taken-down dial; a falling dial (more mark, less value) is allowed
 * @param mark what the knob points at
 * @returns the value, in the inside unit; beyond the last point the last slope is carried on
 * @throws RangeError with fewer than two points
 */
export function dialToValue(dial: Dial, mark: number): number {
  return interpolate(dial.points, 'mark', 'value', mark);
}

/**
 * Where to turn the knob for a value; the inverse of {@link dialToValue}, rounded to the knob's step
 * and kept on the knob.
 * @param dial the taken-down dial
 * @param value wanted value in the inside unit
 * @returns mark on the knob
 */
export function valueToDial(dial: Dial, value: number): number {
  const { low, high } = dialEnds(dial);
  const mark = roundToStep(interpolate(dial.points, 'value', 'mark', value), dial.step);
  return clamp(mark, low, high);
}

/** Returns whether a mark lies where nothing was taken down, so that its figure is only carried on from the last two pairs. */
export function isBeyondPairs({ points }: Dial, mark: number): boolean {
  const marks = points.map((point) => point.mark);
  return mark < Math.min(...marks) - 1e-9 || mark > Math.max(...marks) + 1e-9;
}

/** The figures at the ends of a knob, the lower first. */
export function dialRange(dial: Dial): { low: number; high: number } {
  const { low, high } = dialEnds(dial);
  const ends = [dialToValue(dial, low), dialToValue(dial, high)];
  return { low: Math.min(...ends), high: Math.max(...ends) };
}
