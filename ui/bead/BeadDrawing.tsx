import { memo } from 'react';
import Svg, { G, Path, Rect } from 'react-native-svg';
import { SOUND_BEAD, type BeadAppearance } from '@/core/bead/appearance';
import { cap, faults, fused, plates, SECTION_FIELD, slag, whiskers } from './section-geometry';
import { crust, outline, pores, type Field } from './top-geometry';
import { STEEL, TINT, topShapes } from './top-shapes';

type DrawingProps = {
  bead: Partial<BeadAppearance>;
  view: 'top' | 'section' | 'back';
  /** What the drawing shows, for those who cannot see it; leave out where a label stands beside it. */
  title?: string;
  width?: number | `${number}%`;
  height?: number;
  /** Length of bead shown from above, mm. */
  lengthMm?: number;
};

/**
 * The one drawing of a bead, from above, from behind or cut through, from the same numbers.
 * Used by finding tiles, the coupon strip and before/after alike.
 */
export const BeadDrawing = memo(function BeadDrawing({
  bead,
  view,
  title,
  width = '100%',
  height = 56,
  lengthMm = 30,
}: DrawingProps) {
  const full = { ...SOUND_BEAD, ...bead };
  const field: Field = { length: lengthMm, height: 16 };
  const box =
    view === 'section' ? `0 0 ${SECTION_FIELD.width} ${SECTION_FIELD.height}` : `0 0 ${field.length} ${field.height}`;
  return (
    <Svg
      width={width}
      height={height}
      viewBox={box}
      {...(title === undefined ? { 'aria-hidden': true } : { role: 'img', 'aria-label': title })}
    >
      {view === 'section' ? (
        <Section bead={full} />
      ) : view === 'top' ? (
        <Top bead={full} field={field} />
      ) : (
        <Back bead={full} field={field} />
      )}
    </Svg>
  );
});

function Top({ bead, field }: { bead: BeadAppearance; field: Field }) {
  return (
    <G>
      {topShapes(bead, field).map((shape, i) => (
        <Path key={i} {...shape} />
      ))}
    </G>
  );
}

function Back({ bead, field }: { bead: BeadAppearance; field: Field }) {
  const heat = bead.penetrationMm / 4;
  const line = { ...bead, widthMm: 2 + 3.5 * bead.backBulge + 2 * heat, ripples: 'round' as const };
  return (
    <G>
      <Rect x={0} y={0} width={field.length} height={field.height} fill={STEEL.plate} />
      {heat > 0.2 && <Path d={outline({ ...line, widthMm: line.widthMm + 4 }, field)} fill="#31548c" opacity={0.35} />}
      {heat > 0.2 && (
        <Path d={outline({ ...line, widthMm: line.widthMm + 1.6 }, field)} fill="#b98136" opacity={0.55} />
      )}
      {heat > 0.2 && <Path d={outline(line, field)} fill={TINT[bead.tint]} stroke={STEEL.line} strokeWidth={0.3} />}
      {bead.tint === 'grey' && <Path d={crust({ ...line, widthMm: line.widthMm + 2 }, field)} fill={STEEL.void} />}
      {bead.holes === 'through' && (
        <Path d={pores(bead, field)} fill={STEEL.void} stroke={STEEL.line} strokeWidth={0.3} />
      )}
    </G>
  );
}

function Section({ bead }: { bead: BeadAppearance }) {
  const { pores: holes, crack } = faults(bead);
  const tilt = bead.warp * 7;
  return (
    <G>
      <G transform={tilt > 0 ? `rotate(${-tilt} 10 5)` : undefined}>
        <Path d={plates(bead)} fill={STEEL.plate} stroke={STEEL.plateEdge} strokeWidth={0.25} />
        <Path d={fused(bead)} fill={STEEL.fused} stroke={STEEL.line} strokeWidth={0.25} />
        <Path d={cap(bead)} fill={STEEL.bead} stroke={STEEL.line} strokeWidth={0.35} />
        <Path d={whiskers(bead)} fill="none" stroke={STEEL.whisker} strokeWidth={0.35} />
        <Path d={holes} fill={STEEL.void} />
        <Path d={slag(bead)} fill={TINT.slag} stroke={STEEL.void} strokeWidth={0.25} />
        <Path d={crack} fill="none" stroke={STEEL.void} strokeWidth={0.4} />
      </G>
      {tilt > 0 && <Path d="M1 11.6H19" stroke={STEEL.plateEdge} strokeWidth={0.4} strokeDasharray="1 0.8" />}
    </G>
  );
}
