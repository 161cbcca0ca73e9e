import { clamp } from '../quantity/clamp';

/** A bank card, mm, as ISO/IEC 7810 has it (ID-1): the one thing of known size in every pocket. */
export const CARD_MM = { long: 85.6, short: 53.98 } as const;

/** What can be drawn: a stick-out in mm, angles in degrees as the technique has them (push more than 0, drag less). */
export const HELD = {
  stickOutMm: { least: 3, most: 40, usual: 10 },
  travelAngleDeg: { least: -30, most: 30, usual: 0 },
  workAngleDeg: { least: 30, most: 90, usual: 90 },
  nozzleBoreMm: { least: 6, most: 30, usual: 13 },
  tipRecessMm: { least: -6, most: 12, usual: 2 },
} as const;
export type HeldFigure = keyof typeof HELD;

/** Wall of a nozzle, and how much of tip and nozzle is drawn beyond its end, mm: the usual hand gun of 150 to 250 A. */
const WALL_MM = 2;
const NOZZLE_MM = 24;
const TIP_DIAMETER_MM = 6;

/** Dots a mm that a screen may have: a wall screen, and the finest phone. */
export const DOTS_PER_MM = { least: 1.5, most: 40 } as const;

/** A point in mm: from where the wire points, to the right and up. */
export type Spot = readonly [x: number, y: number];

export type HeldGun = {
  /** From where the wire points to the face of the contact tip. */
  wire: readonly [Spot, Spot];
  /** The contact tip's end and its nozzle, each as the corners of its outline. */
  tip: readonly Spot[];
  nozzle: readonly Spot[];
  /** Room that it takes: from its left (0 or less) to its right, and up, from where the wire points, mm. */
  leftMm: number;
  rightMm: number;
  heightMm: number;
};

/** A figure within what can be drawn; the usual one where it is none. */
export function heldFigure(name: HeldFigure, figure: number | undefined): number {
  const { least, most, usual } = HELD[name];
  return figure === undefined || !Number.isFinite(figure) ? usual : clamp(figure, least, most);
}

/**
 * Gun, tip and wire in their true size, the wire just on the plate, the arc out.
 * @param stickOutMm from the face of the contact tip to the plate, along the wire, mm
 * @param leanDeg how far the gun leans to the right from upright, degrees
 * @param nozzleBoreMm inside of the nozzle, mm
 * @param tipRecessMm how far the tip stands back in the nozzle, mm; less than 0 where it stands out
 */
export function heldGun(stickOutMm: number, leanDeg: number, nozzleBoreMm: number, tipRecessMm: number): HeldGun {
  const lean = (leanDeg * Math.PI) / 180;
  const [sin, cos] = [Math.sin(lean), Math.cos(lean)];
  /** Of a point so far along the wire, and so far to its right. */
  const spot = (along: number, aside: number): Spot => [along * sin + aside * cos, along * cos - aside * sin];
  const tube = (from: number, to: number, half: number): Spot[] => [
    spot(from, -half),
    spot(from, half),
    spot(to, half),
    spot(to, -half),
  ];
  const mouth = stickOutMm - tipRecessMm;
  const end = mouth + NOZZLE_MM;
  const nozzle = tube(mouth, end, nozzleBoreMm / 2 + WALL_MM);
  const tip = tube(stickOutMm, Math.max(end, stickOutMm + 1), Math.min(TIP_DIAMETER_MM, nozzleBoreMm - 1) / 2);
  const corners = [spot(0, 0), ...nozzle, ...tip];
  return {
    wire: [spot(0, 0), spot(stickOutMm, 0)],
    tip,
    nozzle,
    leftMm: Math.min(...corners.map(([x]) => x)),
    rightMm: Math.max(...corners.map(([x]) => x)),
    heightMm: Math.max(...corners.map(([, y]) => y)),
  };
}
