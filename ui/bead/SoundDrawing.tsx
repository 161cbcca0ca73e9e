import Svg, { Path, Rect } from 'react-native-svg';
import type { SoundTrace } from '@/core/bead/appearance';
import { r, scatter } from './noise';

/** Trace of a sound over a tenth of a second or so: cracks as spikes, a whine as a wave, a hiss as noise. */
function tracePath({ perSecond, loudness, irregular, tone }: SoundTrace): string {
  const middle = 8;
  if (tone > 0.5)
    return (
      `M1 ${middle}` +
      Array.from({ length: 38 }, (_, i) => `q0.37 ${i % 2 ? r(loudness * 8) : r(-loudness * 8)} 0.74 0`).join('')
    );
  if (perSecond === 0)
    return (
      `M1 ${middle}` +
      Array.from({ length: 56 }, (_, i) => `l0.5 ${r((scatter(i) - 0.5) * 2.6 * (i % 2 ? 1 : -1))}`)
        .join('')
        .replace(/$/, '')
    );
  const count = Math.max(3, Math.round(perSecond / 5));
  const step = 28 / count;
  return (
    `M1 ${middle}` +
    Array.from({ length: count }, (_, i) => {
      const silent = irregular > 0.8 && scatter(i + 3) > 0.55;
      const height = silent ? 0.2 : loudness * 6 * (1 - irregular * 0.7 * scatter(i));
      return `h${r(step * 0.35)}l${r(step * 0.12)} ${r(-height)}l${r(step * 0.16)} ${r(height * 1.8)}l${r(step * 0.12)} ${r(-height * 0.8)}h${r(step * 0.25)}`;
    }).join('')
  );
}

/** A sound, drawn. */
export function SoundDrawing({ sound, height = 56 }: { sound: SoundTrace; height?: number }) {
  return (
    <Svg width="100%" height={height} viewBox="0 0 30 16" aria-hidden>
      <Rect x={0} y={0} width={30} height={16} fill="#26302f" />
      <Path d={tracePath(sound)} fill="none" stroke="#e2bd63" strokeWidth={0.5} strokeLinejoin="round" />
    </Svg>
  );
}
