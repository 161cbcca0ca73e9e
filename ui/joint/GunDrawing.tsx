import Svg, { G, Line, Path, Polygon, Rect } from 'react-native-svg';
import { useChartInks } from '../use-ink';
import { drawn, FLOOR, H, Plates, W, type Parts } from './JointDrawing';

/** Where the wire points, in the view across the joint. */
function aimAt({ joint, thicknessMm, otherMm }: Parts): { x: number; y: number } {
  switch (joint) {
    case 'fillet':
      return { x: 50 + drawn(thicknessMm) / 2, y: FLOOR };
    case 'lap':
      return { x: 76, y: FLOOR };
    case 'corner':
      return { x: W / 2, y: 46 };
    case 'plug':
      return { x: W / 2, y: FLOOR - drawn(otherMm) / 2 };
    default:
      return { x: W / 2, y: FLOOR };
  }
}

/** The gun with its wire on a point, leaning clockwise from square. */
function Gun({ x, y, leanDeg }: { x: number; y: number; leanDeg: number }) {
  const { ink, act } = useChartInks();
  return (
    <G transform={`rotate(${leanDeg} ${x} ${y})`}>
      <Line x1={x} y1={y - 3} x2={x} y2={y - 16} stroke={act} strokeWidth={2.5} />
      <Polygon points={`${x - 7},${y - 16} ${x + 7},${y - 16} ${x + 9},${y - 46} ${x - 9},${y - 46}`} fill={ink} />
    </G>
  );
}

type GunDrawingProps = Parts & {
  /** Between the gun and the face of the lower or thicker part, degrees. */
  workAngleDeg: number;
  /** Push more than 0, drag less. */
  travelAngleDeg: number;
  width: number;
};

/** Where the gun stands: across the joint with its work angle, and along it with the lean of push or drag. */
export function GunDrawing({ workAngleDeg, travelAngleDeg, width, ...parts }: GunDrawingProps) {
  const { ink, edge, act } = useChartInks();
  const { x, y } = aimAt(parts);
  const across = 90 - workAngleDeg;
  return (
    <Svg width={width} height={(width * H) / (2 * W)} viewBox={`0 0 ${2 * W} ${H}`}>
      <Plates {...parts} />
      <Gun x={x} y={y} leanDeg={across} />
      <G x={W}>
        <Rect x={8} y={FLOOR} width={W - 16} height={10} fill={edge} stroke={ink} strokeWidth={1.5} />
        <Path d={`M 14 ${FLOOR} Q 42 ${FLOOR - 9} 70 ${FLOOR} Z`} fill={ink} />
        {/* Pushed, the gun leans back from where it goes and the wire points ahead. */}
        <Gun x={72} y={FLOOR - 1} leanDeg={-travelAngleDeg * 1.6} />
        <Line x1={96} y1={FLOOR + 20} x2={132} y2={FLOOR + 20} stroke={act} strokeWidth={2.5} />
        <Polygon points={`140,${FLOOR + 20} 130,${FLOOR + 14} 130,${FLOOR + 26}`} fill={act} />
      </G>
    </Svg>
  );
}
