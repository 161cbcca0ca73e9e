import Svg, { G, Path, Rect } from 'react-native-svg';
import type { GunAppearance } from '@/core/bead/appearance';

const STEADY: GunAppearance = { wire: 'steady', arc: 'steady', gas: 'flowing', nozzle: 'clear' };

/** How the wire runs from the tip (at y 6.5) to the plate (at y 13.5). */
const WIRE: Record<GunAppearance['wire'], string> = {
  steady: 'M15 6.5V10.6',
  stubbing: 'M15 6.5V11.2l-0.9 0.9l1.6 0.5l-0.7 0.9',
  'burnt-back': 'M15 6.5v0.5',
  surging: 'M15 6.5v1M15 8.3v0.6M15 9.8v1.3',
  tangled: 'M15 1c-3 -1 -4 2 -1 2s4 -2 1 -1.5s-3 3 0 3s3 -2.5 0.5 -2.5s-2.5 2.5 -0.5 3',
  fused: 'M15 6.2v1',
  none: '',
};

/** The arc under the wire. */
const ARC: Record<GunAppearance['arc'], string> = {
  steady: 'M15 10.4L13 13.5H17Z',
  wandering: 'M15 10.4L10.5 13.5H13ZM15 10.4L17.5 13.5H19.8ZM15 10.4L14.3 13.5H15.6Z',
  aside: 'M15 10.4L19 13.5H22.5Z',
  fluttering: 'M15 10.4L11 13.5H19ZM15 11.2L13.8 13.5H16.2Z',
  late: 'M15 13L12.5 11.8M15 13L17.6 11.6M15 13L14 10.8M15 13L16.4 10.9',
  none: '',
};

/** The gun's end, cut through: nozzle, tip, wire, arc, gas and plate. */
export function GunDrawing({ gun, height = 56 }: { gun: Partial<GunAppearance>; height?: number }) {
  const { wire, arc, gas, nozzle } = { ...STEADY, ...gun };
  return (
    <Svg width="100%" height={height} viewBox="0 0 30 16" aria-hidden>
      <Rect x={0} y={0} width={30} height={16} fill="#26302f" />
      {gas === 'flowing' && (
        <Path
          d="M11 7.5L8.5 13.5M13 7.5L11.8 13.5M17 7.5L18.2 13.5M19 7.5L21.5 13.5"
          stroke="#7fa6b0"
          strokeWidth={0.35}
          strokeDasharray="0.9 0.7"
        />
      )}
      {gas === 'none' && <Path d="M9.5 8.5l3 3m0 -3l-3 3M17.5 8.5l3 3m0 -3l-3 3" stroke="#c4c3ba" strokeWidth={0.5} />}
      <Path d="M9 0V7.5H10.6V0ZM19.4 0V7.5H21V0Z" fill="#a8a69e" />
      <Path d="M13.8 0V6.5H16.2V0Z" fill="#b87348" />
      {nozzle === 'clogged' && (
        <G fill="#c4c3ba" stroke="#171614" strokeWidth={0.2}>
          <Path d="M10.6 5.2q1.4 0.2 1.2 1.2q1.2 0.6 0.2 1.6l-1.4 0.2ZM19.4 4.8q-1.6 0.6 -1 1.5q-1.5 0.5 -0.5 1.8l1.5 0.2ZM12 7.7a0.6 0.6 0 1 0 1.2 0a0.6 0.6 0 1 0 -1.2 0" />
        </G>
      )}
      {arc === 'late' ? (
        <Path d={ARC.late} stroke="#efe3b8" strokeWidth={0.5} />
      ) : (
        <Path d={ARC[arc]} fill="#efe3b8" opacity={0.9} />
      )}
      <Path d={WIRE[wire]} fill="none" stroke="#e9e7df" strokeWidth={wire === 'tangled' ? 0.4 : 0.8} />
      {(wire === 'burnt-back' || wire === 'fused') && (
        <Path
          d={wire === 'fused' ? 'M13.6 6h2.8v1.3h-2.8Z' : 'M14 7.2a1 1 0 1 0 2 0a1 1 0 1 0 -2 0'}
          fill="#e9e7df"
          stroke="#171614"
          strokeWidth={0.2}
        />
      )}
      <Rect x={2} y={13.5} width={26} height={2} fill="#8d8f8b" />
    </Svg>
  );
}
