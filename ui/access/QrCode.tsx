import { create } from 'qrcode';
import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';

/** Quiet squares around, as readers want them. */
const QUIET = 4;

/** A text as a picture that a camera reads: dark on light, in the dark theme too, for not every reader takes the other way. */
export function QrCode({ text, label, width }: { text: string; label: string; width: number }) {
  const { size, path } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    const squares: string[] = [];
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) squares.push(`M${x + QUIET} ${y + QUIET}h1v1h-1z`);
    return { size: modules.size + 2 * QUIET, path: squares.join('') };
  }, [text]);
  return (
    <Svg role="img" aria-label={label} width={width} height={width} viewBox={`0 0 ${size} ${size}`}>
      <Rect width={size} height={size} fill="#faf9f6" />
      <Path d={path} fill="#1c1b18" />
    </Svg>
  );
}
