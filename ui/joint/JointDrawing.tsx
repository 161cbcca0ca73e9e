import Svg, { G, Path, Rect } from 'react-native-svg';
import type { Joint } from '@/core/case/schema';
import { useChartInks } from '../use-ink';
import { clamp } from '../../core/quantity/clamp';

/** Width and height of each of the two views, in drawing units. */
export const [W, H] = [150, 110];
/** Thickness of a part, drawn so that thin and thick are told apart. */
export const drawn = (mm: number): number => clamp(5 + 2.6 * mm, 7, 26);
/** Where the plates lie. */
export const FLOOR = 80;

export type Parts = { joint: Joint; thicknessMm: number; otherMm: number; gapMm: number };

/** The plates of a joint, cut across. */
export function Plates({ joint, thicknessMm, otherMm, gapMm }: Parts) {
  const { ink, edge } = useChartInks();
  const [a, b] = [drawn(thicknessMm), drawn(otherMm)];
  const plate = { fill: edge, stroke: ink, strokeWidth: 1.5 };
  const gap = gapMm > 0 ? Math.min(10, 3 + 2 * gapMm) : 1;
  switch (joint) {
    case 'fillet':
      return (
        <>
          <Rect x={8} y={FLOOR} width={W - 16} height={b} {...plate} />
          <Rect x={50 - a / 2} y={14} width={a} height={FLOOR - 14} {...plate} />
        </>
      );
    case 'lap':
      return (
        <>
          <Rect x={34} y={FLOOR} width={W - 42} height={b} {...plate} />
          <Rect x={8} y={FLOOR - a} width={68} height={a} {...plate} />
        </>
      );
    case 'corner':
      return (
        <G>
          <G transform={`rotate(45 ${W / 2} 46)`}>
            <Rect x={W / 2} y={46 + gap / 2} width={52} height={a} {...plate} />
          </G>
          <G transform={`rotate(-45 ${W / 2} 46)`}>
            <Rect x={W / 2 - 52} y={46 + gap / 2} width={52} height={b} {...plate} />
          </G>
        </G>
      );
    case 'plug':
      return (
        <>
          <Rect x={8} y={FLOOR} width={W - 16} height={b} {...plate} />
          <Rect x={8} y={FLOOR - a} width={W / 2 - 20} height={a} {...plate} />
          <Rect x={W / 2 + 12} y={FLOOR - a} width={W / 2 - 20} height={a} {...plate} />
        </>
      );
    case 'butt':
      return (
        <>
          <Rect x={8} y={FLOOR} width={W / 2 - 8 - gap / 2} height={a} {...plate} />
          <Rect x={W / 2 + gap / 2} y={FLOOR} width={W / 2 - 8 - gap / 2} height={b} {...plate} />
        </>
      );
    case 'bead-on-plate':
      return <Rect x={8} y={FLOOR} width={W - 16} height={a} {...plate} />;
  }
}

/** Where the weld lies, cut across. */
function weldOf({ joint, thicknessMm, otherMm }: Parts): string {
  const [a, b] = [drawn(thicknessMm), drawn(otherMm)];
  const dome = (x: number, y: number, half: number): string => `M${x - half} ${y}Q${x} ${y - half} ${x + half} ${y}Z`;
  switch (joint) {
    case 'fillet':
      return `M${50 + a / 2} ${FLOOR}h18l-18 -18Z`;
    case 'lap':
      return `M76 ${FLOOR}h${a + 4}l${-a - 4} ${-a}Z`;
    case 'corner':
      return dome(W / 2, 48, 17);
    case 'plug':
      return `M${W / 2 - 12} ${FLOOR}v${-b}q12 -10 24 0v${b}Z`;
    default:
      return dome(W / 2, FLOOR, 16);
  }
}

/** A joint cut across, with its weld. */
export function JointDrawing({ height, ...parts }: Parts & { height: number }) {
  const { ink } = useChartInks();
  return (
    <Svg width={(height * W) / H} height={height} viewBox={`0 0 ${W} ${H}`} aria-hidden>
      <Plates {...parts} />
      <Path d={weldOf(parts)} fill={ink} />
    </Svg>
  );
}
