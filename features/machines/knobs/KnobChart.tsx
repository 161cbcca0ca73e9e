import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Polygon } from 'react-native-svg';
import { toUser, unitOf } from '@/core/quantity/units';
import { dialEnds, type Dial } from '@/core/setting/dial';
import { dialCurve, type DialCurvePoint, type FigureDial } from '@/core/setting/dial-belief';
import { markText } from '@/core/setting/dial-marks';
import { SETTINGS } from '@/core/setting/table';
import { useChartInks, type ChartInks } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { chartScale, type ChartScale } from '../../shared/chart-scale';
import { useUnits } from '../../shared/use-habits';

const ChartGround = lazy(() => import('../../shared/ChartGround'));

const HEIGHT = 230;
/** Room for the labels of the figures, px. */
const LEFT = 48;
const TOP = 14;
/** Points of the line from one written mark to the next. */
const PER_LABEL = 4;

type KnobChartProps = { name: FigureDial; dial: Dial };

/** A knob as it was taken down: its pairs, the line through them, and the band its figures lie in. */
export function KnobChart({ name, dial }: KnobChartProps) {
  const [width, setWidth] = useState(0);
  const units = useUnits();
  const inks = useChartInks();
  const { quantity, name: called } = SETTINGS[name];
  const { low, high } = dialEnds(dial);
  const curve = dialCurve(name, dial, PER_LABEL * labelsFor(high - low));
  const shown = (value: number): number => toUser(value, quantity, units);
  const top = ceilingOf(Math.max(...curve.map(({ high }) => shown(high))));
  const scale = chartScale({ width, height: HEIGHT, left: LEFT, top: TOP }, curve.length, [low, high], [0, top]);
  return (
    <View className="gap-1">
      <View
        role="img"
        aria-label={`${called} over the knob: ${dial.points.length} pairs, from ${markText(dial, low)} to ${markText(dial, high)}`}
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
              labels={curve.map(({ mark }, i) => (i % PER_LABEL === 0 ? markText(dial, round(mark)) : ''))}
              lines={[{ data: curve.map(({ value }) => shown(value)), color: 'transparent' }]}
              ends={[0, top]}
              inks={inks}
              over={() => <Drawn dial={dial} curve={curve} scale={scale} shown={shown} inks={inks} />}
            />
          </Suspense>
        )}
      </View>
      <Words className="text-center text-sm text-faint">{`${unitOf(quantity, units)}, over the marks of the knob`}</Words>
    </View>
  );
}

const round = (mark: number): number => Number(mark.toFixed(1));
/** Returns how many marks are written, so that they are round ones. */
const labelsFor = (span: number): number => [5, 6, 4, 3].find((parts) => Number.isInteger((2 * span) / parts)) ?? 5;
/** The top of the scale: four even steps of a round figure. */
const STRIDES = [1, 2, 3, 4, 5, 6, 8, 10, 15, 20, 25, 50, 100, 150, 200, 250, 300];
const ceilingOf = (most: number): number => 4 * (STRIDES.find((stride) => 4 * stride >= most) ?? 400);

type DrawnProps = {
  dial: Dial;
  curve: readonly DialCurvePoint[];
  scale: ChartScale;
  shown: (value: number) => number;
  inks: ChartInks;
};

function Drawn({ dial, curve, scale, shown, inks }: DrawnProps) {
  const at = (mark: number, value: number): string => `${scale.x(mark)},${scale.y(shown(value))}`;
  const band = [
    ...curve.map(({ mark, high }) => at(mark, high)),
    ...[...curve].reverse().map(({ mark, low }) => at(mark, low)),
  ].join(' ');
  return (
    <G>
      <Polygon points={band} fill={inks.edge} opacity={0.5} />
      {curve.slice(1).map((point, i) => {
        const before = curve[i];
        return (
          <Line
            key={point.mark}
            x1={scale.x(before.mark)}
            y1={scale.y(shown(before.value))}
            x2={scale.x(point.mark)}
            y2={scale.y(shown(point.value))}
            stroke={inks.act}
            strokeWidth={3}
            {...(before.beyond || point.beyond ? { strokeDasharray: '2 5' } : {})}
          />
        );
      })}
      {dial.points.map(({ mark, value }) => (
        <Circle key={mark} cx={scale.x(mark)} cy={scale.y(shown(value))} r={7} fill={inks.ink} />
      ))}
    </G>
  );
}
