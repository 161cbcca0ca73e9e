import type { BeadAppearance } from '@/core/bead/appearance';
import { circle, r } from './noise';

/** Field of the cross-section in mm; the plate's upper face lies at `face`. */
export const SECTION_FIELD = { width: 20, height: 13, face: 5 };

const MIDDLE = SECTION_FIELD.width / 2;
const { face: FACE } = SECTION_FIELD;

/** The two plates, with a gap where there is one, and undercut grooves at the toes. */
export function plates(bead: BeadAppearance): string {
  const { plateMm: t, gapMm, undercut, widthMm } = bead;
  const half = gapMm / 2;
  const back = FACE + t;
  const groove = undercut * Math.min(1.3, t * 0.4);
  const toe = widthMm / 2;
  const notch = (side: 1 | -1): string =>
    groove > 0.1
      ? `L${r(MIDDLE + side * (toe + 1.3))} ${r(FACE)}Q${r(MIDDLE + side * (toe + 0.4))} ${r(FACE + groove * 1.6)} ${r(MIDDLE + side * (toe - 0.3))} ${r(FACE)}`
      : '';
  return (
    `M0.4 ${r(FACE)}${notch(-1)}L${r(MIDDLE - half)} ${r(FACE)}V${r(back)}H0.4Z` +
    `M${r(SECTION_FIELD.width - 0.4)} ${r(FACE)}${notch(1)}L${r(MIDDLE + half)} ${r(FACE)}V${r(back)}H${r(SECTION_FIELD.width - 0.4)}Z`
  );
}

/** The cap above the plate: a parabola, bulging over at cold toes, leaning to one side, hollow when sunken. */
export function cap(bead: BeadAppearance): string {
  const { widthMm, crownMm, coldLap, lean, sunken } = bead;
  const half = widthMm / 2;
  const [left, right] = [MIDDLE - half * (1 - 0.35 * lean), MIDDLE + half * (1 + 0.35 * lean)];
  if (sunken > 0.3) {
    const dip = FACE + sunken * 1.5;
    return `M${r(left)} ${r(FACE)}Q${r(MIDDLE)} ${r(dip * 1.28 - FACE * 0.28)} ${r(right)} ${r(FACE)}L${r(right - 0.8)} ${r(FACE + 0.6)}Q${r(MIDDLE)} ${r(dip + 1.4)} ${r(left + 0.8)} ${r(FACE + 0.6)}Z`;
  }
  const top = FACE - 2 * crownMm;
  const apex = MIDDLE + lean * half * 0.5;
  const roll = coldLap * Math.min(1.5, crownMm * 0.5);
  if (roll < 0.15) return `M${r(left)} ${r(FACE)}Q${r(apex)} ${r(top)} ${r(right)} ${r(FACE)}Z`;
  // A rolled-over edge overhangs the plate: the outline swings out before it comes back to the foot.
  const foot = half * (1 - 0.35 * coldLap);
  const shoulder = FACE - crownMm * 0.55;
  return (
    `M${r(MIDDLE - foot)} ${r(FACE)}C${r(left - roll)} ${r(FACE)} ${r(left - roll)} ${r(shoulder)} ${r(left + half * 0.25)} ${r(FACE - crownMm * 0.85)}` +
    `Q${r(apex)} ${r(FACE - crownMm * 1.15)} ${r(right - half * 0.25)} ${r(FACE - crownMm * 0.85)}` +
    `C${r(right + roll)} ${r(shoulder)} ${r(right + roll)} ${r(FACE)} ${r(MIDDLE + foot)} ${r(FACE)}Z`
  );
}

/** Metal that melted into the plate. */
export function fused(bead: BeadAppearance): string {
  const { widthMm, penetrationMm, coldLap, lean, backBulge, plateMm } = bead;
  const half = (widthMm / 2) * (1 - 0.45 * coldLap) * 0.94;
  const depth = Math.min(penetrationMm, plateMm + 0.2);
  const shift = lean * half * 0.3;
  if (depth < 0.1) return '';
  const bowl = `M${r(MIDDLE - half)} ${r(FACE)}C${r(MIDDLE - half * 0.8 + shift)} ${r(FACE + depth * 0.5)} ${r(MIDDLE - half * 0.35 + shift)} ${r(FACE + depth)} ${r(MIDDLE + shift)} ${r(FACE + depth)}S${r(MIDDLE + half * 0.8 + shift)} ${r(FACE + depth * 0.5)} ${r(MIDDLE + half)} ${r(FACE)}Z`;
  if (backBulge < 0.2) return bowl;
  const back = FACE + plateMm;
  const drip = backBulge * 1.8;
  return `${bowl}M${r(MIDDLE - 2.2)} ${r(back)}Q${r(MIDDLE)} ${r(back + drip * 2)} ${r(MIDDLE + 2.2)} ${r(back)}Z`;
}

/** Wire ends standing out of the back. */
export function whiskers(bead: BeadAppearance): string {
  if (bead.whiskers < 0.2) return '';
  const back = FACE + bead.plateMm;
  return [-0.9, -0.1, 0.7]
    .map((at, i) => `M${r(MIDDLE + at)} ${r(back - 1)}l${r((i - 1) * 0.7)} ${r(3.4 - i * 0.5)}`)
    .join('');
}

/** Slag shut in between the side and the fill: ragged, and longer than it is wide. */
export function slag(bead: BeadAppearance): string {
  if (bead.holes !== 'slag') return '';
  const left = MIDDLE - bead.widthMm * 0.3;
  return (
    `M${r(left)} ${r(FACE + 0.1)}l0.9 0.5l0.3 0.9l-0.7 -0.2l-0.3 -0.5l-0.5 -0.1Z` +
    `M${r(MIDDLE + bead.widthMm * 0.22)} ${r(FACE + 0.3)}l0.7 -0.2l-0.2 0.7l-0.6 0.5l-0.2 -0.5Z`
  );
}

/** Pores and cracks in the section. */
export function faults(bead: BeadAppearance): { pores: string; crack: string } {
  const low = FACE - bead.crownMm * 0.3;
  const pores =
    bead.holes === 'none' || bead.holes === 'through' || bead.holes === 'slag'
      ? ''
      : circle(MIDDLE - 1.2, low, 0.5) + circle(MIDDLE + 0.8, low - 0.5, 0.4) + circle(MIDDLE + 0.1, low + 1.2, 0.45);
  const toe = MIDDLE + bead.widthMm / 2;
  const crack =
    bead.crack === 'toe'
      ? `M${r(toe)} ${r(FACE)}l-0.5 0.9l0.4 0.7l-0.6 0.9`
      : bead.crack === 'centre'
        ? `M${r(MIDDLE)} ${r(FACE - bead.crownMm)}l0.3 1.2l-0.4 1l0.3 1.3`
        : '';
  return { pores, crack };
}
