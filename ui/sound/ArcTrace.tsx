import Svg, { Line, Path, Rect, Text } from 'react-native-svg';
import type { DrawnTrace } from '@/core/sound/sounding';
import { useChartInks } from '../use-ink';

const FIELD = { width: 320, height: 96, left: 34, bottom: 14, top: 4 } as const;
/** Scale of the current: what the hardest short of a workshop machine comes to. */
const MOST_A = 400;

type TraceProps = { trace: DrawnTrace; label: string; width: number };

/** Current over a quarter of a second: each peak a short circuit, a mark under it where the arc burns again, thick where the wire stood in the pool. */
export function ArcTrace({ trace: { sliceS, currentA, events }, label, width }: TraceProps) {
  const { ink, plate, edge, act } = useChartInks();
  const [base, high] = [FIELD.height - FIELD.bottom, FIELD.height - FIELD.bottom - FIELD.top];
  const seconds = sliceS * currentA.length;
  const x = (at: number): number => FIELD.left + ((FIELD.width - FIELD.left) * at) / seconds;
  const y = (amps: number): number => base - (high * Math.min(amps, MOST_A)) / MOST_A;
  const path = currentA.map((amps, i) => `${i === 0 ? 'M' : 'L'}${x(i * sliceS).toFixed(1)} ${y(amps).toFixed(1)}`);
  return (
    <Svg
      role="img"
      aria-label={label}
      width={width}
      height={(width * FIELD.height) / FIELD.width}
      viewBox={`0 0 ${FIELD.width} ${FIELD.height}`}
    >
      <Rect x={FIELD.left} y={0} width={FIELD.width - FIELD.left} height={base} fill={plate} />
      {[0, 200, 400].map((amps) => (
        <Line key={amps} x1={FIELD.left} x2={FIELD.width} y1={y(amps)} y2={y(amps)} stroke={edge} strokeWidth={0.5} />
      ))}
      {[0, 200, 400].map((amps) => (
        <Text
          key={amps}
          x={FIELD.left - 3}
          y={y(amps) + (amps === 400 ? 8 : 4)}
          fontSize={10}
          fontFamily="Barlow_500Medium"
          fill={ink}
          textAnchor="end"
        >
          {amps === 400 ? '400 A' : String(amps)}
        </Text>
      ))}
      <Path d={path.join('')} fill="none" stroke={act} strokeWidth={1.2} />
      {events.map((event, i) =>
        event.kind === 'again' ? (
          <Line
            key={i}
            x1={x(event.at)}
            x2={x(event.at)}
            y1={base + 2}
            y2={base + 9}
            stroke={ink}
            strokeWidth={event.stubbed ? 3 : 1}
          />
        ) : event.kind === 'fall' ? (
          <Line
            key={i}
            x1={x(event.at) - 2}
            x2={x(event.at) + 2}
            y1={base + 6}
            y2={base + 6}
            stroke={ink}
            strokeWidth={3}
          />
        ) : null,
      )}
    </Svg>
  );
}
