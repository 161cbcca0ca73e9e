import type { ReactElement } from 'react';
import { LineChart } from 'react-native-chart-kit';
import type { ChartInks } from '@/ui/use-ink';

type Line = { data: number[]; color: string; strokeWidth?: number };

type ChartGroundProps = {
  width: number;
  height: number;
  /** Room for the figures at the left and above, px. */
  left: number;
  top: number;
  labels: string[];
  lines: Line[];
  /** Least and most of the scale. */
  ends: readonly [number, number];
  inks: ChartInks;
  /** Shows what is drawn over it. */
  over: () => ReactElement;
};

/**
 * The ground of every chart: level lines, figures and thin lines by the chart library, in our type and ink. In a file of its
 * own, so that the library is fetched with the first chart that is looked at and not with the bench.
 */
export default function ChartGround({ width, height, left, top, labels, lines, ends, inks, over }: ChartGroundProps) {
  return (
    <LineChart
      width={width}
      height={height}
      data={{
        labels,
        datasets: [
          ...lines.map(({ data, color, strokeWidth = 1 }) => ({ data, color: () => color, strokeWidth })),
          // Holds the scale to whole steps; not drawn.
          { data: [...ends], color: () => 'transparent', withDots: false },
        ],
      }}
      chartConfig={{
        backgroundGradientFromOpacity: 0,
        backgroundGradientToOpacity: 0,
        color: () => inks.edge,
        labelColor: () => inks.ink,
        decimalPlaces: 0,
        propsForLabels: { fontFamily: 'Barlow_500Medium', fontSize: 15 },
        propsForBackgroundLines: { strokeDasharray: '', strokeWidth: 0.5 },
      }}
      transparent
      withDots={false}
      withShadow={false}
      withVerticalLines={false}
      segments={4}
      style={{ paddingRight: left, paddingTop: top }}
      decorator={over}
    />
  );
}
