import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Polygon, Text } from 'react-native-svg';
import type { BalanceCurve, BalancePoint } from '@/core/arc/balance-curve';
import { readable, unitOf } from '@/core/quantity/units';
import { Toggle } from '@/ui/Press';
import { useChartInks, type ChartInks } from '@/ui/use-ink';
import { Heading, Words } from '@/ui/Words';
import { chartScale, type ChartScale } from '../../shared/chart-scale';
import { useUnits } from '../../shared/use-habits';
import { BalanceTable } from './BalanceTable';
import { bandAt, beadPoints, pointOf, voltsShown, within, type ChartPoint } from './balance-points';
import { useBenchRecords, useDraftPart, useLive } from '../state/bench';

const ChartGround = lazy(() => import('../../shared/ChartGround'));

const HEIGHT = 260;
/** Room for the labels of the volts, px. */
const LEFT = 44;
const TOP = 14;
/** Every so many points of the curve the wire speed is written below. */
const LABELLED = 3;

/** Volts against wire speed: the band of balance, this rig's own, the beads of the coupon, and the move. */
export default function BalanceChart() {
  const { answer } = useLive();
  if (answer === null || answer.balance === null) return null;
  return <Chart curve={answer.balance} to={answer.correction.settings} />;
}

type ChartProps = { curve: BalanceCurve; to: Parameters<typeof pointOf>[0] };

function Chart({ curve, to }: ChartProps) {
  const [width, setWidth] = useState(0);
  const [asTable, setAsTable] = useState(false);
  const units = useUnits();
  const inks = useChartInks();
  const { coupon } = useBenchRecords();
  const today = useDraftPart(({ settings }) => settings);
  const beads = within(curve, beadPoints(coupon.beads, coupon.rig.setup.id));
  const [now, next] = [pointOf(today), pointOf(to)];
  const [low, high] = voltsShown(curve, [...beads, ...[now, next].filter((point) => point !== null)]);
  const { usual, learned } = curve;
  const ends = [usual[0].wireSpeedMPerMin, usual[usual.length - 1].wireSpeedMPerMin] as const;
  const scale = chartScale({ width, height: HEIGHT, left: LEFT, top: TOP }, usual.length, ends, [low, high]);
  const line = (points: readonly BalancePoint[], edge: 'lowV' | 'highV', color: string) => ({
    data: points.map((point) => point[edge]),
    color,
  });
  return (
    <View className="gap-2">
      <Heading level={2}>Volts against wire</Heading>
      <View
        role="img"
        aria-label={summary(curve, now, next)}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
        className="overflow-hidden rounded-sm bg-plate"
      >
        {width > 0 && (
          <Suspense fallback={<View style={{ height: HEIGHT }} />}>
            <ChartGround
              width={width}
              height={HEIGHT}
              left={LEFT}
              top={TOP}
              labels={usual.map(({ wireSpeedMPerMin }, i) =>
                i % LABELLED === 0 ? readable(wireSpeedMPerMin, 'wireSpeed', units) : '',
              )}
              lines={[
                line(usual, 'lowV', inks.edge),
                line(usual, 'highV', inks.edge),
                ...(learned === null ? [] : [line(learned, 'lowV', inks.act), line(learned, 'highV', inks.act)]),
              ]}
              ends={[low, high]}
              inks={inks}
              over={() => <Drawn scale={scale} curve={curve} beads={beads} now={now} next={next} inks={inks} />}
            />
          </Suspense>
        )}
      </View>
      <Words className="text-center text-sm text-faint">{`volts, over wire in ${unitOf('wireSpeed', units)}`}</Words>
      <Legend learned={learned !== null} moved={isMove(now, next)} inks={inks} beads={beads.length} />
      <Toggle label="As a table" on={asTable} onPress={() => setAsTable(!asTable)} />
      {asTable && <BalanceTable curve={curve} beads={beads} now={now} next={next} />}
    </View>
  );
}

type Point = Omit<ChartPoint, 'label' | 'outcome'> | null;

/** Returns whether the next bead stands elsewhere. */
function isMove(now: Point, next: Point): next is NonNullable<Point> {
  if (now === null || next === null) return false;
  return next.voltageV !== now.voltageV || next.wireSpeedMPerMin !== now.wireSpeedMPerMin;
}

/** The chart in a sentence, for those who do not see it. */
function summary({ usual, learned }: BalanceCurve, now: Point, next: Point): string {
  if (now === null) return 'Volts against wire speed: this bead’s figures are not known yet.';
  const { lowV, highV } = bandAt(learned ?? usual, now.wireSpeedMPerMin);
  const stands = now.voltageV < lowV ? 'under' : now.voltageV > highV ? 'over' : 'inside';
  return [
    `Volts against wire speed: balance here is ${lowV.toFixed(1)} to ${highV.toFixed(1)} V`,
    `this bead lies ${stands} it at ${now.voltageV} V`,
    ...(isMove(now, next) ? [`the next is at ${next.voltageV} V`] : []),
  ].join('; ');
}

type DrawnProps = {
  scale: ChartScale;
  curve: BalanceCurve;
  beads: readonly ChartPoint[];
  now: Point;
  next: Point;
  inks: ChartInks;
};

function Drawn({ scale, curve, beads, now, next, inks }: DrawnProps) {
  const at = (point: NonNullable<Point>): { cx: number; cy: number } => ({
    cx: scale.x(point.wireSpeedMPerMin),
    cy: scale.y(point.voltageV),
  });
  const band = (points: readonly BalancePoint[]): string =>
    [
      ...points.map(({ wireSpeedMPerMin, highV }) => `${scale.x(wireSpeedMPerMin)},${scale.y(highV)}`),
      ...[...points].reverse().map(({ wireSpeedMPerMin, lowV }) => `${scale.x(wireSpeedMPerMin)},${scale.y(lowV)}`),
    ].join(' ');
  const moved = isMove(now, next);
  return (
    <G>
      <Polygon points={band(curve.usual)} fill={inks.edge} opacity={0.55} />
      {curve.learned !== null && <Polygon points={band(curve.learned)} fill={inks.act} opacity={0.3} />}
      {moved && (
        <Line
          x1={at(now!).cx}
          y1={at(now!).cy}
          x2={at(next!).cx}
          y2={at(next!).cy}
          stroke={inks.act}
          strokeWidth={4}
          strokeDasharray="2 5"
          strokeLinecap="round"
        />
      )}
      {beads.map((bead) => {
        const { cx, cy } = at(bead);
        const sound = bead.outcome === 'sound';
        return (
          <G key={bead.label}>
            <Circle cx={cx} cy={cy} r={11} fill={sound ? inks.ink : inks.plate} stroke={inks.ink} strokeWidth={2} />
            <Text
              x={cx}
              y={cy + 5}
              textAnchor="middle"
              fontFamily="Barlow_700Bold"
              fontSize={14}
              fill={sound ? inks.plate : inks.ink}
            >
              {bead.label}
            </Text>
          </G>
        );
      })}
      {now !== null && <Circle {...at(now)} r={9} fill="none" stroke={inks.act} strokeWidth={4} />}
      {moved && <Circle {...at(next!)} r={9} fill={inks.act} />}
    </G>
  );
}

type LegendProps = { learned: boolean; moved: boolean; beads: number; inks: ChartInks };

/** Shows what the marks mean. */
function Legend({ learned, moved, beads, inks }: LegendProps) {
  const swatch = (color: string, opacity: number) => (
    <View style={{ width: 22, height: 14, backgroundColor: color, opacity, borderRadius: 2 }} />
  );
  const ring = (fill: string) => (
    <View
      style={{ width: 16, height: 16, borderRadius: 8, borderWidth: 4, borderColor: inks.act, backgroundColor: fill }}
    />
  );
  const rows = [
    { mark: swatch(inks.edge, 0.55), words: 'in balance by the laws' },
    ...(learned ? [{ mark: swatch(inks.act, 0.3), words: 'in balance on this rig' }] : []),
    { mark: ring('transparent'), words: 'this bead' },
    ...(moved ? [{ mark: ring(inks.act), words: 'the next' }] : []),
  ];
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1">
      {rows.map(({ mark, words }) => (
        <View key={words} className="flex-row items-center gap-2">
          {mark}
          <Words className="text-sm">{words}</Words>
        </View>
      ))}
      {beads > 0 && <Words className="text-sm">numbers: beads of this coupon, dark ones sound</Words>}
    </View>
  );
}
