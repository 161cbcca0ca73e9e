import Svg, { G, Line, Path, Polygon, Text } from 'react-native-svg';
import type { HeldGun, Spot } from '@/core/school/held-gun';
import { useChartInks } from '../use-ink';
import { clamp } from '../../core/quantity/clamp';

type Props = {
  gun: HeldGun;
  /** Pixels of the page to a mm. */
  pxPerMm: number;
  /** Which way the weld goes, where it is seen from the side. */
  goes?: 'left' | 'right';
  /** A plate that stands up beside the wire, as in a corner. */
  upright?: boolean;
  /** What it is, for those who hear the page. */
  label: string;
  /** Stands beside the wire. */
  stickOut: string;
  width: number;
};

/** Under the plate's face, room for the arrow, and over the gun, px. */
const [UNDER, OVER] = [34, 6];

/** The gun in its true size, its wire on a plate whose face is ruled in mm. */
export function GunInTrueSize({ gun, pxPerMm, goes, upright = false, label, stickOut, width }: Props) {
  const { ink, edge, act } = useChartInks();
  const height = gun.heightMm * pxPerMm + UNDER + OVER;
  const face = height - UNDER;
  // The wire is in the middle, or so far from it that the whole gun is on the screen.
  const middle = clamp(2 - gun.leftMm * pxPerMm, width / 2, width - gun.rightMm * pxPerMm - 2);
  const at = ([x, y]: Spot): [number, number] => [middle + x * pxPerMm, face - y * pxPerMm];
  const outline = (spots: readonly Spot[]): string => spots.map((spot) => at(spot).join(',')).join(' ');
  const [[x1, y1], [x2, y2]] = gun.wire.map(at);
  // Room to its side that the gun does not lean into.
  const free = x2 > x1 ? -1 : 1;
  return (
    <Svg role="img" aria-label={label} width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
      <MmRule x={free < 0 ? 0 : width} inward={-free} face={face} pxPerMm={pxPerMm} mm={Math.floor(gun.heightMm)} />
      {upright && <Line x1={x1 - 4} y1={face} x2={x1 - 4} y2={0} stroke={ink} strokeWidth={5} />}
      <Line x1={0} y1={face + 2.5} x2={width} y2={face + 2.5} stroke={ink} strokeWidth={5} />
      <Polygon points={outline(gun.nozzle)} fill={edge} stroke={ink} strokeWidth={2} />
      <Polygon points={outline(gun.tip)} fill={ink} />
      <Line x1={x1} y1={y1} x2={x2} y2={y2} stroke={act} strokeWidth={Math.max(2, pxPerMm)} />
      <Text
        x={x1 + free * (12 + pxPerMm)}
        y={face - 10}
        textAnchor={free > 0 ? 'start' : 'end'}
        fontFamily="Barlow_500Medium"
        fontSize={18}
        fill={ink}
      >
        {stickOut}
      </Text>
      {goes !== undefined && (
        <G transform={goes === 'left' ? `translate(${width} 0) scale(-1 1)` : undefined}>
          <Line x1={middle - 30} y1={face + 22} x2={middle + 20} y2={face + 22} stroke={act} strokeWidth={3} />
          <Polygon
            points={`${middle + 32},${face + 22} ${middle + 18},${face + 15} ${middle + 18},${face + 29}`}
            fill={act}
          />
        </G>
      )}
    </Svg>
  );
}

/** A rule up from the plate's face: a mark a mm, a longer one for five, the longest for ten. */
function MmRule({
  x,
  inward,
  face,
  pxPerMm,
  mm,
}: {
  x: number;
  inward: number;
  face: number;
  pxPerMm: number;
  mm: number;
}) {
  const { ink } = useChartInks();
  const marks = Array.from({ length: mm + 1 }, (_, i) => {
    const length = i % 10 === 0 ? 18 : i % 5 === 0 ? 12 : 6;
    return `M${x} ${(face - i * pxPerMm).toFixed(2)}h${inward * length}`;
  });
  return <Path d={marks.join('')} stroke={ink} strokeWidth={1} />;
}
