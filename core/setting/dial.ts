import { roundToStep } from '../quantity/units';

/**
 * A machine's own dial: the mark on the knob beside the real value, taken down once at the machine
 * (a wire-speed run of six seconds, a look at the meter). Between two marks the dial is read as straight.
 */
export type DialPoint = { mark: number; value: number };

export type Dial = {
  /** Taken-down points, in any order; two at least. */
  points: DialPoint[];
  /** The smallest move of the knob worth making, in marks. */
  step: number;
};

/**
 * Whether a dial's points differ and its figures run one way as the marks rise.
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
 * and kept between the first and the last mark.
 * @param dial the taken-down dial
 * @param value wanted value in the inside unit
 * @returns mark on the knob
 */
export function valueToDial(dial: Dial, value: number): number {
  const marks = sorted(dial.points, 'mark');
  const mark = roundToStep(interpolate(dial.points, 'value', 'mark', value), dial.step);
  return Math.min(marks[marks.length - 1].mark, Math.max(marks[0].mark, mark));
}
