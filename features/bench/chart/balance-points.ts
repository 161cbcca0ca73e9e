import type { BalanceCurve, BalancePoint } from '@/core/arc/balance-curve';
import type { Outcome } from '@/core/record/shapes/record-schema';
import type { Settings } from '@/core/setting/table';

/** A bead or a proposal as a point of volts against wire speed. */
export type ChartPoint = { label: string; wireSpeedMPerMin: number; voltageV: number; outcome: Outcome | null };

type Run = { number: number; setupId: string; settings: Settings; outcome: Outcome | null };

/** Beads drawn at most, the newest: more would lie over one another. */
const MOST_BEADS = 8;

/** The beads of a coupon that can stand on the chart: with both figures known, run with what is fitted now. */
export function beadPoints(beads: readonly Run[], setupId: string): ChartPoint[] {
  const drawn = beads.flatMap(({ number, setupId: ranWith, settings, outcome }): ChartPoint[] => {
    const { voltageV, wireSpeedMPerMin } = settings;
    if (ranWith !== setupId || voltageV === undefined || wireSpeedMPerMin === undefined) return [];
    return [{ label: String(number), voltageV, wireSpeedMPerMin, outcome }];
  });
  return drawn.slice(-MOST_BEADS);
}

/** Where settings stand on the chart; null where one of the two is not known. */
export function pointOf({ voltageV, wireSpeedMPerMin }: Settings): Omit<ChartPoint, 'label' | 'outcome'> | null {
  return voltageV === undefined || wireSpeedMPerMin === undefined ? null : { voltageV, wireSpeedMPerMin };
}

const volts = ({ lowV, highV }: BalancePoint): number[] => [lowV, highV];

/** The least and the most volts that the chart shows, whole and with room for a mark at either end. */
export function voltsShown(
  { usual, learned }: BalanceCurve,
  points: readonly { voltageV: number }[],
): [number, number] {
  const all = [...usual.flatMap(volts), ...(learned ?? []).flatMap(volts), ...points.map(({ voltageV }) => voltageV)];
  const [low, high] = [Math.floor(Math.min(...all) - 0.5), Math.ceil(Math.max(...all) + 0.5)];
  // Four steps of whole volts.
  return [low, low + 4 * Math.ceil((high - low) / 4)];
}

/** Points within the ends of the curve; what lies beyond cannot be drawn on it. */
export function within<Point extends { wireSpeedMPerMin: number }>(
  { usual }: BalanceCurve,
  points: readonly Point[],
): Point[] {
  const [low, high] = [usual[0].wireSpeedMPerMin, usual[usual.length - 1].wireSpeedMPerMin];
  return points.filter(({ wireSpeedMPerMin: speed }) => speed >= low - 1e-9 && speed <= high + 1e-9);
}

/** The band at a wire speed, straight between the points of a curve. */
export function bandAt(curve: readonly BalancePoint[], wireSpeedMPerMin: number): { lowV: number; highV: number } {
  const after = curve.findIndex((point) => point.wireSpeedMPerMin >= wireSpeedMPerMin);
  if (after <= 0) return after === 0 ? curve[0] : curve[curve.length - 1];
  const [a, b] = [curve[after - 1], curve[after]];
  const share = (wireSpeedMPerMin - a.wireSpeedMPerMin) / (b.wireSpeedMPerMin - a.wireSpeedMPerMin);
  return { lowV: a.lowV + share * (b.lowV - a.lowV), highV: a.highV + share * (b.highV - a.highV) };
}
