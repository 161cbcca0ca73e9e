import Svg, { Line, Path, Rect, Text } from 'react-native-svg';
import { useChartInks } from '../use-ink';

const FIELD = { width: 320, height: 84, left: 34, bottom: 16, top: 4 } as const;
/** Scale of a strip, clicks in a tenth of a second: what a thin wire comes to at its fastest. */
const LEAST_TOP = 16;

type StripProps = {
  /** Clicks in each tenth of a second, a digit to the base of 36 each. */
  strip: string;
  /** Clicks a second that an arc in balance would have here; null where that is not known. */
  balanced: number | null;
  label: string;
  width: number;
};

/** A run from beginning to end: how many clicks each tenth of a second holds, a mark under each that holds none, a line where balance is. */
export function RunStrip({ strip, balanced, label, width }: StripProps) {
  const { ink, plate, edge, act } = useChartInks();
  const counts = [...strip].map((digit) => parseInt(digit, 36));
  const base = FIELD.height - FIELD.bottom;
  const top = Math.max(LEAST_TOP, 2 * Math.ceil((balanced ?? 0) / 18), ...counts);
  const each = (FIELD.width - FIELD.left) / Math.max(10, counts.length);
  const y = (count: number): number => base - ((base - FIELD.top) * Math.min(count, top)) / top;
  const x = (i: number): number => FIELD.left + i * each;
  const bars = counts.map(
    (count, i) => `M${x(i).toFixed(1)} ${base}V${y(count).toFixed(1)}H${x(i + 0.86).toFixed(1)}V${base}Z`,
  );
  const seconds = Math.max(1, counts.length / 10);
  const marks = [0, seconds / 2, seconds];
  return (
    <Svg
      role="img"
      aria-label={label}
      width={width}
      height={(width * FIELD.height) / FIELD.width}
      viewBox={`0 0 ${FIELD.width} ${FIELD.height}`}
    >
      <Rect x={FIELD.left} y={0} width={FIELD.width - FIELD.left} height={base} fill={plate} />
      {[0, top / 2, top].map((count) => (
        <Text
          key={count}
          x={FIELD.left - 3}
          y={y(count) + (count === top ? 8 : 4)}
          fontSize={10}
          fontFamily="Barlow_500Medium"
          fill={ink}
          textAnchor="end"
        >
          {count === top ? `${10 * count}/s` : String(10 * count)}
        </Text>
      ))}
      <Path d={bars.join('')} fill={act} />
      {counts.map((count, i) =>
        count === 0 ? <Rect key={i} x={x(i)} y={base + 1} width={each} height={4} fill={ink} /> : null,
      )}
      {balanced !== null && (
        <Line
          x1={FIELD.left}
          x2={FIELD.width}
          y1={y(balanced / 10)}
          y2={y(balanced / 10)}
          stroke={ink}
          strokeWidth={1.5}
          strokeDasharray="6 3"
        />
      )}
      <Line x1={FIELD.left} x2={FIELD.width} y1={base} y2={base} stroke={edge} strokeWidth={1} />
      {marks.map((at, i) => (
        <Text
          key={at}
          x={FIELD.left + (i * (FIELD.width - FIELD.left)) / 2}
          y={FIELD.height - 1}
          fontSize={10}
          fontFamily="Barlow_500Medium"
          fill={ink}
          textAnchor={(['start', 'middle', 'end'] as const)[i]}
        >
          {i === 0 ? '0' : `${at.toFixed(at < 10 ? 1 : 0)} s`}
        </Text>
      ))}
    </Svg>
  );
}
