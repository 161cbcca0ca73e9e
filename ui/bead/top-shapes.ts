import type { BeadAppearance } from '@/core/bead/appearance';
import { cracks, fume, outline, pores, ripples, spatterGrains, type Field } from './top-geometry';

/** Tones of metal, the same by day and by night: it is the same steel. */
export const STEEL = {
  plate: '#8d8f8b',
  plateEdge: '#3c3d3a',
  bead: '#c4c3ba',
  line: '#3b3a35',
  void: '#171614',
  fused: '#e2bd63',
  whisker: '#2b2a27',
};
export const TINT: Record<BeadAppearance['tint'], string> = {
  bright: '#c9c8c0',
  grey: '#8b8272',
  soot: '#4b4a47',
  white: '#cfcfca',
  slag: '#6b5a48',
  blue: '#76757c',
};
const HALO: Partial<Record<BeadAppearance['tint'], string>> = { white: '#f4f4f0', soot: '#2b2a28', blue: '#4a5578' };

/** One shape of a drawing, as the attributes of a path. */
export type Shape = {
  d: string;
  fill: string;
  stroke?: string;
  strokeWidth?: number;
  opacity?: number;
  strokeLinejoin?: 'round';
  strokeLinecap?: 'round';
  transform?: string;
};

/** A bead from above, shape by shape, the lowest first: what is drawn as a tree and what is drawn as one small picture. */
export function topShapes(bead: BeadAppearance, field: Field): Shape[] {
  const halo = HALO[bead.tint];
  const shape = outline(bead, field);
  const middle = field.height / 2;
  const gap = `M${field.length} ${middle - bead.gapMm * 1.2}L6 ${middle}L${field.length} ${middle + bead.gapMm * 1.2}Z`;
  const all: (Shape | false | undefined)[] = [
    { d: `M0 0H${field.length}V${field.height}H0Z`, fill: STEEL.plate },
    bead.gapMm > 0 && { d: gap, fill: STEEL.void },
    halo !== undefined && {
      d: shape,
      fill: halo,
      stroke: halo,
      strokeWidth: 3.4,
      strokeLinejoin: 'round',
      opacity: 0.75,
    },
    bead.coldLap > 0.3 && { d: shape, fill: STEEL.void, opacity: 0.45, transform: 'translate(0.5 0.8)' },
    bead.undercut > 0.3 && { d: shape, fill: 'none', stroke: STEEL.void, strokeWidth: 1.4 },
    { d: shape, fill: TINT[bead.tint], stroke: STEEL.line, strokeWidth: 0.35 },
    { d: ripples(bead, field), fill: 'none', stroke: STEEL.line, strokeWidth: 0.3, opacity: 0.75 },
    { d: spatterGrains(bead, field), fill: STEEL.bead, stroke: STEEL.line, strokeWidth: 0.18 },
    { d: pores(bead, field), fill: STEEL.void, stroke: STEEL.line, strokeWidth: 0.25 },
    { d: cracks(bead, field), fill: 'none', stroke: STEEL.void, strokeWidth: 0.5 },
    { d: fume(bead, field), fill: 'none', stroke: '#f2f1ec', strokeWidth: 1.1, strokeLinecap: 'round', opacity: 0.8 },
  ];
  return all.filter((one): one is Shape => typeof one === 'object' && one.d !== '');
}

const ATTRIBUTES: Record<keyof Shape, string> = {
  ...{ d: 'd', fill: 'fill', stroke: 'stroke', strokeWidth: 'stroke-width', opacity: 'opacity' },
  ...{ strokeLinejoin: 'stroke-linejoin', strokeLinecap: 'stroke-linecap', transform: 'transform' },
};

/** The same as text, so that a list that is scrolled puts it up in one piece. */
export function topMarkup(bead: BeadAppearance, field: Field): string {
  const paths = topShapes(bead, field).map((shape) => {
    const attributes = (Object.keys(shape) as (keyof Shape)[]).map((name) => `${ATTRIBUTES[name]}="${shape[name]}"`);
    return `<path ${attributes.join(' ')}/>`;
  });
  return `<svg width="100%" height="100%" viewBox="0 0 ${field.length} ${field.height}" aria-hidden="true">${paths.join('')}</svg>`;
}
