import type { Rig } from '../case/schema';
import type { ArcSetup } from './setup';
import { isUnstableGas } from './transfer';
import { isSheathed, isTubular, wireMetal, type Wire } from './wire';

/**
 * What must match the wire, and whether what is fitted does. Source: the trade's order of the rig check: roll groove, liner,
 * contact tip, polarity, gas, nozzle and gun all follow from process and wire.
 */
export type Parts = NonNullable<Rig['parts']>;
export type Groove = NonNullable<NonNullable<Parts['roll']>['groove']>;

/** Sizes this near are one size: 0.9 and 0.889 mm, 1.2 and 1.143. */
const SAME_MM = 0.06;
const same = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MM;

/** Studs that a wire is run on. */
export const polarityWanted = (wire: Wire): NonNullable<Rig['polarity']> =>
  wire.class === 'tubular-self-shielded' ? 'electrode-negative' : 'electrode-positive';

/** The groove that feeds a wire without crushing it or slipping: smooth V solid, U aluminium, knurled tubular. */
export function grooveWanted(wire: Wire): Groove {
  if (isSheathed(wire.class)) return 'knurled';
  return wireMetal(wire.class) === 'aluminium' ? 'u' : 'v';
}

/** Returns whether a drive roll feeds a wire; what is not known of it is taken as right. */
export function rollSuits(wire: Wire, { groove, sizeMm }: NonNullable<Parts['roll']>): boolean {
  return (
    (groove ?? grooveWanted(wire)) === grooveWanted(wire) && (sizeMm === undefined || same(sizeMm, wire.diameterMm))
  );
}

/** The bore a contact tip is stamped for: the wire's own, for aluminium the next size over it, which swells. */
export const tipWanted = (wire: Wire): number[] =>
  wireMetal(wire.class) === 'aluminium' ? [wire.diameterMm, nextSize(wire.diameterMm)] : [wire.diameterMm];

const SIZES = [0.6, 0.8, 0.9, 1.0, 1.2, 1.4, 1.6, 2.0];
const nextSize = (mm: number): number => SIZES.find((size) => size > mm + SAME_MM) ?? mm + 0.4;

/** Returns whether a contact tip is of the wire's size. */
export const tipSuits = (wire: Wire, sizeMm: number): boolean => tipWanted(wire).some((size) => same(size, sizeMm));

/** How much wider than the wire a liner may be before the wire weaves in it, mm: liners are sold for two or three sizes of wire. */
const LINER_OVER_MM = 0.45;

/** Returns whether a liner lets a wire through without dragging or weaving: polymer for aluminium, steel for the rest. */
export function linerSuits(wire: Wire, { kind, sizeMm }: NonNullable<Parts['liner']>): boolean {
  const soft = wireMetal(wire.class) === 'aluminium';
  if (kind !== undefined && kind !== 'polymer' && soft) return false;
  if (kind === 'polymer' && !soft && isSheathed(wire.class)) return false;
  if (sizeMm === undefined) return true;
  return sizeMm > wire.diameterMm - SAME_MM && sizeMm < wire.diameterMm + LINER_OVER_MM;
}

/** Returns whether a mix suits wire and metal, by the usual pairings. @param noGas whether none is fitted */
export function gasSuits({ wire, gas, usesGas }: Pick<ArcSetup, 'wire' | 'gas' | 'usesGas'>, noGas: boolean): boolean {
  if (wire === null) return true;
  if (noGas) return !usesGas;
  if (wireMetal(wire.class) === 'aluminium') return gas.argonPct + gas.heliumPct > 99;
  if (wireMetal(wire.class) === 'stainless') return gas.co2Pct <= 6 && !isUnstableGas(wire, gas);
  if (isTubular(wire.class)) return gas.co2Pct >= 10;
  // Metal-cored wire has no flux that would tame CO2.
  if (wire.class === 'metal-cored') return gas.co2Pct <= 30 && !isUnstableGas(wire, gas);
  return !isUnstableGas(wire, gas);
}
