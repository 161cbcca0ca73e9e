import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useChartInks } from '../use-ink';

/** The steps by which a device comes to trust the workshop. */
export type TrustStep = 'fetch' | 'put-in' | 'open-anew';

const [W, H] = [150, 96];

/** A device's outline, upright. */
function Device({ x, ink, plate }: { x: number; ink: string; plate: string }) {
  return (
    <>
      <Rect x={x} y={8} width={44} height={80} rx={6} fill={plate} stroke={ink} strokeWidth={2} />
      <Line x1={x + 16} y1={82} x2={x + 28} y2={82} stroke={ink} strokeWidth={2} />
    </>
  );
}

/** A padlock around a point. */
function Lock({ x, y, shut, colour }: { x: number; y: number; shut: boolean; colour: string }) {
  return (
    <G>
      <Path
        d={shut ? `M${x - 6} ${y}v-6a6 6 0 0 1 12 0v6` : `M${x - 6} ${y}v-8a6 6 0 0 1 12 -2`}
        fill="none"
        stroke={colour}
        strokeWidth={2.5}
      />
      <Rect x={x - 9} y={y} width={18} height={14} rx={2} fill={colour} />
    </G>
  );
}

/** One step, drawn. What it shows stands in words beside it. */
export function TrustDrawing({ step, width }: { step: TrustStep; width: number }) {
  const { ink, plate, edge, act } = useChartInks();
  return (
    <Svg width={width} height={(width * H) / W} viewBox={`0 0 ${W} ${H}`} aria-hidden>
      {step === 'fetch' && (
        <>
          <Rect x={8} y={22} width={46} height={52} rx={3} fill={edge} stroke={ink} strokeWidth={2} />
          <Path d="M16 36h30M16 46h30M16 56h18" stroke={ink} strokeWidth={2} />
          <Circle cx={44} cy={64} r={8} fill={act} />
          <Path d="M62 48h22M76 40l9 8l-9 8" fill="none" stroke={act} strokeWidth={3} />
          <Device x={96} ink={ink} plate={plate} />
          <Path d="M118 30v20M109 42l9 9l9 -9M106 62h24" fill="none" stroke={ink} strokeWidth={2.5} />
        </>
      )}
      {step === 'put-in' && (
        <>
          <Device x={30} ink={ink} plate={plate} />
          <Path d="M38 22h28M38 34h28M38 58h28M38 70h28" stroke={edge} strokeWidth={3} />
          <Rect x={35} y={40} width={34} height={12} fill={edge} stroke={ink} strokeWidth={1.5} />
          <Circle cx={62} cy={46} r={4} fill={act} />
          <Path d="M96 46H76M84 38l-9 8l9 8" fill="none" stroke={act} strokeWidth={3} />
          <Lock x={114} y={42} shut={false} colour={ink} />
        </>
      )}
      {step === 'open-anew' && (
        <>
          <Rect x={16} y={14} width={118} height={68} rx={5} fill={plate} stroke={ink} strokeWidth={2} />
          <Line x1={16} y1={36} x2={134} y2={36} stroke={ink} strokeWidth={2} />
          <G transform="translate(0 1) scale(0.62)">
            <Lock x={46} y={36} shut colour={act} />
          </G>
          <Path d="M42 25h78" stroke={edge} strokeWidth={5} />
          <Path d="M58 60l12 12l24 -26" fill="none" stroke={act} strokeWidth={5} />
        </>
      )}
    </Svg>
  );
}
