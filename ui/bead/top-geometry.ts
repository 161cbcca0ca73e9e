import type { BeadAppearance } from '@/core/bead/appearance';
import { circle, r, scatter } from './noise';

/** Field of the top view in mm: the bead runs from left to right along its middle. */
export type Field = { length: number; height: number };

const END = 2.5;
/** Most that a round end reaches out, mm: a wide bead ends inside the picture too. */
const MOST_REACH = 2.2;

/** Half width of the bead at a share of its length, mm. */
export function halfWidth(bead: BeadAppearance, along: number): number {
  const taper = 1 + bead.taper * 0.6 * (along - 0.35);
  const wave = bead.uneven * 0.22 * Math.sin(along * 17) * Math.sin(along * 6.3 + 1);
  const lump = bead.ripples === 'lumps' ? 0.42 * Math.max(-1, Math.sin(along * 31)) : 0;
  const dimple = bead.ripples === 'dimples' ? -0.3 * Math.max(0, Math.cos(along * 31)) : 0;
  return (bead.widthMm / 2) * Math.max(0.15, taper + wave + lump + dimple);
}

const x = (field: Field, along: number): number => END + along * (field.length - 2 * END);

/** Outline of the bead. */
export function outline(bead: BeadAppearance, field: Field): string {
  const steps = 26;
  const middle = field.height / 2;
  const shares = Array.from({ length: steps + 1 }, (_, i) => i / steps);
  const upper = shares.map((s) => `${r(x(field, s))} ${r(middle - halfWidth(bead, s))}`);
  const lower = [...shares].reverse().map((s) => `${r(x(field, s))} ${r(middle + halfWidth(bead, s))}`);
  const [start, end] = [halfWidth(bead, 0), halfWidth(bead, 1)];
  const [out, back] = [Math.min(MOST_REACH, end * 0.6), Math.min(MOST_REACH, start * 0.5)];
  return `M${upper.join('L')}A${r(out)} ${r(end)} 0 0 1 ${lower[0]}L${lower.slice(1).join('L')}A${r(back)} ${r(start)} 0 0 1 ${upper[0]}Z`;
}

/** Ripples: the frozen edges of the puddle, rounder or more pointed, closer on a slow bead. */
export function ripples(bead: BeadAppearance, field: Field): string {
  const middle = field.height / 2;
  const pitch = 1.5;
  const count = Math.floor((field.length - 2 * END) / pitch);
  const depth = bead.ripples === 'pointed' ? 1.5 : 0.75;
  return Array.from({ length: count }, (_, i) => {
    const along = (i + 0.6) / count;
    const half = halfWidth(bead, along) * 0.92;
    const at = x(field, along);
    const bulge = half * depth;
    if (bead.ripples === 'pointed')
      return `M${r(at - bulge)} ${r(middle - half)}L${r(at + bulge * 0.4)} ${r(middle)}L${r(at - bulge)} ${r(middle + half)}`;
    return `M${r(at - bulge * 0.6)} ${r(middle - half)}Q${r(at + bulge)} ${r(middle)} ${r(at - bulge * 0.6)} ${r(middle + half)}`;
  }).join('');
}

/** Pores, by where they sit. */
export function pores(bead: BeadAppearance, field: Field): string {
  const middle = field.height / 2;
  const spot = (i: number, from: number, to: number, size: number): string => {
    const along = from + scatter(i) * (to - from);
    const y = middle + (scatter(i + 40) - 0.5) * 1.3 * halfWidth(bead, along);
    return circle(x(field, along), y, size * (0.6 + 0.7 * scatter(i + 80)));
  };
  const many = (count: number, from: number, to: number, size: number): string =>
    Array.from({ length: count }, (_, i) => spot(i + 1, from, to, size)).join('');
  switch (bead.holes) {
    case 'scattered':
      return many(17, 0.05, 0.97, 0.6);
    case 'crater':
      return circle(x(field, 0.95), middle, 0.95);
    case 'start':
      return many(7, 0, 0.2, 0.55);
    case 'one-spot':
      return many(9, 0.52, 0.7, 0.55);
    case 'wormtracks':
      return [0.15, 0.42, 0.68]
        .map((along, i) => wormtrack(x(field, along), middle + (i - 1) * bead.widthMm * 0.2))
        .join('');
    case 'through':
      return `M${r(x(field, 0.5))} ${r(middle - bead.widthMm * 0.42)}q3.4 -0.6 4.2 ${r(bead.widthMm * 0.3)}q0.8 ${r(bead.widthMm * 0.5)} -3.4 ${r(bead.widthMm * 0.5)}q-4.6 0.2 -4.4 -${r(bead.widthMm * 0.4)}q0.2 -${r(bead.widthMm * 0.36)} 3.6 -${r(bead.widthMm * 0.4)}Z`;
    default:
      return '';
  }
}

function wormtrack(at: number, y: number): string {
  return `M${r(at)} ${r(y)}q1.3 -0.9 2.6 -0.1t2.6 0.1q-0.2 0.8 -1.3 0.7t-2.6 0.1t-1.3 -0.8Z`;
}

/** Grains of spatter beside the bead. */
export function spatterGrains(bead: BeadAppearance, field: Field): string {
  const count = Math.round(bead.spatter * (bead.spatterSizeMm > 1.2 ? 16 : 46));
  return Array.from({ length: count }, (_, i) => {
    const along = scatter(i + 7);
    const side = scatter(i + 19) > 0.5 ? 1 : -1;
    const reach = halfWidth(bead, along) + 0.8 + scatter(i + 31) * (field.height / 2 - bead.widthMm / 2);
    const y = field.height / 2 + side * Math.min(field.height / 2 - 0.4, reach);
    return circle(x(field, along), y, (bead.spatterSizeMm / 2) * (0.7 + 0.7 * scatter(i + 53)));
  }).join('');
}

/** A burnt, grainy crust over a bead, as a back has that no gas kept the air from. */
export function crust(bead: BeadAppearance, field: Field): string {
  return Array.from({ length: 60 }, (_, i) => {
    const along = scatter(i + 11);
    const y = field.height / 2 + (scatter(i + 29) - 0.5) * 2 * halfWidth(bead, along);
    return circle(x(field, along), y, 0.16 + 0.24 * scatter(i + 71));
  }).join('');
}

/** Crack lines. */
export function cracks(bead: BeadAppearance, field: Field): string {
  const middle = field.height / 2;
  if (bead.crack === 'centre') {
    return (
      `M${r(x(field, 0.1))} ${r(middle)}` +
      Array.from(
        { length: 9 },
        (_, i) => `L${r(x(field, 0.18 + i * 0.09))} ${r(middle + (scatter(i) - 0.5) * 1.1)}`,
      ).join('')
    );
  }
  if (bead.crack !== 'crater') return '';
  const at = x(field, 0.93);
  return [0, 1.2, 2.3, 3.6, 4.9]
    .map((angle) => `M${r(at)} ${r(middle)}l${r(1.9 * Math.cos(angle))} ${r(1.9 * Math.sin(angle))}`)
    .join('');
}

/** Wisps of fume rising from the bead. */
export function fume(bead: BeadAppearance, field: Field): string {
  const count = Math.round(bead.fume * 5);
  return Array.from({ length: count }, (_, i) => {
    const at = x(field, 0.12 + i * 0.19);
    return `M${r(at)} ${r(field.height * 0.42)}q1.6 -1.6 0 -3.2t0 -3.2`;
  }).join('');
}
