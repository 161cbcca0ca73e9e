import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { Toggle } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useChartInks } from '@/ui/use-ink';
import { Words } from '@/ui/Words';
import { drawable, monthLabels, monthWords } from './month-words';

const ChartGround = lazy(() => import('../../shared/ChartGround'));

const HEIGHT = 184;
const LEFT = 44;
const TOP = 12;
/** Labels under a chart stand so many months apart. */
const APART = 6;

type MonthChartProps = {
  title: string;
  /** What of it is to be known, in one line. */
  says: string;
  months: readonly string[];
  values: readonly (number | null)[];
  /** Most of the scale; as much as the figures want where it is left out. */
  most?: number;
  /** Returns how a figure reads. */
  words: (value: number) => string;
};

/** One figure over the months, as a line and as a table. */
export function MonthChart({ title, says, months, values, most, words }: MonthChartProps) {
  const [width, setWidth] = useState(0);
  const [asTable, setAsTable] = useState(false);
  const inks = useChartInks();
  const line = drawable(values);
  // Whole steps: the scale has four.
  const top = most ?? Math.max(4, Math.ceil(Math.max(0, ...values.map((value) => value ?? 0)) / 4) * 4);
  return (
    <View className="min-w-[300px] max-w-[460px] flex-1 gap-1">
      <Words strong>{title}</Words>
      <Words className="text-sm">{says}</Words>
      {line !== null && !asTable && (
        <View
          role="img"
          aria-label={`${title} by the month: ${says}`}
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
                labels={monthLabels(months, APART)}
                lines={[{ data: line, color: inks.act, strokeWidth: 2 }]}
                ends={[0, top]}
                inks={inks}
                over={() => <View />}
              />
            </Suspense>
          )}
        </View>
      )}
      {asTable && (
        <View role="table" aria-label={title} className="rounded-sm bg-plate p-2">
          {months.map((month, i) => (
            <Row key={month} role="row" className="justify-between gap-3">
              <Words role="cell">{monthWords(month)}</Words>
              <Words role="cell" strong>
                {values[i] === null || values[i] === undefined ? '–' : words(values[i])}
              </Words>
            </Row>
          ))}
        </View>
      )}
      {line !== null && (
        <Row>
          <Toggle narrow label="As a table" of={title} on={asTable} onPress={() => setAsTable(!asTable)} />
        </Row>
      )}
    </View>
  );
}
